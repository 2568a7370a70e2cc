/** A year's air in a tuner's words. */
import type { SeasonMonth } from "#core/pack/pack-answer.ts";
import type { Wanted } from "#core/pack/pack-list.ts";
import type { Part } from "#core/log/parts.ts";
import { partValue } from "#app/vocabulary/parts.ts";

/** Of a hundred days so many are covered. */
const COVERED = 0.8;

/** @returns `152 to 158`, or one value: the shortest stretch that covers four days in five */
export function rangeWords(part: Part, list: readonly Wanted[]): string {
  let best: { from: number; to: number; width: number } | undefined;
  for (let i = 0; i < list.length; i += 1) {
    let sum = 0;
    for (let j = i; j < list.length; j += 1) {
      sum += list[j]?.chance ?? 0;
      if (sum < COVERED) continue;
      if (!best || j - i < best.width)
        best = { from: list[i]?.value ?? 0, to: list[j]?.value ?? 0, width: j - i };
      break;
    }
  }
  if (!best) return "wide open";
  return best.width === 0
    ? partValue(part, best.from)
    : `${partValue(part, best.from)} to ${partValue(part, best.to)}`;
}

const SOURCE_WORDS = {
  readings: "read there",
  climate: "by the table",
  standard: "standard air",
} as const;

/** @returns where a month's air is known from */
export const sourceWords = ({ source, readings }: Pick<SeasonMonth, "source" | "readings">): string =>
  source === "readings" ? `${SOURCE_WORDS.readings}, ${readings} times` : SOURCE_WORDS[source];
