/** The sieve in words: a hole, a look, what a look has closed. */
import type { Sieve } from "#core/advice/card/sieve.ts";
import { PARTS, type Part } from "#core/log/parts.ts";
import type { LookEntry, Setting } from "#core/log/schema.ts";
import { readingResult, readingWords } from "#app/vocabulary/readings.ts";
import { PART_NAMES, partInSentence, partValue, percentWords } from "#app/vocabulary/parts.ts";
import type { Preferences } from "#app/vocabulary/preferences.ts";

export interface Axes {
  readonly across: Part;
  readonly down: Part;
}

/** Pairs that are sieved most often, each across and down. */
export const PAIRS = [
  { across: "main", down: "clip" },
  { across: "screwTurns", down: "pilot" },
  { across: "main", down: "pilot" },
  { across: "main", down: "shimMm" },
] as const satisfies readonly Axes[];

export const axesKey = ({ across, down }: Axes): string => `${across} ${down}`;

export const axesWords = ({ across, down }: Axes): string =>
  `${PART_NAMES[across]} × ${PART_NAMES[down].toLowerCase()}`;

/** @returns the axes with one of them another part; where it is the other one's they change places */
export function withAxis(axes: Axes, which: keyof Axes, part: Part): Axes {
  const other = which === "across" ? "down" : "across";
  const next = { ...axes, [which]: part };
  return part === axes[other] ? { ...next, [other]: axes[which] } : next;
}

/** `main jet 155, clip 2nd` and what stands otherwise in its rest. */
export const changesWords = (from: Setting, to: Setting): string =>
  PARTS.filter((part) => from[part] !== to[part])
    .map((part) => `${partInSentence(part)} ${partValue(part, from[part])} → ${partValue(part, to[part])}`)
    .join(", ");

/** For who does not see the hole. */
export function holeWords({ axes, holes, best, open, fitted }: Sieve, i: number): string {
  const hole = holes[i];
  if (!hole) return "";
  const where = [axes.across, axes.down].map(
    (part) => `${partInSentence(part)} ${partValue(part, hole[part])}`,
  );
  const isFitted = hole[axes.across] === fitted[axes.across] && hole[axes.down] === fitted[axes.down];
  const state = open[i] === true ? `best of all ${percentWords(best[i] ?? 0)}` : "closed";
  return `${where.join(", ")}: ${state}${isFitted ? ", fitted" : ""}`;
}

export function lookWords(
  { reading, cylinder, at }: LookEntry,
  units: Preferences,
  stoichiometric: number,
): string {
  const result = readingResult(reading, units, stoichiometric);
  return `${at.slice(0, 10)} ${at.slice(11, 16)} · ${readingWords(reading, cylinder)}${result === "" ? "" : `: ${result}`}`;
}

/** @returns the holes that were open before and are not now, and those that the look has opened again */
export function changedHoles(before: Sieve, now: Sieve): { closed: number[]; opened: number[] } {
  const all = now.holes.map((_, i) => i);
  return {
    closed: all.filter((i) => before.open[i] === true && now.open[i] !== true),
    opened: all.filter((i) => before.open[i] !== true && now.open[i] === true),
  };
}
