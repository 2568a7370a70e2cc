/** What a reading says about one mixture error. */
import { normalCdf } from "../numbers/normal.ts";
import { requireFinite, requirePositive } from "../units/guard.ts";

export interface Likelihood {
  /** ln chance of this reading if the error were `e`; constants may be left out */
  readonly log: (e: number) => number;
  /** set when the likelihood is itself normal in `e`: it is then used exactly */
  readonly normal?: { readonly mean: number; readonly variance: number };
  /**
   * How surprising: two-sided chance of a reading at least this far out, if the error were believed
   * normal with this mean and variance. Small means "does not fit".
   */
  readonly tail: (mean: number, variance: number) => number;
  /** the error this reading points at, for the mark on the strip */
  readonly reads: number;
}

/**
 * A reading that points at an error with a normal doubt.
 * @throws {RangeError} unless the mean is a number and the variance above 0
 */
export function normalLikelihood(mean: number, variance: number): Likelihood {
  requireFinite("what is read", mean);
  requirePositive("its variance", variance);
  return {
    log: (e) => (-0.5 * (e - mean) ** 2) / variance,
    normal: { mean, variance },
    tail: (believedMean, believed) =>
      2 * normalCdf(-Math.abs(mean - believedMean) / Math.sqrt(believed + variance)),
    reads: mean,
  };
}
