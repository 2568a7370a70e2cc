/** Power that an engine's mixture leaves it: flat near the best, falling faster on the lean side. */
import type { PerZone } from "../carburettor/zones.ts";
import { requireFinite } from "../units/guard.ts";

/** Share lost for a squared unit of log mixture at full throttle, and in the middle where a sprint spends less. */
const LOST = { lean: 9, rich: 5, middle: 1.5 } as const;
const LEAST = 0.5;

/**
 * @param errors - mixture error by zone, log, + lean
 * @returns share of full power, 0.5 to 1
 */
export function powerShare({ top, mid }: Pick<PerZone<number>, "top" | "mid">): number {
  requireFinite("mixture error", top + mid);
  const atTop = (top > 0 ? LOST.lean : LOST.rich) * top * top;
  return Math.max(LEAST, 1 - atTop - LOST.middle * mid * mid);
}
