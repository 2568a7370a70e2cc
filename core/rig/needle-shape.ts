/** Variants of a needle profile: thicker straight part, later taper. */
import { Refusal } from "../units/guard.ts";
import type { LoggedNeedle } from "../log/part-schema.ts";

/** Two readings of a straight with a micrometer differ by less. */
const STRAIGHT_WITHIN_MM = 0.015;

const rounded = (mm: number): number => Number(mm.toFixed(4));

/** @returns how many of the first points are its straight: at least one */
function straightPoints({ profile }: LoggedNeedle): number {
  const first = profile[0]?.diameterMm ?? 0;
  const end = profile.findIndex(({ diameterMm }) => Math.abs(diameterMm - first) > STRAIGHT_WITHIN_MM);
  return end === -1 ? profile.length : end;
}

/** @returns diameter of the straight and where its taper begins, mm */
export function straightOf(needle: LoggedNeedle): { readonly diameterMm: number; readonly endMm: number } {
  const { profile } = needle;
  const last = profile[straightPoints(needle) - 1];
  return { diameterMm: profile[0]?.diameterMm ?? 0, endMm: last?.alongMm ?? 0 };
}

/** @returns the same needle with a straight that is thicker (+) or thinner; its taper is as it was */
export function withStraight(needle: LoggedNeedle, thickerMm: number): LoggedNeedle {
  const straight = straightPoints(needle);
  return {
    ...needle,
    profile: needle.profile.map(({ alongMm, diameterMm }, i) => ({
      alongMm,
      diameterMm: i < straight ? rounded(diameterMm + thickerMm) : diameterMm,
    })),
  };
}

/**
 * @returns the same needle with a taper that begins later (+) or earlier
 * @throws {RangeError} if it would begin before the needle does
 */
export function withTaperMoved(needle: LoggedNeedle, laterMm: number): LoggedNeedle {
  const straight = straightPoints(needle);
  const before = needle.profile[straight - 2]?.alongMm ?? -Infinity;
  const profile = needle.profile.map(({ alongMm, diameterMm }, i) => ({
    alongMm: i < straight - 1 ? alongMm : rounded(alongMm + laterMm),
    diameterMm,
  }));
  const begins = profile[straight - 1]?.alongMm ?? 0;
  if (!(begins > before))
    throw new Refusal("a taper", `must begin after ${before} mm along the needle`, begins);
  return { ...needle, profile };
}
