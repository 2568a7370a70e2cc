/** What the satellites measured, as the form sends it beside the figure. */
import type { Fix } from "#core/satellites/fix.ts";
import { courseOf } from "#core/satellites/course.ts";
import type { Goal } from "#core/satellites/from-standstill.ts";
import type { Preferences } from "#app/vocabulary/preferences.ts";
import { timeWords } from "#app/vocabulary/runs.ts";
import { readLength, readSpeed, type RunTexts } from "./form.ts";
import { formatNumber, formatQuantity } from "#app/vocabulary/numerals.ts";

/** A run as it came off the receiver, before it is saved. */
export interface Taken {
  /** as it is typed */
  readonly figure: string;
  readonly words: string;
  readonly errorShare: number;
  readonly rateHz: number;
  readonly simulated: boolean;
  /** what makes it no match for others */
  readonly doubts: readonly string[];
}

/** @returns fixes a second, over those that there are */
export function rateOf(fixes: readonly Fix[]): number {
  const [first, last] = [fixes[0], fixes.at(-1)];
  const seconds = first && last ? (last.atMs - first.atMs) / 1000 : 0;
  return seconds > 0 ? Math.min(50, Math.max(0.1, (fixes.length - 1) / seconds)) : 1;
}

/** @returns what is run to, or nothing until that is typed */
export function goalOf(what: RunTexts["what"], over: string, units: Preferences): Goal | undefined {
  if (what === "toSpeed") {
    const speedMs = readSpeed(over, units.speed);
    return speedMs === undefined ? undefined : { what, speedMs };
  }
  const lengthM = what === "distance" ? readLength(over, units) : undefined;
  return what === "distance" && lengthM !== undefined ? { what, lengthM } : undefined;
}

export function courseDoubts(fixes: readonly Fix[], { length }: Preferences): string[] {
  const { straight, besideM, level, climbM } = courseOf(fixes);
  return [
    ...(straight ? [] : [`Not straight: ${formatQuantity("length", besideM, length)} beside the line.`]),
    ...(level === false && climbM !== undefined
      ? [
          `Not level: ${formatQuantity("length", Math.abs(climbM), length)} ${climbM > 0 ? "up" : "down"}. Hold it only against runs the same way.`,
        ]
      : []),
    ...(level === undefined ? ["Whether it is level, these heights are too coarse to say."] : []),
  ];
}

/** Beyond this a run says nothing of jets. */
const MOST_ERROR = 0.5;

export function timeTaken(
  seconds: number,
  sdS: number,
  fixes: readonly Fix[],
  more: Pick<Taken, "simulated" | "doubts">,
): Taken {
  return {
    figure: seconds.toFixed(2),
    words: `${timeWords(seconds)} ± ${sdS.toFixed(2)}`,
    errorShare: Math.min(MOST_ERROR, sdS / seconds),
    rateHz: rateOf(fixes),
    ...more,
  };
}

export function speedTaken(
  speedMs: number,
  sdMs: number,
  fixes: readonly Fix[],
  units: Preferences,
  more: Pick<Taken, "simulated" | "doubts">,
): Taken {
  return {
    figure: formatNumber("speed", speedMs, units.speed),
    words: `${formatNumber("speed", speedMs, units.speed)} ± ${formatQuantity("speed", sdMs, units.speed)}`,
    errorShare: Math.min(MOST_ERROR, sdMs / speedMs),
    rateHz: rateOf(fixes),
    ...more,
  };
}
