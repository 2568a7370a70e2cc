/** Moments of likelihood × normal density along one line, by the trapezoid rule over ± 8 sd. */

export interface Moments {
  readonly mean: number;
  readonly variance: number;
}

export interface TiltedMoments extends Moments {
  /** ln of the likelihood's mean under the weight */
  readonly lnMass: number;
}

// The trapezoid rule on a smooth integrand that dies away at both ends converges faster than any power of
// its step: about 1e-7 at a quarter of a standard deviation of what is narrowest in it, still 1e-6 at its 0.8.
const STEP = 0.25;
const REACH = 8;
/** Of what is narrower than the weight, so much of its sd is one step. */
const STEP_OF_NARROW = 0.8;
const MOST_NODES = 2048;

/**
 * @param logLikelihood - of a value on the line; any constant may be left out
 * @param mean - of the normal weight
 * @param variance - of the normal weight, above 0
 * @param narrowest - sd below which nothing in the likelihood changes
 * @returns mean and variance of the weighted likelihood
 * @throws {RangeError} if the likelihood is nought (or no number) wherever the weight is not
 */
export function tiltedMoments(
  logLikelihood: (x: number) => number,
  mean: number,
  variance: number,
  narrowest = Infinity,
): TiltedMoments {
  const sd = Math.sqrt(variance);
  const finest = (2 * REACH) / MOST_NODES;
  const step = Math.max(finest, Math.min(STEP, (STEP_OF_NARROW * narrowest) / sd));
  const nodes = Math.ceil((2 * REACH) / step) + 1;
  const logs = new Float64Array(nodes);
  let top = -Infinity;
  for (let i = 0; i < nodes; i += 1) {
    const z = -REACH + step * i;
    const log = -0.5 * z * z + logLikelihood(mean + sd * z);
    if (log > top) top = log;
    logs[i] = log;
  }
  if (!Number.isFinite(top))
    throw new RangeError(`likelihood must be above 0 near ${mean}, got ${top} (log)`);
  let mass = 0;
  let first = 0;
  let second = 0;
  for (let i = 0; i < nodes; i += 1) {
    const z = -REACH + step * i;
    const weight = Math.exp((logs[i] ?? 0) - top);
    mass += weight;
    first += weight * z;
    second += weight * z * z;
  }
  const shift = first / mass;
  return {
    mean: mean + sd * shift,
    variance: variance * (second / mass - shift * shift),
    lnMass: top + Math.log((mass * step) / Math.sqrt(2 * Math.PI)),
  };
}
