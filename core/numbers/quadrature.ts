/** Moments of a likelihood under a normal weight, by quadrature along one line. */

export interface Moments {
  readonly mean: number;
  readonly variance: number;
}

export interface TiltedMoments extends Moments {
  /** ln of the likelihood's mean under the weight */
  readonly lnMass: number;
}

// The trapezoid rule on a smooth integrand that dies away at both ends converges faster than any power of
// its step; a quarter of a standard deviation is exact to about 1e-7 for likelihoods no narrower than it.
const STEP = 0.25;
const REACH = 8;
const NODES = Array.from({ length: (2 * REACH) / STEP + 1 }, (_, i) => -REACH + STEP * i);
const LOG_WEIGHTS = NODES.map((z) => -0.5 * z * z);
const LN_NODE_MASS = Math.log(STEP / Math.sqrt(2 * Math.PI));

/**
 * @param logLikelihood - of a value on the line; any constant may be left out
 * @param mean - of the normal weight
 * @param variance - of the normal weight, above 0
 * @returns mean and variance of the weighted likelihood
 * @throws {RangeError} if the likelihood is nought (or no number) wherever the weight is not
 */
export function tiltedMoments(
  logLikelihood: (x: number) => number,
  mean: number,
  variance: number,
): TiltedMoments {
  const sd = Math.sqrt(variance);
  let top = -Infinity;
  const logs = NODES.map((z, i) => {
    const log = (LOG_WEIGHTS[i] ?? 0) + logLikelihood(mean + sd * z);
    if (log > top) top = log;
    return log;
  });
  if (!Number.isFinite(top))
    throw new RangeError(`likelihood must be above 0 near ${mean}, got ${top} (log)`);
  let mass = 0;
  let first = 0;
  let second = 0;
  for (let i = 0; i < NODES.length; i += 1) {
    const z = NODES[i] ?? 0;
    const weight = Math.exp((logs[i] ?? 0) - top);
    mass += weight;
    first += weight * z;
    second += weight * z * z;
  }
  const shift = first / mass;
  return {
    mean: mean + sd * shift,
    variance: variance * (second / mass - shift * shift),
    lnMass: top + Math.log(mass) + LN_NODE_MASS,
  };
}
