/** Jet needle: measured diameter profile and clip groove give the free annulus at each slide lift. */
import { requireFinite, requirePositive, requireWhole, Refusal } from "../units/guard.ts";

export interface NeedlePoint {
  /** distance from the start of the profile towards the tip */
  readonly alongM: number;
  readonly diameterM: number;
}

export interface Needle {
  /** at least two points, ordered along the needle */
  readonly profile: readonly NeedlePoint[];
  readonly grooves: number;
  readonly groovePitchM: number;
  /** the groove at which the profile's zero stands level with the needle jet, slide shut */
  readonly referenceClip: number;
}

/** @throws {RangeError} if the profile has fewer than two points, is out of order or has no thickness */
export function checkNeedle(needle: Needle): Needle {
  if (needle.profile.length < 2)
    throw new Refusal("needle profile", "must have at least 2 points", needle.profile.length);
  needle.profile.forEach((point, i) => {
    requireFinite("needle profile position", point.alongM);
    requirePositive("needle diameter", point.diameterM);
    const before = needle.profile[i - 1];
    if (before && !(point.alongM > before.alongM))
      throw new Refusal(
        "needle profile",
        "must run towards the tip",
        `${point.alongM} after ${before.alongM}`,
      );
  });
  requirePositive("groove pitch", needle.groovePitchM);
  requireWhole("grooves", needle.grooves, 1, 20);
  requireWhole("reference clip", needle.referenceClip, 1, needle.grooves);
  return needle;
}

/**
 * How far along its profile the needle stands in the jet: grooves are counted from the blunt end, so a
 * higher number hangs the needle higher and lets more fuel by.
 */
export function needlePosition(needle: Needle, liftM: number, clip: number, shimM: number): number {
  requireWhole("clip", clip, 1, needle.grooves);
  return liftM + (clip - needle.referenceClip) * needle.groovePitchM + requireFinite("shim", shimM);
}

/** @returns needle diameter at a place along the profile; beyond its ends the last diameter holds */
export function needleDiameter(needle: Needle, alongM: number): number {
  const { profile } = needle;
  let before = profile[0];
  if (!before) throw new Refusal("needle profile", "must have at least 2 points", 0);
  if (alongM <= before.alongM) return before.diameterM;
  for (const point of profile) {
    if (alongM <= point.alongM) {
      const share = (alongM - before.alongM) / (point.alongM - before.alongM);
      return before.diameterM + share * (point.diameterM - before.diameterM);
    }
    before = point;
  }
  return before.diameterM;
}
