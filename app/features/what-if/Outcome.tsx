/** What is tried now, said and drawn; it stays in sight while things are moved. */
import css from "./what-if.module.css";
import type { Trial } from "#core/advice/judge/trial.ts";
import { MiniStrip } from "#app/frame/strip/Strip.tsx";
import { certainty, percentWords } from "#app/vocabulary/parts.ts";
import type { Held } from "./against.tsx";

interface OutcomeProps {
  readonly trial: Trial;
  readonly against: Held | undefined;
  readonly moved: readonly string[];
}

export function Outcome({ trial, against, moved }: OutcomeProps) {
  return (
    <div className={css["outcome"]}>
      {against && (
        <MiniStrip
          advice={trial}
          against={against}
          label={`Mixture along the throttle as tried; the broken line is ${against.name}`}
        />
      )}
      <p className="flush" aria-live="polite">
        {moved.length === 0 ? "All as it is: move something." : `${moved.join(", ")}.`}{" "}
        {trial.chanceBetter > 0 && `Better than what is fitted: ${certainty(trial.chanceBetter)}. `}
        {!trial.safe && (
          <strong>
            Too lean at full throttle to be safe: {percentWords(trial.leanRisk)} past the limit.
          </strong>
        )}
      </p>
    </div>
  );
}
