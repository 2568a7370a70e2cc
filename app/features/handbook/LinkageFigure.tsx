/** Two carburettors on one shaft: the screw between them, and what two gauges show. */
import { useState } from "react";
import { USUAL_SPREAD_PA } from "#core/balance/spread.ts";
import { readLinked, untouched, type LinkedCarburettors } from "#core/simulator/linked-carburettors.ts";
import { fixed } from "#app/vocabulary/numerals.ts";
import css from "./handbook.module.css";
import { Slider } from "./Slider.tsx";

const ENGINE: LinkedCarburettors = { linkage: "shaft", offsets: [0, 0.15], slacks: [0, 0], idleRpm: 1200 };
const GAUGES = [0, 1] as const;

export function LinkageFigure() {
  const [turns, setTurns] = useState(0);
  const { depressionsPa } = readLinked(ENGINE, { ...untouched(ENGINE), shaftScrews: [turns] });
  const apart = Math.abs((depressionsPa[0] ?? 0) - (depressionsPa[1] ?? 0));
  return (
    <figure className={css["figure"]}>
      <svg
        viewBox="0 0 300 130"
        role="img"
        aria-label={`Two vacuum gauges, ${fixed(apart / 1000, 1)} kPa apart`}
      >
        {GAUGES.map((i) => {
          const pulls = (depressionsPa[i] ?? 0) / 700;
          return (
            <g key={i}>
              <rect x={70 + 100 * i} y={100 - pulls} width={60} height={pulls} fill="var(--petrol)" />
              <text x={100 + 100 * i} y={120} textAnchor="middle">
                {i + 1}
              </text>
            </g>
          );
        })}
      </svg>
      <Slider
        label="Screw between them"
        words={`${fixed(turns, 2)} turns`}
        value={turns}
        range={[-3, 3]}
        step={0.25}
        onChange={setTurns}
      />
      <figcaption className="quiet" aria-live="polite">
        {fixed(apart / 1000, 1)} kPa apart: {apart <= USUAL_SPREAD_PA ? "in step" : "out of step"}. The one
        that pulls harder is open less.
      </figcaption>
    </figure>
  );
}
