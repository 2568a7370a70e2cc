import Button from "@mui/material/Button";
import type { ComparedVerdict } from "#core/log/parts.ts";
import { Problem } from "#app/ui/Problem.tsx";
import { useRig } from "#app/frame/use-rig.ts";
import { useTap } from "#app/frame/use-tap.ts";

/** What the runs say of the open change, ready to be logged: the stopwatch is a look too. */
export function SayIt({ verdict }: { verdict: ComparedVerdict }) {
  const { header, present } = useRig();
  const { send, busy, answer } = useTap(header.id);
  if (!present.openChange) return null;
  const words = { better: "better", same: "no different", worse: "worse" }[verdict];
  return (
    <>
      <Button
        variant="outlined"
        disabled={busy}
        className="start"
        onClick={() => send({ intent: "compared", verdict, zone: "top", putBack: false })}
      >
        Log the change as {words} at full throttle
      </Button>
      <Problem message={answer?.message} />
    </>
  );
}
