/** The plan for this stop: each line its own zone, in the order a spanner meets them. */
import css from "./today.module.css";
import type { Advice } from "#core/advice/card/advise.ts";
import { planLineWords } from "#app/vocabulary/next.ts";
import type { RigContext } from "#app/frame/use-rig.ts";
import { changesOfLine } from "#app/journal/fit-changes.ts";
import { unbroken } from "#app/ui/unbroken.ts";
import { FitButton } from "#app/frame/Taps.tsx";

interface PlanListProps {
  readonly context: RigContext;
  readonly advice: Advice;
  /** what is no tap yet: a question about the top stands open, or the walk-round is due */
  readonly waits: "none" | "top" | "all";
}

export function PlanList({ context, advice, waits }: PlanListProps) {
  const { next } = advice;
  if (next.kind !== "fit") return null;
  const several = next.lines.length > 1;
  return (
    <ol className={css["plan"]} aria-label="The plan for this stop">
      {next.lines.map((line) => {
        const { title, reason } = planLineWords(line, advice);
        return (
          <li key={line.zone}>
            <div>
              <strong>{title}</strong>
              <p className="quiet">{unbroken(reason)}</p>
            </div>
            {several && waits !== "all" && !(waits === "top" && line.zone === "top") && (
              <FitButton
                context={context}
                advice={advice}
                {...changesOfLine(advice, line.changes)}
                words="Fitted"
                label={`${title} is fitted`}
              />
            )}
          </li>
        );
      })}
    </ol>
  );
}
