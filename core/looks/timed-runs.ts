/**
 * Timed runs of two settings, as evidence: what the clock says of the power, read like a hand that feels no
 * finer than these runs scatter. A probit on the difference of the squared errors, through the power curve.
 */
import type { SeenLook, SeenRun } from "../log/fold.ts";
import { dayOf, type LookEntry, type Run } from "../log/schema.ts";
import { compareRuns } from "../runs/compare.ts";
import { consumption } from "../runs/consumption.ts";
import { POWER_PER_SQUARE, type Feel } from "./compared.ts";
import type { ComparedVerdict } from "../log/parts.ts";

/** Two settings that were run against each other, told as a look. */
export interface TimedLook extends SeenLook {
  readonly feel: Feel;
}

/** So many per cent of power is one per cent of the figure: + a larger figure is more power. */
const POWER_PER_FIGURE: Readonly<Record<Exclude<Run["what"], "fuel">, number>> = {
  /** work done at a power: time goes with its inverse */
  toSpeed: -1,
  /** from a standstill over a length: with the cube of the time */
  distance: -3,
  /** drag grows with the square of the speed */
  topSpeed: 3,
  /** a sixth of a lap's time is power's; the rest is corners and the rider */
  lap: -6,
};

/** @returns what counts: seconds, or metres a second, or litres a hundred kilometres */
export function runValue(run: Run): number {
  if (run.what === "topSpeed") return run.speedMs;
  if (run.what === "fuel") return consumption(run.litres, run.lengthM / 1000).litresPer100Km;
  return run.seconds;
}

/** Runs of one name can be held against each other: what was run, and to what. */
function nameOf({ entry: { run, at } }: SeenRun, build: number): string {
  const to = run.what === "toSpeed" ? run.speedMs : run.what === "distance" ? run.lengthM : 0;
  return JSON.stringify([dayOf(at), build, run.what, to]);
}

function groupBy<T>(items: readonly T[], name: (item: T) => string): T[][] {
  const groups = new Map<string, T[]>();
  for (const item of items) groups.set(name(item), [...(groups.get(name(item)) ?? []), item]);
  return [...groups.values()];
}

/** Better only as far as these runs can show it. */
function judged(power: number, felt: number): ComparedVerdict {
  if (power > felt) return "better";
  return power < -felt ? "worse" : "same";
}

function timedLook(before: readonly SeenRun[], after: readonly SeenRun[]): TimedLook | undefined {
  const [first, last] = [before[0], after.at(-1)];
  if (!first || !last || last.entry.run.what === "fuel") return undefined;
  const values = (runs: readonly SeenRun[]) => runs.map(({ entry }) => runValue(entry.run));
  const found = compareRuns(values(before), values(after));
  const toGain = POWER_PER_FIGURE[last.entry.run.what] / found.before.mean / POWER_PER_SQUARE;
  const felt = Math.abs(found.leastShown * toGain);
  const { setting, settings, air, build, reopenings } = last;
  const entry: LookEntry = {
    id: last.entry.id,
    at: last.entry.at,
    kind: "look",
    reading: { type: "compared", zone: "top", verdict: judged(found.difference * toGain, felt) },
  };
  const blur = Math.abs(found.error * toGain);
  return { entry, setting, settings, air, build, reopenings, before: first.settings, feel: { felt, blur } };
}

const sameSettings = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

/**
 * @param runs - of one rig, in order
 * @param looks - where the tuner has said which of two settings is better the same day, that word stands alone
 * @returns one for each setting that was run twice at least, against the one run before it in the same air
 */
export function timedLooks(runs: readonly SeenRun[], looks: readonly SeenLook[]): TimedLook[] {
  const said = (timed: TimedLook): boolean =>
    looks.some(
      ({ entry, before, settings }) =>
        entry.reading.type === "compared" &&
        dayOf(entry.at) === dayOf(timed.entry.at) &&
        sameSettings(before, timed.before) &&
        sameSettings(settings, timed.settings),
    );
  return groupBy(runs, (run) => nameOf(run, run.build)).flatMap((kind) => {
    const groups = groupBy(kind, ({ settings, air }) => JSON.stringify([settings, air?.id]));
    return groups.flatMap((after, i) => {
      const before = groups[i - 1];
      const sameAir = before?.[0]?.air?.id === after[0]?.air?.id;
      if (!before || before.length < 2 || after.length < 2 || !sameAir) return [];
      const timed = timedLook(before, after);
      return timed && !said(timed) ? [timed] : [];
    });
  });
}
