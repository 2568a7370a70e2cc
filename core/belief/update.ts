/**
 * What is believed after a set of looks: expectation propagation. Each look is matched in mean and variance
 * along its own line by quadrature and enters as a rank-one update; sweeps repeat until nothing moves.
 * Sources: Minka, "A family of algorithms for approximate Bayesian inference" (MIT thesis, 2001), chapter 3;
 * rank-one form: Rasmussen & Williams, "Gaussian Processes for Machine Learning" (2006), section 3.6.
 */
import { addScaled, dot, lessOuter, times } from "../numbers/linear.ts";
import { tiltedMoments, type Moments } from "../numbers/quadrature.ts";
import type { Evidence } from "../looks/registry.ts";
import type { Belief } from "./unknowns.ts";

/** What one look did, once all are taken together. */
export interface LookOutcome {
  readonly lookId: string;
  /** mixture error that all other looks led to expect, and its sd */
  readonly expected: number;
  readonly expectedSd: number;
  /** what the look itself reads */
  readonly reads: number;
  /** share of the doubt along its line that this look took away, 0..1 */
  readonly weight: number;
  /** predictive tail chance, 0..1; see {@link SURPRISING} */
  readonly tail: number;
}

export interface Updated extends Belief {
  readonly converged: boolean;
  readonly sweeps: number;
  readonly outcomes: readonly LookOutcome[];
}

/** A look less likely than this is questioned on screen, never silently averaged away. */
export const SURPRISING = 0.005;

const SETTLED = 1e-6;
const MOST_SWEEPS = 100;
/** A mixture is never known to better than a hundredth of a per cent. */
const LEAST_VARIANCE = 1e-8;
/** No single look takes more of the doubt than all but this. */
const LEAST_SHARE = 1e-3;
/** Looks that chase each other in a circle meet when they go half way, from this sweep on. */
const HALF_WAY_FROM = 12;
/** So much of what all others say may a look that contradicts them take back: the rest stays certain. */
const MOST_TAKEN_BACK = 0.5;

/** A look's stand-in: a normal likelihood in natural parameters along its line. */
interface Site {
  precision: number;
  /** precision times mean */
  pull: number;
}

interface Cavity extends Moments {
  readonly gain: readonly number[];
  readonly believed: Moments;
}

/** What all other looks say about this one's line. */
function cavityOf(belief: Belief, { line }: Evidence, site: Site): Cavity {
  const gain = times(belief.covariance, line.row);
  const believed = { mean: dot(line.row, belief.mean), variance: dot(line.row, gain) };
  const precision = 1 / believed.variance - site.precision;
  const variance = 1 / precision;
  return { gain, believed, variance, mean: variance * (believed.mean / believed.variance - site.pull) };
}

function matchedSite({ line, likelihood }: Evidence, cavity: Cavity): Site {
  if (likelihood.normal) {
    const { mean, variance } = likelihood.normal;
    return { precision: 1 / variance, pull: (mean - line.shift) / variance };
  }
  const matched = tiltedMoments((u) => likelihood.log(line.shift + u), cavity.mean, cavity.variance);
  // Below 0 where a look that could have another cause contradicts all else: it then adds to the doubt.
  // A likelihood far outside all belief may fall between two points of the quadrature.
  const variance = Math.max(matched.variance, LEAST_SHARE * cavity.variance);
  const precision = 1 / variance - 1 / cavity.variance;
  return {
    precision,
    pull: matched.mean * (precision + 1 / cavity.variance) - cavity.mean / cavity.variance,
  };
}

const halfWay = (from: Site, to: Site): Site => ({
  precision: (from.precision + to.precision) / 2,
  pull: (from.pull + to.pull) / 2,
});

const bounded = ({ precision, pull }: Site, { variance }: Cavity): Site => ({
  precision: Math.max(precision, -MOST_TAKEN_BACK / variance),
  pull,
});

function exchange(belief: Belief, { gain, believed }: Cavity, from: Site, to: Site): Belief {
  const precision = to.precision - from.precision;
  const denominator = 1 + precision * believed.variance;
  const step = (to.pull - from.pull - precision * believed.mean) / denominator;
  return {
    mean: addScaled(belief.mean, gain, step),
    covariance: lessOuter(belief.covariance, gain, precision / denominator),
  };
}

function outcomeOf(belief: Belief, item: Evidence, site: Site): LookOutcome {
  const { mean, variance, believed } = cavityOf(belief, item, site);
  const expected = item.line.shift + mean;
  return {
    lookId: item.lookId,
    expected,
    expectedSd: Math.sqrt(variance),
    reads: item.likelihood.reads,
    weight: Math.max(0, 1 - believed.variance / variance),
    tail: item.likelihood.tail(expected, variance),
  };
}

/**
 * @param prior - what was believed before these looks
 * @param evidence - any number of looks, in any order
 * @returns the belief after them, whether and after how many sweeps it settled, and what each look did
 * @throws {RangeError} if a look is impossible under all that is believed
 */
export function update(prior: Belief, evidence: readonly Evidence[]): Updated {
  const sites = evidence.map((): Site => ({ precision: 0, pull: 0 }));
  let belief = prior;
  let sweeps = 0;
  let largestMove = Infinity;
  while (largestMove > SETTLED && sweeps < MOST_SWEEPS) {
    const before = belief.mean;
    evidence.forEach((item, i) => {
      const site = sites[i] ?? { precision: 0, pull: 0 };
      if (item.likelihood.normal && sweeps > 0) return; // exact since the first sweep
      const cavity = cavityOf(belief, item, site);
      // Looks that contradict each other may leave no doubt at all for a while: this one waits for its turn.
      if (!(cavity.variance > LEAST_VARIANCE && cavity.believed.variance > LEAST_VARIANCE)) return;
      const matched = matchedSite(item, cavity);
      const next = bounded(sweeps < HALF_WAY_FROM ? matched : halfWay(site, matched), cavity);
      belief = exchange(belief, cavity, site, next);
      sites[i] = next;
    });
    sweeps += 1;
    largestMove = Math.max(0, ...belief.mean.map((x, i) => Math.abs(x - (before[i] ?? 0))));
  }
  const outcomes = evidence.map((item, i) => outcomeOf(belief, item, sites[i] ?? { precision: 0, pull: 0 }));
  return { ...belief, converged: largestMove <= SETTLED, sweeps, outcomes };
}
