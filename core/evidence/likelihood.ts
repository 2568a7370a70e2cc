/** What a reading says about one mixture error. */

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
