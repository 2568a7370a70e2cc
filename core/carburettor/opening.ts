/** Throttle opening as slide lift and as free area of the bore. */
import { requirePositive, requireRange } from "../units/guard.ts";

/**
 * Area below a flat slide lifted in a round bore: a circular segment.
 * @param liftM - 0..bore
 * @returns m²
 */
export function segmentArea(boreM: number, liftM: number): number {
  const r = requirePositive("bore", boreM) / 2;
  const z = requireRange("lift", liftM, 0, boreM, "m");
  return r * r * Math.acos((r - z) / r) - (r - z) * Math.sqrt(Math.max(0, 2 * r * z - z * z));
}

/** Angle at which the butterfly of a vacuum carburettor rests, rad. */
const BUTTERFLY_REST = 0.14;

/** @returns open area past a butterfly, m², for a throttle opening 0..1 */
export function butterflyArea(boreM: number, throttle: number): number {
  requireRange("throttle", throttle, 0, 1);
  const angle = BUTTERFLY_REST + throttle * (0.98 * (Math.PI / 2) - BUTTERFLY_REST);
  return (Math.PI / 4) * requirePositive("bore", boreM) ** 2 * (1 - Math.cos(angle));
}
