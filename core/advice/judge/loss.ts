/**
 * What a mixture error costs, and what it may cost under doubt. Lean costs more than rich where it hurts: a little
 * in the middle, two and a half times at the top, and steeply more past the lean limit of either. Unit: the loss of
 * being 4 % rich in a zone that is all that counts is 1.
 */
import { LEAN_LIMIT, perZone, ZONES, type PerZone, type Zone } from "../../carburettor/zones.ts";
import { normalCdf, normalDensity } from "../../numbers/normal.ts";

/** The error that costs 1 on the rich side. */
export const LOSS_SCALE = 0.04;
const LEAN_FACTOR: PerZone<number> = { idle: 1, low: 1, mid: 1.2, top: 2.5 };
/** Past its lean limit only a zone under load is in danger. */
const PAST_LIMIT_FACTOR: PerZone<number> = { idle: 0, low: 0, mid: 30, top: 30 };
/** An idle that nobody rides in still has to start and to hold: half of a zone's weight is its own. */
const OWN_WEIGHT: PerZone<number> = { idle: 0.22, low: 0.1, mid: 0.34, top: 0.34 };
const USAGE_SHARE = 0.5;

export interface Spread {
  readonly mean: number;
  readonly sd: number;
}

/** The loss of a known error in one zone. */
function lossIn(zone: Zone): (error: number) => number {
  const leanSide = LEAN_FACTOR[zone] / LOSS_SCALE ** 2;
  const richSide = 1 / LOSS_SCALE ** 2;
  const past = PAST_LIMIT_FACTOR[zone] / LOSS_SCALE ** 2;
  const limit = LEAN_LIMIT[zone];
  return (error) => {
    const beyond = error > limit ? error - limit : 0;
    return (error < 0 ? richSide : leanSide) * error * error + past * beyond * beyond;
  };
}

/** Of each zone: the loss of a known error, for who asks it of many. */
export const LOSS: PerZone<(error: number) => number> = perZone(lossIn);

/** Loss of a known error. */
export const loss = (zone: Zone, error: number): number => LOSS[zone](error);

/** E[(X - edge)²; X > edge] for a normal X, in closed form. */
function squareAbove(edge: number, { mean, sd }: Spread): number {
  const d = (mean - edge) / sd;
  return sd * sd * ((1 + d * d) * normalCdf(d) + d * normalDensity(d));
}

/** @returns expected loss of a normal belief about the error; @throws {RangeError} if its sd is not above 0 */
export function expectedLoss(zone: Zone, spread: Spread): number {
  if (!(spread.sd > 0)) throw new RangeError(`sd must be above 0, got ${spread.sd}`);
  const all = spread.sd ** 2 + spread.mean ** 2;
  const lean = LEAN_FACTOR[zone] === 1 ? 0 : squareAbove(0, spread);
  const beyond = PAST_LIMIT_FACTOR[zone] === 0 ? 0 : squareAbove(LEAN_LIMIT[zone], spread);
  return (all + (LEAN_FACTOR[zone] - 1) * lean + PAST_LIMIT_FACTOR[zone] * beyond) / LOSS_SCALE ** 2;
}

/** @returns chance that the error lies above an edge */
export function chanceAbove(edge: number, { mean, sd }: Spread): number {
  return normalCdf((mean - edge) / sd);
}

/**
 * @param usage - share of riding time in each zone, on any scale
 * @returns weights that add to 1, half by usage and half each zone's own
 * @throws {RangeError} if no zone is used at all
 */
export function zoneWeights(usage: PerZone<number>): PerZone<number> {
  const total = ZONES.reduce((sum, zone) => sum + usage[zone], 0);
  if (!(total > 0)) throw new RangeError(`usage must give at least one zone a share above 0, got ${total}`);
  const weight = (zone: Zone) => (USAGE_SHARE * usage[zone]) / total + (1 - USAGE_SHARE) * OWN_WEIGHT[zone];
  return { idle: weight("idle"), low: weight("low"), mid: weight("mid"), top: weight("top") };
}
