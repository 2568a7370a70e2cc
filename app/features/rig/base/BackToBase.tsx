import Button from "@mui/material/Button";
import { changesTowards } from "#app/journal/fit-changes.ts";
import { useRig } from "#app/frame/use-rig.ts";
import { partInSentence, partValue } from "#app/vocabulary/parts.ts";
import { baseOf } from "./sent.ts";
import { useSend, Said } from "./send.tsx";

/** One logged action: every part that is off its base goes back to it. */
export function BackToBase() {
  const { build, present } = useRig();
  const { send, answer, busy } = useSend();
  const changes = changesTowards(present.settings, baseOf(build, present.sheet));
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
          : `Would set ${words.join(", ")}. One entry in the log; what the looks taught stays.`}
      </p>
      <Button
        variant="outlined"
        className="start"
        disabled={busy || changes.length === 0}
        onClick={() => send({ intent: "putToBase" })}
      >
        Put everything back to base
      </Button>
      <Said answer={answer} />
    </section>
  );
}
