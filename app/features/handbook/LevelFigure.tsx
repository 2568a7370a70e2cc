/** Fuel level against the holes of an emulsion tube, and what it does along the throttle by the model. */
import { useState } from "react";
import { buildModel, feedAt, pointAt } from "#core/carburettor/model.ts";
import { rigFromBuild } from "#core/rig/from-build.ts";
import { startingBuild } from "#core/rig/starting-builds.ts";
import { fixed } from "#app/vocabulary/numerals.ts";
import css from "./handbook.module.css";
import { Slider } from "./Slider.tsx";

const BUILD = startingBuild("fourStrokeAtv");
const RIG = rigFromBuild(BUILD);
const MODEL = buildModel(RIG);
const { setting, air } = RIG.baseline;
/** Heights of the holes above the level that the manual wants. */
const HOLES_MM = [5, 2.5, 0.5, -2, -4.5, -7] as const;
const SCALE = 9;
const y = (mm: number): number => 80 - SCALE * mm;

const OPENINGS = [0, 0.95] as const;

/** ln of the air for the fuel at idle and at full throttle, with the level so much higher. */
function lnAirFuel(higherMm: number): readonly number[] {
  const carburettor = { ...RIG.carburettor, fuelDropM: RIG.carburettor.fuelDropM - higherMm / 1000 };
  const rig = { ...RIG, carburettor };
  return OPENINGS.map((opening) => feedAt({ ...MODEL, rig }, setting, pointAt(rig, air, opening)).lnAirFuel);
}
const AS_WANTED = lnAirFuel(0);

const words = (percent: number): string =>
  Math.abs(percent) < 0.05
    ? "as before"
    : `${fixed(Math.abs(percent), 1)} % ${percent > 0 ? "leaner" : "richer"}`;

export function LevelFigure() {
  const [higher, setHigher] = useState(2);
  const [idle = 0, top = 0] = lnAirFuel(higher).map((now, i) => 100 * (now - (AS_WANTED[i] ?? 0)));
  const open = HOLES_MM.filter((hole) => hole > higher).length;
  return (
    <figure className={css["figure"]}>
      <svg
        viewBox="0 0 300 165"
        role="img"
        aria-label={`Emulsion tube: ${open} of ${HOLES_MM.length} holes above the fuel`}
      >
        <rect
          x={0}
          y={y(higher)}
          width={300}
          height={165 - y(higher)}
          fill="var(--petrol-wash)"
          stroke="var(--petrol)"
        />
        <rect x={120} y={10} width={60} height={150} fill="var(--sheet)" stroke="var(--ink)" />
        {HOLES_MM.map((hole) => (
          <circle
            key={hole}
            cx={150}
            cy={y(hole)}
            r={7}
            fill={hole > higher ? "var(--paper)" : "var(--petrol)"}
            stroke="var(--ink)"
          />
        ))}
        <text x={290} y={30} textAnchor="end">
          air comes in
        </text>
        <text x={290} y={150} textAnchor="end">
          fuel comes in
        </text>
      </svg>
      <Slider
        label="Fuel level"
        words={
          higher === 0
            ? "as the manual wants"
            : `${fixed(Math.abs(higher), 1)} mm ${higher > 0 ? "high" : "low"}`
        }
        value={higher}
        range={[-6, 6]}
        step={0.5}
        onChange={setHigher}
      />
      <figcaption className="quiet" aria-live="polite">
        {open} of {HOLES_MM.length} holes let air in. Idle {words(idle)}, full throttle {words(top)}, on a 400
        four-stroke. Holes not to scale.
      </figcaption>
    </figure>
  );
}
