/**
 * The site of an EP factor: a normal likelihood along its linear form in natural parameters, matched in mean and
 * variance to the factor under its cavity (all other sites and the prior).
 */
import type { Moments } from "../numbers/quadrature.ts";

export interface Site {
  readonly precision: number;
  /** precision times mean */
  readonly pull: number;
}

export const NO_SITE: Site = { precision: 0, pull: 0 };

/** @returns the site of that precision under which the mean lies where it was matched */
export function siteWith(precision: number, mean: number, cavity: Moments): Site {
  return {
    precision,
    pull: mean * (precision + 1 / cavity.variance) - cavity.mean / cavity.variance,
  };
}

/** @returns ln of the mean of a site, exp(pull u - precision u² / 2), under a normal weight */
export function lnSiteMass({ precision, pull }: Site, { mean, variance }: Moments): number {
  const spread = 1 + precision * variance;
  const square = pull * pull * variance + 2 * pull * mean - precision * mean * mean;
  return square / (2 * spread) - 0.5 * Math.log(spread);
}

/** @returns the same site, and ln of what is left of it, once its line has a further error of that variance */
export function convolvedSite({ precision, pull }: Site, variance: number): { site: Site; lnMass: number } {
  const spread = 1 + precision * variance;
  return {
    site: { precision: precision / spread, pull: pull / spread },
    lnMass: (pull * pull * variance) / (2 * spread) - 0.5 * Math.log(spread),
  };
}
