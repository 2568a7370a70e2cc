/** Spread of the vacuum gauges: largest less smallest reading. */
import { requireFinite, Refusal } from "../units/guard.ts";

/** What most manuals allow: 2 cmHg. */
export const USUAL_SPREAD_PA = 2700;

/** @returns the highest less the lowest; @throws {RangeError} for fewer than two, or one that is no number */
export function spread(values: readonly number[]): number {
  if (values.length < 2) throw new Refusal("gauges", "must be at least 2", values.length);
  for (const value of values) requireFinite("gauge", value);
  return Math.max(...values) - Math.min(...values);
}
