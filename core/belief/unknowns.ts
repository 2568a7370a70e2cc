/**
 * What the sieve does not know about an engine: eight numbers, each a departure from the model.
 * Trims are log fuel of a path, + = leaner than the model says. Residuals are what the model's shape gets
 * wrong in a zone. The air sensitivity is how far this engine departs from the orifice law.
 */
import { ZONES, type Zone } from "../carburettor/zones.ts";
import type { Authority } from "../carburettor/model.ts";
import { diagonal } from "../numbers/linear.ts";

export const UNKNOWNS = ["pilot", "needle", "main", "idle", "low", "mid", "top", "airSensitivity"] as const;
export type Unknown = (typeof UNKNOWNS)[number];

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
};

/** What is believed: a Gaussian over the unknowns, in the order of {@link UNKNOWNS}. */
export interface Belief {
  readonly mean: readonly number[];
  readonly covariance: readonly (readonly number[])[];
}

export const PRIOR: Belief = {
  mean: UNKNOWNS.map(() => 0),
  covariance: diagonal(UNKNOWNS.map((name) => PRIOR_SD[name] ** 2)),
};

/** How much of each zone's residual counts at an opening; the shares add to 1. */
export type ZoneShares = Readonly<Partial<Record<Zone, number>>>;

/** @returns the row whose product with the unknowns is their part of the mixture error */
export function unknownsRow(authority: Authority, shares: ZoneShares, lnDryDensityRatio: number): number[] {
  return [
    authority.pilot,
    authority.needle,
    authority.main,
    ...ZONES.map((zone) => shares[zone] ?? 0),
    lnDryDensityRatio,
  ];
}
