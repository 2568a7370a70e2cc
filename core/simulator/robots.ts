/** Rule-of-thumb tuners for comparison: one plug at a time, no model. */
import { correctedJetNumber } from "../carburettor/jet.ts";
import { boxJets } from "../rig/box.ts";
import { numberingFromLog } from "../rig/from-build.ts";
import { screwWindow } from "../advice/plan/choices.ts";
import { toneCentre } from "../looks/plug-tone.ts";
import type { Build, Setting } from "../log/schema.ts";
import type { Bench, Outcome } from "./trial.ts";

const nearest = (values: readonly number[], wanted: number): number =>
  values.reduce(
    (best, value) => (Math.abs(value - wanted) < Math.abs(best - wanted) ? value : best),
    values[0] ?? wanted,
  );

/** Main jet by a density chart: the number goes with the square root of the air, or with all of it where it counts flow. */
export function chartMain(build: Build, from: number, densityRatio: number): number {
  const wanted = correctedJetNumber(from, densityRatio, numberingFromLog(build.carburettor.mainNumbering));
  return nearest(
    boxJets(build, "main").map(({ number }) => number),
    wanted,
  );
}

function step(values: readonly number[], from: number, by: number): number {
  const i = values.indexOf(nearest(values, from));
  return values[Math.min(values.length - 1, Math.max(0, i + by))] ?? from;
}

/** What a tone asks for: two steps where it is far off, one where it is a little, none where it is right. */
function stepsFor(tone: Parameters<typeof toneCentre>[0]): number {
  const off = toneCentre(tone);
  if (Math.abs(off) < 0.03) return 0;
  return Math.sign(off) * (Math.abs(off) > 0.08 ? 2 : 1);
}

const MOST_STOPS = 12;

/** One zone after the other, plug after plug, until it has the right tone. */
function readUntilRight(
  bench: Bench,
  zone: "mid" | "top",
  richer: (setting: Setting, steps: number) => Partial<Setting>,
): void {
  for (let tries = 0; tries < 4 && bench.stops < MOST_STOPS; tries += 1) {
    const reading = bench.plug(zone);
    if (reading?.type !== "plug") return;
    const steps = stepsFor(reading.tone);
    if (steps === 0) return;
    const to = richer(bench.fitted, steps);
    const changes = Object.entries(to)
      .filter(([part, value]) => bench.fitted[part as keyof Setting] !== value)
      .map(([part, value]) => ({ part, to: value }) as { part: "main"; to: number });
    if (changes.length === 0) return;
    bench.fit(changes);
  }
}

function setIdle(bench: Bench, build: Build): void {
  for (let tries = 0; tries < 3; tries += 1) {
    const reading = bench.idle();
    const window = screwWindow(build);
    const middle =
      reading?.type === "bestIdle" ? (reading.fallInTurns + reading.fallOutTurns) / 2 : undefined;
    if (middle !== undefined && middle >= window.from && middle <= window.to) {
      bench.fit([{ part: "screwTurns", to: Math.round(middle * 8) / 8 }]);
      return;
    }
    const richerJet =
      reading?.type === "symptom"
        ? reading.symptom === "hangsHigh"
        : (middle ?? 0) < window.from === (build.carburettor.screw === "air");
    const sizes = boxJets(build, "pilot").map(({ number }) => number);
    const pilot = step(sizes, bench.fitted.pilot, richerJet ? 1 : -1);
    if (pilot === bench.fitted.pilot) return;
    bench.fit([
      { part: "pilot", to: pilot },
      { part: "screwTurns", to: build.baseline.setting.screwTurns },
    ]);
  }
}

/** @param order - idle, needle, main, or the top first */
export function robot(bench: Bench, order: "bottomUp" | "topFirst"): Outcome {
  const { build } = bench.engine;
  const mains = boxJets(build, "main").map(({ number }) => number);
  const { grooves } = build.carburettor.needle;
  const top = () => readUntilRight(bench, "top", ({ main }, steps) => ({ main: step(mains, main, steps) }));
  const mid = () =>
    readUntilRight(bench, "mid", ({ clip }, steps) => ({
      clip: Math.min(grooves, Math.max(1, clip + Math.sign(steps))),
    }));
  const idle = () => setIdle(bench, build);
  for (const work of order === "bottomUp" ? [idle, mid, top] : [top, idle, mid]) work();
  return bench.outcome(true, undefined);
}
