/** Three hints for who sees a card for the first time: one at a time, gone once read. */
import Button from "@mui/material/Button";
import { useState } from "react";
import { Problem } from "#app/ui/Problem.tsx";
import type { Preferences } from "#app/vocabulary/preferences.ts";
import css from "./today.module.css";
import { useKeepPreferences } from "./use-keep-preferences.ts";

const HINTS = [
  {
    about: "The strip",
    words:
      "The throttle from shut to wide open. The line shows how lean or rich it is there. The band shows the doubt. Tap a zone to look at it.",
  },
  {
    about: "The plan",
    words:
      "At most three changes, each for its own zone. Fit them, tap “fitted”, ride, and log one look for each.",
  },
  {
    about: "The card",
    words:
      "What is fitted, and what to fit in today’s air. It changes with every figure you type. Print it and tape it to the air box.",
  },
] as const;

export function Hints({ preferences }: { preferences: Preferences }) {
  const [at, setAt] = useState(0);
  const { keep, busy, problem } = useKeepPreferences(preferences);
  const hint = HINTS[at];
  if (preferences.hints === "read" || !hint) return null;
  const last = at === HINTS.length - 1;
  const read = () => keep({ hints: "read" });
  return (
    <aside className={css["hint"]} aria-label="Hints">
      <p className="flush" aria-live="polite">
        <strong>
          {at + 1} of {HINTS.length} · {hint.about}.
        </strong>{" "}
        {hint.words}
      </p>
      <Problem message={problem} />
      <div className="row">
        <Button variant="outlined" disabled={busy} onClick={last ? read : () => setAt(at + 1)}>
          {last ? "Got it" : "Next"}
        </Button>
        {!last && (
          <Button disabled={busy} onClick={read}>
            I know all that
          </Button>
        )}
      </div>
    </aside>
  );
}
