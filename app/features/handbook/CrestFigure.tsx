/** Idle speed over the turns of the screw, as an engine of ours runs; the crest is where the mixture is right. */
import { useState } from "react";
import { buildModel } from "#core/carburettor/model.ts";
import { mixtureShift } from "#core/carburettor/mixture-shift.ts";
import { rigFromBuild } from "#core/rig/from-build.ts";
import { startingBuild } from "#core/rig/starting-builds.ts";
import { idleShare } from "#core/simulator/idle-share.ts";
import { fixed, formatTurns } from "#app/vocabulary/numerals.ts";
import css from "./handbook.module.css";
import { Slider } from "./Slider.tsx";

const RIG = rigFromBuild(startingBuild("twoStrokeBike"));
const MODEL = buildModel(RIG);
const CREST_RPM = 1700;
const [FROM, TO, STEP] = [0.5, 2.75, 0.125];
const TURNS = Array.from({ length: (TO - FROM) / STEP + 1 }, (_, i) => FROM + i * STEP);

const errorAt = (screwTurns: number): number =>
  mixtureShift(MODEL, { ...RIG.baseline.setting, screwTurns }, RIG.baseline.air, [0])[0]?.shift ?? 0;
const rpmAt = (turns: number): number => CREST_RPM * idleShare(errorAt(turns));
const SPEEDS = TURNS.map(rpmAt);
const LOW = Math.min(...SPEEDS.filter((rpm) => rpm > 0)) - 10;

const x = (turns: number): number => 20 + (520 * (turns - FROM)) / (TO - FROM);
const y = (rpm: number): number => 120 - (100 * (rpm - LOW)) / (CREST_RPM - LOW);

function words(turns: number): string {
  const off = 100 * errorAt(turns);
  if (Math.abs(off) < 2) return "right";
  return `${fixed(Math.abs(off), 0)} % ${off > 0 ? "lean" : "rich"}`;
}

export function CrestFigure() {
  const [turns, setTurns] = useState(1.5);
  const rpm = rpmAt(turns);
  const line = TURNS.map((at, i) => ({ at, rpm: SPEEDS[i] ?? 0 })).filter((point) => point.rpm > 0);
  return (
    <figure className={css["figure"]}>
      <svg
        viewBox="0 0 560 150"
        role="img"
        aria-label="Idle speed over the turns of an air screw: a crest with a fall-off on each side"
      >
        <polyline
          points={line.map((point) => `${x(point.at).toFixed(1)},${y(point.rpm).toFixed(1)}`).join(" ")}
          fill="none"
          stroke="var(--petrol)"
          strokeWidth={3}
        />
        {rpm > 0 && <circle cx={x(turns)} cy={y(rpm)} r={8} fill="var(--brass)" stroke="var(--ink)" />}
        <text x={20} y={145}>
          in: rich
        </text>
        <text x={540} y={145} textAnchor="end">
          out: lean
        </text>
      </svg>
      <Slider
        label="Air screw"
        words={`${formatTurns(turns)} turns out`}
        value={turns}
        range={[FROM, TO]}
        step={STEP}
        onChange={setTurns}
      />
      <figcaption className="quiet" aria-live="polite">
        {rpm > 0 ? `${fixed(10 * Math.round(rpm / 10), 0)} rpm` : "It dies"}: the idle is {words(turns)}. A
        250 two-stroke.
      </figcaption>
    </figure>
  );
}
