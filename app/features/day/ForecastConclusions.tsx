/** What was made of a forecast's columns, in one line; what can be two things is asked, the rest is a tap away. */
import Button from "@mui/material/Button";
import type { ForecastMapping } from "#core/forecast/columns.ts";
import type { Conclusion, ForecastUse } from "#core/forecast/weigh.ts";
import { Choice } from "#app/ui/Choice.tsx";
import { ABOUT_WORDS, ASKED_WORDS, readingWords, columnWords } from "./forecast-words.ts";

interface ConclusionsProps {
  readonly conclusions: readonly Conclusion[];
  readonly mapping: ForecastMapping;
  readonly asked: readonly Conclusion[];
  readonly onChoose: (conclusion: Conclusion, use: ForecastUse) => void;
}

const same = (a: ForecastUse, b: ForecastUse): boolean => a.role === b.role && a.unit === b.unit;
const keyOf = ({ role, unit }: ForecastUse): string => `${role} ${unit}`;

export function ForecastConclusions({ conclusions, mapping, asked, onChoose }: ConclusionsProps) {
  if (conclusions.length === 0) return null;
  const told = conclusions.filter((one) => !asked.includes(one));
  const inForce = ({ is, others }: Conclusion): ForecastUse | undefined =>
    [is, ...others].find((use) => mapping.some((one) => same(one, use)));
  return (
    <div className="stack tight">
      {told.length > 0 && (
        <p className="flush" role="status">
          {told.map((one) => readingWords(one, inForce(one))).join(" ")}
        </p>
      )}
      {asked.map((one) => (
        <Choice
          key={one.about}
          label={ASKED_WORDS[one.about]}
          value={undefined}
          options={[one.is, ...one.others].map((use) => ({ value: keyOf(use), text: columnWords(use) }))}
          onChange={(key) => {
            const use = [one.is, ...one.others].find((other) => keyOf(other) === key);
            if (use) onChoose(one, use);
          }}
        />
      ))}
      <div className="row">
        {told.map((one) => {
          const now = inForce(one);
          return [one.is, ...one.others]
            .filter((use) => now === undefined || !same(use, now))
            .map((use) => (
              <Button key={keyOf(use)} onClick={() => onChoose(one, use)}>
                {ABOUT_WORDS[one.about]}: {columnWords(use)} instead
              </Button>
            ));
        })}
      </div>
    </div>
  );
}
