import Button from "@mui/material/Button";
import { useFetcher } from "react-router";
import type { ComparedVerdict } from "#core/log/parts.ts";
import { Problem } from "#app/ui/Problem.tsx";
import { useRig } from "#app/frame/use-rig.ts";
import { type ActionProblem } from "#app/journal/save.ts";

/** What the runs say of the open change, ready to be logged: the stopwatch is a look too. */
export function SayIt({ verdict }: { verdict: ComparedVerdict }) {
  const { header, present } = useRig();
  const fetcher = useFetcher<ActionProblem>();
  if (!present.openChange) return null;
  const words = { better: "better", same: "no different", worse: "worse" }[verdict];
  return (
    <>
      <Button
        variant="outlined"
        disabled={fetcher.state !== "idle"}
        className="start"
        onClick={() =>
          void fetcher.submit(
            { intent: "compared", verdict, zone: "top", putBack: "no" },
            { method: "post", action: `/rigs/${header.id}` },
          )
        }
      >
        Log the change as {words} at the top
      </Button>
      <Problem message={fetcher.data?.message} />
    </>
  );
}
