/**
 * What is believed after a set of looks: expectation propagation. Each look is matched in mean and variance
 * along its own line by quadrature and enters as a rank-one update; sweeps repeat until nothing moves. A look that
 * adds to the doubt is held back where it would leave another one's cavity without any (that one could then not be
 * matched): so every cavity stays a proper normal.
 * Sources: Minka, "A family of algorithms for approximate Bayesian inference" (MIT thesis, 2001), chapter 3;
 * rank-one form and marginal likelihood: Rasmussen & Williams, "Gaussian Processes for Machine Learning" (2006),
 * section 3.6.
 */
import { addScaled, dot, lessOuter, quadratic, times } from "../numbers/linear.ts";
import type { Moments } from "../numbers/quadrature.ts";
import type { Evidence } from "./evidence.ts";
import { exactSite, lnSiteMass, matchOf, NO_SITE, siteWith, type Site } from "./site.ts";
import type { Belief } from "./unknowns.ts";

/** What one look did, once all are taken together. */
export interface LookOutcome {
  readonly lookId: string;
  readonly zone: Evidence["zone"];
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
  /** what each look came to, in their order */
  readonly sites: readonly Site[];
  /** ln of the chance of all looks together, up to constants that belong to the looks alone */
  readonly lnEvidence: () => number;
}

/** A look less likely than this is questioned on screen, never silently averaged away. */
export const SURPRISING = 0.005;

/** Nothing moves any more: by this share of its own doubt. */
const SETTLED = 1e-4;
const MOST_SWEEPS = 150;
/** Looks that chase each other in a circle meet when they go part of the way, from these sweeps on. */
const STRIDES = [
  { from: 60, share: 0.15 },
  { from: 25, share: 0.3 },
  { from: 10, share: 0.5 },
  { from: 0, share: 1 },
] as const;
/** Another look's own share of what is known along its line may rise to this, never to all of it. */
const MOST_OWN_SHARE = 0.98;
/** A cavity that has moved by less than this share of its doubt gives the same match. */
const UNMOVED = 1e-5;

interface Cavity extends Moments {
  readonly gain: Float64Array;
  readonly believed: Moments;
}

/** What all other looks say about this one's line. */
function cavityOf(belief: Belief, { line }: Evidence, site: Site): Cavity {
  const gain = times(belief.covariance, line.row);
  const believed = { mean: dot(line.row, belief.mean), variance: dot(line.row, gain) };
  const variance = 1 / (1 / believed.variance - site.precision);
  return { gain, believed, variance, mean: variance * (believed.mean / believed.variance - site.pull) };
}

function exchange(belief: Belief, { gain, believed }: Cavity, from: Site, to: Site): Belief {
  const precision = to.precision - from.precision;
  const denominator = 1 + precision * believed.variance;
  const step = (to.pull - from.pull - precision * believed.mean) / denominator;
  return {
    mean: addScaled(belief.mean, gain, step),
    covariance: lessOuter(belief.covariance, gain, precision / denominator),
  };
}

/**
 * How far a look's precision may fall before another look would be all that is known along its own line.
 * Falling by p, the variance along line j rises by p c² / (1 - p v), c the covariance of the two lines.
 */
function mostFall(
  belief: Belief,
  evidence: readonly Evidence[],
  sites: readonly Site[],
  i: number,
  { gain, believed }: Cavity,
  wanted: number,
): number {
  let fall = Math.min(wanted, 0.99 / believed.variance);
  evidence.forEach(({ line }, j) => {
    const precision = sites[j]?.precision ?? 0;
    if (j === i || precision <= 0) return;
    const covariance = dot(line.row, gain);
    if (covariance === 0) return;
    const variance = quadratic(belief.covariance, line.row);
    const room = (MOST_OWN_SHARE / precision - variance) / (covariance * covariance);
    fall = Math.min(fall, room <= 0 ? 0 : room / (1 + room * believed.variance));
  });
  return fall;
}

function outcomeOf(belief: Belief, item: Evidence, site: Site): LookOutcome {
  const { mean, variance, believed } = cavityOf(belief, item, site);
  const expected = item.line.shift + mean;
  return {
    lookId: item.lookId,
    zone: item.zone,
    expected,
    expectedSd: Math.sqrt(variance),
    reads: item.likelihood.reads,
    weight: Math.max(0, 1 - believed.variance / variance),
    tail: item.likelihood.tail(expected, variance),
  };
}

/** ln of what the likelihood is worth under its cavity, over what its site is worth there. */
function lnCorrection(belief: Belief, item: Evidence, site: Site): number {
  const { likelihood, line } = item;
  if (likelihood.normal)
    return (-0.5 * (likelihood.normal.mean - line.shift) ** 2) / likelihood.normal.variance;
  const cavity = cavityOf(belief, item, site);
  return matchOf(likelihood, line.shift, cavity).lnMass - lnSiteMass(site, cavity);
}

function lnEvidence(
  prior: Belief,
  posterior: Belief,
  evidence: readonly Evidence[],
  sites: readonly Site[],
): number {
  let total = 0;
  let belief = prior;
  // Those that take doubt away first: then no step leaves less than nothing.
  const order = evidence
    .map((_, i) => i)
    .sort((a, b) => (sites[b]?.precision ?? 0) - (sites[a]?.precision ?? 0));
  for (const i of order) {
    const [item, site] = [evidence[i], sites[i]];
    if (!item || !site) continue;
    const before = cavityOf(belief, item, NO_SITE);
    total += lnSiteMass(site, before) + lnCorrection(posterior, item, site);
    belief = exchange(belief, before, NO_SITE, site);
  }
  return total;
}

interface Sweeping {
  belief: Belief;
  readonly sites: Site[];
  /** the cavity that each site was matched to */
  readonly matchedTo: (Moments | undefined)[];
}

const hasMoved = (from: Moments | undefined, to: Moments): boolean =>
  !from ||
  Math.abs(to.mean - from.mean) > UNMOVED * Math.sqrt(from.variance) ||
  Math.abs(to.variance - from.variance) > UNMOVED * from.variance;

/** @returns how far the belief moved along this look's line, as a share of its doubt */
function visit(now: Sweeping, evidence: readonly Evidence[], i: number, stride: number): number {
  const [item, site = NO_SITE] = [evidence[i], now.sites[i]];
  if (!item) return 0;
  const cavity = cavityOf(now.belief, item, site);
  const { likelihood, line } = item;
  if (!(cavity.variance > 0 && cavity.believed.variance > 0) || !hasMoved(now.matchedTo[i], cavity)) return 0;
  const match = matchOf(likelihood, line.shift, cavity);
  const wanted = stride * (match.precision - site.precision);
  const fall = wanted < 0 ? mostFall(now.belief, evidence, now.sites, i, cavity, -wanted) : 0;
  const precision = site.precision + (wanted < 0 ? -fall : wanted);
  const aim = siteWith(precision, match.mean, cavity);
  const next = { precision, pull: site.pull + stride * (aim.pull - site.pull) };
  const before = cavity.believed;
  now.belief = exchange(now.belief, cavity, site, next);
  now.sites[i] = next;
  // Gone part of the way only, it is to be visited again wherever the others stand.
  now.matchedTo[i] = stride === 1 && fall === -Math.min(0, wanted) ? cavity : undefined;
  const moved = Math.abs(dot(line.row, now.belief.mean) - before.mean) / Math.sqrt(before.variance);
  const shrunk = Math.abs(quadratic(now.belief.covariance, line.row) / before.variance - 1);
  return Math.max(moved, shrunk);
}

/** Looks that are normal by themselves are exact at once, whatever the others say; the others begin where told. */
function takeExact(prior: Belief, evidence: readonly Evidence[], from: readonly Site[]): Sweeping {
  let belief = prior;
  const sites = evidence.map((item, i): Site => {
    const site = item.likelihood.normal
      ? exactSite(item.likelihood.normal, item.line.shift)
      : (from[i] ?? NO_SITE);
    // One that adds to the doubt might leave none: it is matched anew.
    if (site.precision <= 0) return NO_SITE;
    belief = exchange(belief, cavityOf(belief, item, NO_SITE), NO_SITE, site);
    return site;
  });
  return { belief, sites, matchedTo: evidence.map(() => undefined) };
}

/** How a second question about the same looks is answered sooner. */
export interface UpdateOptions {
  /** what each look came to under much the same belief: the sweeps begin there */
  readonly from?: readonly Site[];
  /** by how much of its own doubt nothing may move any more */
  readonly settled?: number;
}

/**
 * @param prior - what was believed before these looks
 * @param evidence - any number of looks, in any order
 * @returns the belief after them, whether and after how many sweeps it settled, and what each look did
 * @throws {RangeError} if a look is impossible under all that is believed
 */
export function update(
  prior: Belief,
  evidence: readonly Evidence[],
  { from = [], settled = SETTLED }: UpdateOptions = {},
): Updated {
  const now = takeExact(prior, evidence, from);
  const toMatch = evidence.flatMap(({ likelihood, silent }, i) => (likelihood.normal || silent ? [] : [i]));
  let sweeps = 0;
  let largestMove = toMatch.length === 0 ? 0 : Infinity;
  while (largestMove > settled && sweeps < MOST_SWEEPS) {
    const stride = STRIDES.find(({ from }) => sweeps >= from)?.share ?? 1;
    largestMove = 0;
    for (const i of toMatch) largestMove = Math.max(largestMove, visit(now, evidence, i, stride) / stride);
    sweeps += 1;
  }
  const { belief, sites } = now;
  return {
    ...belief,
    converged: largestMove <= settled,
    sweeps,
    outcomes: evidence.map((item, i) => outcomeOf(belief, item, sites[i] ?? NO_SITE)),
    sites,
    lnEvidence: () => lnEvidence(prior, belief, evidence, sites),
  };
}
