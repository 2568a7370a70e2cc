/**
 * Looks on a day without an air reading share one error, the unknown air of that day. It is one extra unknown while that
 * day is computed, and is marginalised out afterwards.
 */
import type { Evidence } from "./evidence.ts";
import type { Look } from "./look-evidence.ts";
import type { Belief } from "./unknowns.ts";

/** How far the mixture moves from one day's air to the next's, and to that of a month later. */
const NEXT_DAY_SD = 0.015;
const MOST_SD = 0.04;

/** @param days - to the air that was read, at least 1 */
export const staleAirSd = (days: number): number => Math.min(MOST_SD, NEXT_DAY_SD * Math.sqrt(1 + days / 7));

/** @returns the belief with one more unknown, about which nothing is known but its sd */
export function withUnknown({ mean, covariance }: Belief, sd: number): Belief {
  const size = mean.length;
  const wide = new Float64Array((size + 1) ** 2);
  for (let i = 0; i < size; i += 1) wide.set(covariance.subarray(i * size, (i + 1) * size), i * (size + 1));
  wide[wide.length - 1] = sd * sd;
  const longer = new Float64Array(size + 1);
  longer.set(mean);
  return { mean: longer, covariance: wide };
}

/** @returns what is believed of the first so many unknowns, whatever the others are */
export function firstUnknowns({ mean, covariance }: Belief, size: number): Belief {
  const wide = mean.length;
  if (wide === size) return { mean, covariance };
  const narrow = new Float64Array(size * size);
  for (let i = 0; i < size; i += 1) narrow.set(covariance.subarray(i * wide, i * wide + size), i * size);
  return { mean: mean.slice(0, size), covariance: narrow };
}

/** @returns the look along a belief that is longer by one, moved by that one or not */
export function paddedEvidence(item: Evidence, moved: boolean): Evidence {
  const row = new Float64Array(item.line.row.length + 1);
  row.set(item.line.row);
  row[row.length - 1] = moved ? 1 : 0;
  return { ...item, line: { ...item.line, row } };
}

/** @returns the most days to the air of any of these looks; nothing where each had one of its own day */
export function daysToAir(looks: readonly Look[]): number | undefined {
  const days = looks.flatMap(({ airDaysOff }) => (airDaysOff === undefined ? [] : [airDaysOff]));
  return days.length === 0 ? undefined : Math.max(...days);
}
