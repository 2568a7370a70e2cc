/**
 * The unknowns of an engine: eleven numbers for each cylinder, each a departure from the model, and the offset of every
 * instrument that its looks were taken with.
 *
 * Trims are log fuel of a path, + = leaner than the model says. Residuals are what the model's shape gets wrong in
 * a zone. The air sensitivity is how far this engine departs from the orifice law. What a step is worth is a factor
 * on the model's shift of that part alone: 0 as computed, 0.25 a quarter more.
 */
import type { Zone } from "../carburettor/zones.ts";
import type { Authority } from "../carburettor/model.ts";

export const UNKNOWNS = [
  "pilot",
  "needle",
  "main",
  "idle",
  "low",
  "mid",
  "top",
  "airSensitivity",
  "screwWorth",
  "clipWorth",
  "mainWorth",
] as const;
export type Unknown = (typeof UNKNOWNS)[number];
export const UNKNOWNS_EACH = UNKNOWNS.length;

/** Standard deviations before anything was seen. */
export const PRIOR_SD: Readonly<Record<Unknown, number>> = {
  pilot: 0.1,
  needle: 0.08,
  main: 0.08,
  idle: 0.02,
  low: 0.04,
  mid: 0.02,
  top: 0.02,
  airSensitivity: 0.15,
  screwWorth: 0.25,
  clipWorth: 0.25,
  mainWorth: 0.1,
};

/** What is believed: a Gaussian. The covariance is flat, row by row. */
export interface Belief {
  readonly mean: Float64Array;
  readonly covariance: Float64Array;
}

/** How much of each zone's residual counts at an opening; the shares add to 1. */
export type ZoneShares = Readonly<Partial<Record<Zone, number>>>;

/** The model's own shift of one part alone, against where that part stood at the reference. */
export interface StepShifts {
  readonly screw: number;
  readonly clip: number;
  readonly main: number;
}

/** @returns the row whose product with the unknowns of a cylinder is their part of the mixture error */
export function unknownsRow(
  authority: Authority,
  shares: ZoneShares,
  lnDryDensityRatio: number,
  steps: StepShifts,
): Float64Array {
  // Spelt out: the card asks this some thousand times a keystroke.
  const row = new Float64Array(UNKNOWNS_EACH);
  row[0] = authority.pilot;
  row[1] = authority.needle;
  row[2] = authority.main;
  row[3] = shares.idle ?? 0;
  row[4] = shares.low ?? 0;
  row[5] = shares.mid ?? 0;
  row[6] = shares.top ?? 0;
  row[7] = lnDryDensityRatio;
  row[8] = steps.screw;
  row[9] = steps.clip;
  row[10] = steps.main;
  return row;
}
