/** Type of a likelihood: log density of a reading given the mixture error of its zone. */
import { normalBetween, normalCdf, normalDensity } from "../numbers/normal.ts";
import type { Moments, TiltedMoments } from "../numbers/quadrature.ts";
import { requireFinite, requirePositive } from "../units/guard.ts";

export interface Likelihood {
  /** ln chance of this reading if the error were `e`; constants may be left out */
  readonly log: (e: number) => number;
  /** sd of its own error: nothing in it is narrower */
  readonly sd: number;
  /** set when the likelihood is itself normal in `e`: it is then used exactly */
  readonly normal?: Moments;
  /** its moments under a normal weight, where they have a closed form */
  readonly under?: (weight: Moments) => TiltedMoments;
  /**
   * How surprising: two-sided chance of a reading at least this far out, if the error were believed
   * normal with this mean and variance. Small means "does not fit".
   */
  readonly tail: (mean: number, variance: number) => number;
  /** the error this reading points at, for the mark on the strip */
  readonly reads: number;
  /** ln of its height where that changes with its own error: what tells a wide error from a narrow one */
  readonly lnHeight?: number;
  /** the same reading by an instrument whose readings scatter so many times as much */
  readonly wider?: (factor: number) => Likelihood;
}

/** So many readings have another cause than the mixture: a plug mixed up, a sensor still cold, a slip of the hand. */
export const OTHER_CAUSE = 0.03;
/** A figure with another cause is off by so many times its usual error. */
const OTHER_CAUSE_WIDER = 5;

/**
 * A reading that points at an error with a normal doubt.
 * @throws {RangeError} unless the mean is a number and the variance above 0
 */
export function normalLikelihood(mean: number, variance: number, lnHeight = 0): Likelihood {
  requireFinite("what is read", mean);
  requirePositive("its variance", variance);
  return {
    lnHeight,
    wider: (factor) => normalLikelihood(mean, variance * factor ** 2, lnHeight - Math.log(factor)),
    log: (e) => lnHeight - (0.5 * (e - mean) ** 2) / variance,
    sd: Math.sqrt(variance),
    normal: { mean, variance },
    tail: (believedMean, believed) =>
      2 * normalCdf(-Math.abs(mean - believedMean) / Math.sqrt(believed + variance)),
    reads: mean,
  };
}

/** @returns the moments of a mixture, of which each part has a mass (ln) and moments of its own */
function mixed(parts: readonly TiltedMoments[]): TiltedMoments {
  const top = Math.max(...parts.map(({ lnMass }) => lnMass));
  const masses = parts.map(({ lnMass }) => Math.exp(lnMass - top));
  const mass = masses.reduce((a, b) => a + b);
  const mean = parts.reduce((sum, part, i) => sum + (masses[i] ?? 0) * part.mean, 0) / mass;
  const variance =
    parts.reduce((sum, part, i) => sum + (masses[i] ?? 0) * (part.variance + (part.mean - mean) ** 2), 0) /
    mass;
  return { mean, variance, lnMass: top + Math.log(mass) };
}

/**
 * A figure: normal about its error, but for the share of figures that have another cause.
 * @throws {RangeError} unless the mean is a number and the variance above 0
 */
export function figureLikelihood(mean: number, variance: number, lnHeight = 0): Likelihood {
  const usual = normalLikelihood(mean, variance);
  const parts = [
    { share: 1 - OTHER_CAUSE, variance },
    // Wider and as much lower: both are densities of the figure.
    { share: OTHER_CAUSE / OTHER_CAUSE_WIDER, variance: variance * OTHER_CAUSE_WIDER ** 2 },
  ];
  const { tail, reads, sd } = usual;
  return {
    lnHeight,
    wider: (factor) => figureLikelihood(mean, variance * factor ** 2, lnHeight - Math.log(factor)),
    log: (e) =>
      lnHeight +
      Math.log(
        parts.reduce(
          (sum, part) => sum + part.share * Math.exp((-0.5 * (e - mean) ** 2) / part.variance),
          1e-300,
        ),
      ),
    sd,
    under: (weight) =>
      mixed(
        parts.map((part) => {
          const spread = part.variance + weight.variance;
          return {
            mean: (weight.mean * part.variance + mean * weight.variance) / spread,
            variance: (part.variance * weight.variance) / spread,
            lnMass:
              lnHeight +
              Math.log(part.share) +
              0.5 * (Math.log(part.variance / spread) - (weight.mean - mean) ** 2 / spread),
          };
        }),
      ),
    tail,
    reads,
  };
}

/** One step of an ordered scale: the true error, blurred by a normal one, falls between two edges. */
export interface Band {
  readonly low: number;
  readonly high: number;
  /** of whoever reads */
  readonly sd: number;
  /** how many steps the scale has: what has another cause falls on any of them */
  readonly steps: number;
  readonly reads: number;
}

/**
 * An ordinal probit. Moments under a normal: Rasmussen & Williams, "Gaussian Processes for Machine Learning" (2006),
 * section 3.9, for both edges, and with the share of other causes as a constant beside it.
 * @throws {RangeError} if the reader's error is not above 0
 */
export function bandLikelihood(band: Band): Likelihood {
  const { low, high, steps, reads } = band;
  const sd = requirePositive("reader's error", band.sd);
  const [usual, other] = [1 - OTHER_CAUSE, OTHER_CAUSE / steps];
  const timesDensity = (x: number) => (Number.isFinite(x) ? x * normalDensity(x) : 0);
  return {
    wider: (factor) => bandLikelihood({ ...band, sd: sd * factor }),
    log: (e) => Math.log(other + usual * normalBetween((low - e) / sd, (high - e) / sd)),
    sd,
    under: ({ mean, variance }) => {
      const spread = Math.sqrt(sd * sd + variance);
      const [a, b] = [(low - mean) / spread, (high - mean) / spread];
      const mass = other + usual * normalBetween(a, b);
      const slope = (usual * (normalDensity(a) - normalDensity(b))) / (spread * mass);
      const bend = (usual * (timesDensity(a) - timesDensity(b))) / (spread * spread * mass);
      return {
        mean: mean + variance * slope,
        variance: variance + variance * variance * (bend - slope * slope),
        lnMass: Math.log(mass),
      };
    },
    tail: (mean, variance) => {
      const spread = Math.sqrt(variance + sd * sd);
      const leaner = normalCdf((mean - low) / spread);
      const richer = normalCdf((high - mean) / spread);
      return Math.min(1, 2 * Math.min(leaner, richer));
    },
    reads,
  };
}
