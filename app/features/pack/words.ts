/** The pack list in a tuner's words. */
import type { PackAsked } from "#core/pack/asked.ts";
import type { PackList, Wanted } from "#core/pack/pack-list.ts";
import { lossAsError } from "#app/vocabulary/changes.ts";
import { MONTH_NAMES } from "#app/vocabulary/days.ts";
import { partInSentence, percentWords } from "#app/vocabulary/parts.ts";
import type { Preferences } from "#app/vocabulary/preferences.ts";
import { formatQuantity } from "#app/vocabulary/numerals.ts";

/** @returns what the list was made for, for its head on paper */
export function packedFor(asked: PackAsked, { length, temperature }: Preferences): string {
  const height = (metres: number) => formatQuantity("length", metres, length);
  const warmth = (kelvin: number) => formatQuantity("temperature", kelvin, temperature);
  switch (asked.kind) {
    case "event":
      return `${asked.fromAt.slice(0, 10)} to ${asked.toAt.slice(0, 10)}, ${height(asked.elevationM)}`;
    case "month":
      return `${MONTH_NAMES[asked.month - 1] ?? ""} at ${asked.place}, ${height(asked.elevationM)}`;
    case "range":
      return `${warmth(asked.lowK)} to ${warmth(asked.highK)}, ${height(asked.lowM)} to ${height(asked.highM)}`;
  }
}

/** So likely is a size to be among those that are taken. */
const TAKEN = 0.98;
/** Of so little chance nothing is taken. */
const LEAST = 0.02;

/** @returns those that together are enough, the likeliest first: one that is rarely wanted stays at home */
export function taken(list: readonly Wanted[]): ReadonlySet<number> {
  const found = new Set<number>();
  let sum = 0;
  for (const { value, chance } of [...list].sort((a, b) => b.chance - a.chance)) {
    if (sum >= TAKEN || (chance < LEAST && found.size > 0)) break;
    found.add(value);
    sum += chance;
  }
  return found;
}

/** @returns one line a jet that is worth buying */
export const buyWords = ({ part, number, gain }: PackList["buy"][number]): string =>
  `${partInSentence(part)} ${number}: saves what an error of ${lossAsError(gain)} costs`;

/** Less of a chance is not worth a word. */
const NEEDLE_WORTH_SAYING = 0.02;

/** @returns that no groove will do, and which way a needle should differ */
export function needleWords({ otherNeedle: { leaner, richer } }: PackList): string | undefined {
  const parts = [
    ...(leaner >= NEEDLE_WORTH_SAYING ? [`leaner (${percentWords(leaner)})`] : []),
    ...(richer >= NEEDLE_WORTH_SAYING ? [`richer (${percentWords(richer)})`] : []),
  ];
  return parts.length === 0
    ? undefined
    : `Maybe no groove of this needle gets the middle right; then you need another, ${parts.join(", or ")}.`;
}
