/** What the readings say so far: the curve, its crest, the readings themselves, and how its tuner sets a screw. */
import { SCREW_SCHOOLS, type ScrewSchool } from "#core/log/schools.ts";
import type { IdlePoint } from "#core/idle/best-idle.ts";
import { Choice } from "#app/ui/Choice.tsx";
import { useSchool } from "#app/frame/use-school.ts";
import { Problem } from "#app/ui/Problem.tsx";
import { SCHOOL_WORDS } from "#app/vocabulary/schools.ts";
import type { benchOf } from "./form.ts";
import { IdleChart } from "./IdleChart.tsx";
import { ReadingList } from "./WalkPanel.tsx";
import { fixed, formatTurns } from "#app/vocabulary/numerals.ts";

interface WalkResultProps {
  readonly points: readonly IdlePoint[];
  readonly bench: ReturnType<typeof benchOf>;
  readonly school: ScrewSchool;
  readonly onRemove: (index: number) => void;
}

export function WalkResult({ points, bench, school, onRemove }: WalkResultProps) {
  const { choose, problem } = useSchool();
  const { verdict } = bench;
  const { fit } = bench.fit;
  const target = verdict.kind === "leave" || verdict.kind === "repeat" ? verdict.setTo : undefined;
  return (
    <>
      <IdleChart points={points} fit={fit} target={target} />
      {fit && (
        <p className="flush">
          Crest {Math.round(fit.crestRpm)} rpm at {formatTurns(fit.crestTurns)}; 2 % of idle speed lost at{" "}
          {formatTurns(fit.fallInTurns)} and {formatTurns(fit.fallOutTurns)}; the middle at{" "}
          {fixed(fit.middleTurns, 2)} ± {fixed(1.28 * fit.sdTurns, 2)} turns.
        </p>
      )}
      {points.length > 0 && <ReadingList points={points} fit={fit} onRemove={onRemove} />}
      <Choice
        label="How you set the screw"
        value={school}
        options={SCREW_SCHOOLS.map((value) => ({ value, text: SCHOOL_WORDS[value].name }))}
        onChange={(is) => choose({ what: "screw", is })}
      />
      <Problem message={problem} />
      <p className="quiet flush">{SCHOOL_WORDS[school].how}</p>
    </>
  );
}
