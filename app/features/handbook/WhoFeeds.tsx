/** Who feeds along the throttle, computed by the model for a usual two-stroke. */
import { useState } from "react";
import { buildModel } from "#core/carburettor/model.ts";
import { mixtureShift } from "#core/carburettor/mixture-shift.ts";
import { rulerPosition, throttleAtRuler } from "#core/carburettor/zones.ts";
import { rigFromBuild } from "#core/rig/from-build.ts";
import { startingBuild } from "#core/rig/starting-builds.ts";
import { fixed } from "#app/vocabulary/numerals.ts";
import css from "./handbook.module.css";
import { Slider } from "./Slider.tsx";

const [WIDTH, TOP, BOTTOM, LEFT, RIGHT] = [560, 12, 150, 8, 552];
const STEPS = 48;
const MARKS = [
  [0, "shut"],
  [0.125, "⅛"],
  [0.25, "¼"],
  [0.5, "½"],
  [0.75, "¾"],
  [1, "open"],
] as const;

/** Shares of pilot and needle at each step of the throttle; the main jet has the rest. */
function shares(): { x: number; pilot: number; needle: number }[] {
  const rig = rigFromBuild(startingBuild("twoStrokeBike"));
  const openings = Array.from({ length: STEPS + 1 }, (_, i) => throttleAtRuler(i / STEPS));
  const { setting, air } = rig.baseline;
  return mixtureShift(buildModel(rig), setting, air, openings).map(({ authority }, i) => ({
    x: LEFT + ((RIGHT - LEFT) * i) / STEPS,
    pilot: authority.pilot,
    needle: authority.pilot + authority.needle,
  }));
}

const POINTS = shares();
const percent = (share: number): string => `${fixed(100 * share, 0)} %`;
const y = (share: number): number => TOP + (BOTTOM - TOP) * share;

export function WhoFeeds() {
  const [step, setStep] = useState(STEPS / 3);
  const here = POINTS[step]!;
  const area = (from: (p: (typeof POINTS)[number]) => number, to: (p: (typeof POINTS)[number]) => number) =>
    [
      ...POINTS.map((p) => `${p.x.toFixed(1)},${y(from(p)).toFixed(1)}`),
      ...[...POINTS].reverse().map((p) => `${p.x.toFixed(1)},${y(to(p)).toFixed(1)}`),
    ].join(" ");
  return (
    <figure className={css["figure"]}>
      <svg
        viewBox={`0 0 ${WIDTH} 178`}
        role="img"
        aria-label="Who feeds: the pilot side near shut, the needle in the middle, the main jet near open"
      >
        <polygon
          points={area(
            () => 0,
            (p) => p.pilot,
          )}
          fill="var(--layer-pilot)"
        />
        <polygon
          points={area(
            (p) => p.pilot,
            (p) => p.needle,
          )}
          fill="var(--layer-needle)"
        />
        <polygon
          points={area(
            (p) => p.needle,
            () => 1,
          )}
          fill="var(--layer-main)"
        />
        <text x={20} y={34} style={{ fill: "var(--paper)" }}>
          pilot jet and screw
        </text>
        <text x={210} y={96}>
          needle and clip
        </text>
        <text x={470} y={142}>
          main jet
        </text>
        <line x1={here.x} x2={here.x} y1={TOP} y2={BOTTOM} stroke="var(--ink)" strokeWidth={2} />
        {MARKS.map(([throttle, name]) => (
          <text
            key={name}
            x={LEFT + (RIGHT - LEFT) * rulerPosition(throttle)}
            y={170}
            textAnchor={throttle === 0 ? "start" : throttle === 1 ? "end" : "middle"}
          >
            {name}
          </text>
        ))}
      </svg>
      <Slider
        label="Throttle"
        words={`${percent(throttleAtRuler(step / STEPS))} open`}
        value={step}
        range={[0, STEPS]}
        step={1}
        onChange={setStep}
      />
      <figcaption className="quiet" aria-live="polite">
        Here the pilot side rules {percent(here.pilot)} of the fuel, the needle{" "}
        {percent(here.needle - here.pilot)}, the main jet {percent(1 - here.needle)}. For a 250 two-stroke.
      </figcaption>
    </figure>
  );
}
