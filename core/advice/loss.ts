/**
 * What a mixture error costs, and what it may cost under doubt. Lean costs three times what rich does, at
 * the top half as much again, and steeply more beyond the lean limit: so doubt at the top by itself keeps a
 * jet richer. Unit: the loss of being 4 % rich in a zone used all the time is 1.
 */
import { LEAN_LIMIT, ZONES, type PerZone, type Zone } from "../carburettor/zones.ts";
import { normalCdf, normalDensity } from "../numbers/normal.ts";

/** The error that costs 1 on the rich side. */
export const LOSS_SCALE = 0.04;
const LEAN_FACTOR = 3;
const TOP_FACTOR = 1.5;
const PAST_LIMIT_FACTOR = 60;

export interface Spread {
  readonly mean: number;
  readonly sd: number;
}

const leanFactor = (zone: Zone): number => LEAN_FACTOR * (zone === "top" ? TOP_FACTOR : 1);

/** Loss of a known error. */
export function loss(zone: Zone, error: number): number {
  const side = error < 0 ? 1 : leanFactor(zone);
  const beyond = Math.max(0, error - LEAN_LIMIT[zone]);
  return (side * error * error + PAST_LIMIT_FACTOR * beyond * beyond) / LOSS_SCALE ** 2;
}

/** E[(X - edge)²; X > edge] for a normal X, in closed form. */
function squareAbove(edge: number, { mean, sd }: Spread): number {
  const d = (mean - edge) / sd;
  return sd * sd * ((1 + d * d) * normalCdf(d) + d * normalDensity(d));
}

/** @returns expected loss of a normal belief about the error; @throws {RangeError} if its sd is not above 0 */
export function expectedLoss(zone: Zone, spread: Spread): number {
  if (!(spread.sd > 0)) throw new RangeError(`sd must be above 0, got ${spread.sd}`);
  const lean = squareAbove(0, spread);
  const rich = spread.sd ** 2 + spread.mean ** 2 - lean;
  const beyond = squareAbove(LEAN_LIMIT[zone], spread);
  return (Math.max(0, rich) + leanFactor(zone) * lean + PAST_LIMIT_FACTOR * beyond) / LOSS_SCALE ** 2;
}

/** @returns chance that the error lies above an edge */
export function chanceAbove(edge: number, { mean, sd }: Spread): number {
  return normalCdf((mean - edge) / sd);
}

/** @returns shares that add to 1; @throws {RangeError} if no zone is used at all */
export function usageShares(usage: PerZone<number>): PerZone<number> {
  const total = ZONES.reduce((sum, zone) => sum + usage[zone], 0);
  if (!(total > 0)) throw new RangeError(`usage must give at least one zone a share above 0, got ${total}`);
  return { idle: usage.idle / total, low: usage.low / total, mid: usage.mid / total, top: usage.top / total };
}
