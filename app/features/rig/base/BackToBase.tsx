import Button from "@mui/material/Button";
import { useLoggedTap } from "#app/frame/use-logged-tap.ts";
import { useRig } from "#app/frame/use-rig.ts";
import { towardsBase } from "#app/journal/fit-changes.ts";
import { Problem } from "#app/ui/Problem.tsx";
import { partInSentence, partValue } from "#app/vocabulary/parts.ts";

/** One logged action: every part that is off its base goes back to it. */
export function BackToBase() {
  const { build, header, present } = useRig();
  const { send, answer, busy } = useLoggedTap(header.id, "Not put back to base");
  const changes = towardsBase(build, present);
  const words = changes.map(
    ({ part, to, carburettor }) =>
      `${partInSentence(part)} ${partValue(part, to)}${carburettor === undefined ? "" : ` on no. ${carburettor}`}`,
  );
  return (
    <section className="stack">
      <h2>Back to base</h2>
      <p className="quiet flush">
        {changes.length === 0
          ? "Everything is at its base."
          : `Would set ${words.join(", ")}. One entry in the log; everything learnt stays.`}
      </p>
      <Button
        variant="outlined"
        className="start"
        disabled={busy || changes.length === 0}
        onClick={() => send({ intent: "toBase" }, "Everything is back at its base.")}
      >
        Put everything back to base
      </Button>
      <Problem message={answer?.message} />
    </section>
  );
}
