/** Timed runs in words: what was run, what it gave, and what two settings show against each other. */
import { consumption } from "#core/runs/consumption.ts";
import { runValue } from "#core/looks/run-groups.ts";
import type { Comparison } from "#core/runs/compare.ts";
import type { ComparedVerdict } from "#core/log/parts.ts";
import type { Run } from "#core/log/schema.ts";
import type { Preferences } from "./preferences.ts";
import { percentWords } from "./parts.ts";
import { fixed, formatQuantity } from "#app/vocabulary/numerals.ts";

export const RUN_NAMES: Readonly<Record<Run["what"], string>> = {
  lap: "Lap",
  toSpeed: "0 to a speed",
  distance: "A distance",
  topSpeed: "Top speed",
  fuel: "Fuel used",
};

/** `8.42 s`, `1:23.40` */
export function timeWords(seconds: number): string {
  if (seconds < 60) return `${fixed(seconds, 2)} s`;
  const minutes = Math.floor(seconds / 60);
  return `${minutes}:${fixed(seconds - 60 * minutes, 2).padStart(5, "0")}`;
}

/** @returns `0 to 100 km/h`, `Lap`: runs of one name can be compared */
export function runName(run: Run, units: Preferences): string {
  if (run.what === "toSpeed") return `0 to ${formatQuantity("speed", run.speedMs, units.speed)}`;
  if (run.what === "distance") return `Over ${formatQuantity("length", run.lengthM, units.length)}`;
  return RUN_NAMES[run.what];
}

export function valueWords(what: Run["what"], value: number, units: Preferences): string {
  if (what === "topSpeed") return formatQuantity("speed", value, units.speed);
  if (what !== "fuel") return timeWords(value);
  const { milesPerUsGallon, milesPerImperialGallon } = consumption(value, 100);
  return `${fixed(value, 1)} L/100 km (${fixed(milesPerUsGallon, 0)} mpg US, ${fixed(milesPerImperialGallon, 0)} imp.)`;
}

export const runFigure = (run: Run, units: Preferences): string => valueWords(run.what, runValue(run), units);

/** A larger figure is better only for a speed. */
const largerIsBetter = (what: Run["what"]): boolean => what === "topSpeed";

export interface ComparisonWords {
  readonly title: string;
  readonly reason: string;
  readonly verdict: ComparedVerdict;
}

const SURE = 0.8;

/** What two settings show against each other, and what more runs would. */
export function comparisonWords(what: Run["what"], found: Comparison, units: Preferences): ComparisonWords {
  const show = (value: number) =>
    what === "fuel" ? `${fixed(value, 1)} L/100 km` : valueWords(what, value, units);
  const chanceBetter = largerIsBetter(what) ? found.chanceLarger : 1 - found.chanceLarger;
  const verdict: ComparedVerdict = found.moreRuns !== 0 ? "same" : chanceBetter > 0.5 ? "better" : "worse";
  const [low, high] = found.interval;
  const sign = (value: number) => `${value < 0 ? "−" : "+"}${show(Math.abs(value))}`;
  const range = `${sign(found.difference)} (${sign(low)} to ${sign(high)}, ${percentWords(SURE)} sure), ${found.before.count} runs against ${found.after.count}.`;
  const settle =
    found.moreRuns === undefined
      ? "No stopwatch shows so small a difference."
      : `${found.moreRuns} more on each side would settle a difference like this one.`;
  return verdict === "same"
    ? {
        title: "These runs show no difference",
        reason: `${range} So many could show ${show(found.leastShown)}. ${settle}`,
        verdict,
      }
    : {
        title: `The newer setting is ${verdict}: ${percentWords(verdict === "better" ? chanceBetter : 1 - chanceBetter)}`,
        reason: range,
        verdict,
      };
}
