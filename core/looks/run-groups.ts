/**
 * Likelihood of timed runs: every run of one kind on one day on one machine belongs together. The figure of a run
 * is turned into power; what is left over is how much power each setting makes against the first.
 */
import type { SeenLook, SeenRun } from "../log/present.ts";
import { dayOf, type Build, type Run } from "../log/schema.ts";
import { contrasts, pooledScatter, type Contrast } from "../runs/contrasts.ts";
import { consumption } from "../runs/consumption.ts";
import { ZONES, type PerZone } from "../carburettor/zones.ts";
import { POWER_PER_SQUARE } from "./compared.ts";

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
/** A sprint is ridden wide open, and begins below. */
const SPRINT: PerZone<number> = { idle: 0, low: 0.05, mid: 0.2, top: 0.75 };
const TOP: PerZone<number> = { idle: 0, low: 0, mid: 0, top: 1 };

/** @returns what counts: seconds, or metres a second, or litres a hundred kilometres */
export function runValue(run: Run): number {
  if (run.what === "topSpeed") return run.speedMs;
  if (run.what === "fuel") return consumption(run.litres, run.lengthM / 1000).litresPer100Km;
  return run.seconds;
}

/** @returns the power of a run as a fall of the square of the mixture's error, up to a constant of its kind */
export function gainOf(run: Run): number {
  if (run.what === "fuel") throw new RangeError("a run must tell of power, got one of fuel used");
  return (POWER_PER_FIGURE[run.what] * Math.log(runValue(run))) / POWER_PER_SQUARE;
}

/** @returns how much each zone counts in such a run; the shares add to 1 */
export function zonesOfRun({ what }: Run, { usage }: Pick<Build, "usage">): PerZone<number> {
  if (what === "topSpeed") return TOP;
  if (what !== "lap") return SPRINT;
  const all = ZONES.reduce((sum, zone) => sum + usage[zone], 0);
  return {
    idle: usage.idle / all,
    low: usage.low / all,
    mid: usage.mid / all,
    top: usage.top / all,
  };
}

/** Runs of one kind that can be held against each other. */
export interface RunGroup {
  readonly at: string;
  readonly runs: readonly SeenRun[];
  readonly build: number;
  readonly reopenings: number;
}

/** Runs of one name can be held against each other: what was run, and to what. */
function nameOf({ entry: { run, at }, build, reopenings }: SeenRun): string {
  const to = run.what === "toSpeed" ? run.speedMs : run.what === "distance" ? run.lengthM : 0;
  return JSON.stringify([dayOf(at), build, reopenings, run.what, to]);
}

export const settingsKey = ({ settings }: Pick<SeenRun, "settings">): string => JSON.stringify(settings);

/** The tuner has said himself which of two settings of that day is better: his word stands for the clock's. */
function saidOf(looks: readonly SeenLook[], runs: readonly SeenRun[]): boolean {
  const settings = new Set(runs.map(settingsKey));
  const day = runs[0] && dayOf(runs[0].entry.at);
  return looks.some(
    ({ entry, before, settings: after }) =>
      entry.reading.type === "compared" &&
      before !== undefined &&
      dayOf(entry.at) === day &&
      settings.has(JSON.stringify(before)) &&
      settings.has(JSON.stringify(after)),
  );
}

/** @returns those in which two settings were run at least */
export function runGroups(runs: readonly SeenRun[], looks: readonly SeenLook[]): RunGroup[] {
  const groups = new Map<string, SeenRun[]>();
  for (const run of runs) {
    if (run.entry.run.what === "fuel") continue;
    const name = nameOf(run);
    groups.set(name, [...(groups.get(name) ?? []), run]);
  }
  return [...groups.values()].flatMap((members) => {
    const last = members.at(-1);
    const settings = new Set(members.map(settingsKey));
    if (!last || settings.size < 2 || saidOf(looks, members)) return [];
    return [{ at: last.entry.at, runs: members, build: last.build, reopenings: last.reopenings }];
  });
}

/** One run of a kind repeats to so much of its power: a clock, a hand, a gust. */
const USUAL_SCATTER = 0.015 / POWER_PER_SQUARE;
const LEAST_SCATTER = USUAL_SCATTER / 10;
/** @returns the receiver's own error of a run in the same measure; 0 where a hand held the watch */
function receiverError({ entry: { run, receiver } }: SeenRun): number {
  if (run.what === "fuel" || !receiver) return 0;
  return (Math.abs(POWER_PER_FIGURE[run.what]) * receiver.errorShare) / POWER_PER_SQUARE;
}

/** Heat, tyres, track and rider: sd of the power's drift within an hour. */
const DRIFT_AN_HOUR = 0.015 / POWER_PER_SQUARE;
const HOUR_MS = 3_600_000;

/**
 * @param lnAir - ln of the air that a run burnt: what is denser makes more power whatever the jets, and is taken out
 * @returns a run of each setting, the first one first, and what is said of each of the others against it
 */
export function runContrasts(
  { runs }: RunGroup,
  lnAir: (run: SeenRun) => number,
): { readonly settings: readonly SeenRun[]; readonly contrasts: readonly Contrast[] } {
  const keys = [...new Set(runs.map(settingsKey))];
  const settings = keys.flatMap((key) => runs.find((run) => settingsKey(run) === key) ?? []);
  const began = Date.parse(runs[0]?.entry.at ?? "");
  const told = runs.map((run) => ({
    setting: keys.indexOf(settingsKey(run)),
    hours: (Date.parse(run.entry.at) - began) / HOUR_MS,
    value: gainOf(run.entry.run) - lnAir(run) / POWER_PER_SQUARE,
  }));
  // That runs agree better than what took them can is luck.
  const scatter = Math.max(LEAST_SCATTER, pooledScatter(told, USUAL_SCATTER), ...runs.map(receiverError));
  return { settings, contrasts: contrasts(told, scatter, DRIFT_AN_HOUR) };
}
