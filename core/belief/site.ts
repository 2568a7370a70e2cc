/**
 * A look's stand-in in expectation propagation: a normal likelihood along the look's line, in natural parameters,
 * matched in mean and variance to the look under all that the others say (its cavity).
 */
import { tiltedMoments, type Moments } from "../numbers/quadrature.ts";
import type { Likelihood } from "../looks/likelihood.ts";

export interface Site {
  readonly precision: number;
  /** precision times mean */
  readonly pull: number;
}

export const NO_SITE: Site = { precision: 0, pull: 0 };

/** No single look takes more of the doubt than all but this. */
const LEAST_SHARE = 1e-3;
/** So much of what all others say may a look that contradicts them take back: the rest stays certain. */
const MOST_TAKEN_BACK = 0.5;

/** What a likelihood wants its site to be, given what all others say of the line. */
export interface Match {
  readonly precision: number;
  /** where the mean comes to lie */
  readonly mean: number;
  readonly lnMass: number;
}

/** @param shift - of the line: the likelihood is about `shift + u` */
export function matchOf(likelihood: Likelihood, shift: number, cavity: Moments): Match {
  const tilted = tiltedMoments((u) => likelihood.log(shift + u), cavity.mean, cavity.variance);
  // Below 0 where a look that could have another cause contradicts all else: it then adds to the doubt.
  // A likelihood far outside all belief may fall between two points of the quadrature.
  const variance = Math.max(tilted.variance, LEAST_SHARE * cavity.variance);
  const precision = Math.max(1 / variance - 1 / cavity.variance, -MOST_TAKEN_BACK / cavity.variance);
  return { precision, mean: tilted.mean, lnMass: tilted.lnMass };
}

/** @returns the site of that precision under which the mean lies where it was matched */
export function siteWith(precision: number, mean: number, cavity: Moments): Site {
  return {
    precision,
    pull: mean * (precision + 1 / cavity.variance) - cavity.mean / cavity.variance,
  };
}

/** @returns the site of a likelihood that is itself normal: it needs no matching */
export function exactSite(normal: Moments, shift: number): Site {
  return { precision: 1 / normal.variance, pull: (normal.mean - shift) / normal.variance };
}

/** @returns ln of the mean of a site, exp(pull u - precision u² / 2), under a normal weight */
export function lnSiteMass({ precision, pull }: Site, { mean, variance }: Moments): number {
  const spread = 1 + precision * variance;
  const square = pull * pull * variance + 2 * pull * mean - precision * mean * mean;
  return square / (2 * spread) - 0.5 * Math.log(spread);
}
