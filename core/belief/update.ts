/**
 * Expectation propagation over one batch of observations. All observations along one linear form are one factor
 * (factor.ts). Each factor is moment-matched along its form and enters as a rank-one update; sweeps repeat until nothing
 * changes. A site with negative precision is damped where it would leave another factor’s cavity improper, so every
 * cavity stays a proper normal.
 * Sources: Minka, "A family of algorithms for approximate Bayesian inference" (MIT thesis, 2001), chapter 3;
 * rank-one form and marginal likelihood: Rasmussen & Williams, "Gaussian Processes for Machine Learning" (2006),
 * section 3.6.
 */
import { addScaled, dot, lessOuter, quadratic, times } from "../numbers/linear.ts";
import type { Moments } from "../numbers/quadrature.ts";
import type { Evidence } from "./evidence.ts";
import { factorsOf, matchOf, partsOfSite, withoutMember, type Factor } from "./factor.ts";
import { lnSiteMass, NO_SITE, siteWith, type Site } from "./site.ts";
import type { Belief } from "./unknowns.ts";

/** What one observation contributed to the posterior of its batch. */
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
  /** what each look came to, in their order: its part of what its line came to */
  readonly sites: readonly Site[];
  /** ln of the chance of all looks together, up to constants that belong to the looks alone */
  readonly lnEvidence: () => number;
}

/** A look less likely than this is questioned on screen, never silently averaged away. */
export const SURPRISING = 0.005;

/** Nothing moves any more: by this share of its own doubt. */
const SETTLED = 1e-4;
const MOST_SWEEPS = 150;
/** Factors that chase each other in a circle meet when they go part of the way, from these sweeps on. */
const STRIDES = [
  { from: 60, share: 0.15 },
  { from: 25, share: 0.3 },
  { from: 10, share: 0.5 },
  { from: 0, share: 1 },
] as const;
/** Another factor's own share of what is known along its line may rise to this, never to all of it. */
const MOST_OWN_SHARE = 0.98;
/** A cavity that has moved by less than this share of its doubt gives the same match. */
const UNMOVED = 1e-5;

interface Cavity extends Moments {
  readonly gain: Float64Array;
  readonly believed: Moments;
}

/** What all other factors say about this one's line. */
function cavityOf(belief: Belief, { row }: Factor, site: Site): Cavity {
  const gain = times(belief.covariance, row);
  const believed = { mean: dot(row, belief.mean), variance: dot(row, gain) };
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
 * How far a factor's precision may fall before another would be all that is known along its own line.
 * Falling by p, the variance along line j rises by p c² / (1 - p v), c the covariance of the two lines.
 */
function mostFall(
  { belief, sites, factors }: Sweeping,
  i: number,
  { gain, believed }: Cavity,
  wanted: number,
) {
  let fall = Math.min(wanted, 0.99 / believed.variance);
  factors.forEach(({ row }, j) => {
    const precision = sites[j]?.precision ?? 0;
    if (j === i || precision <= 0) return;
    const covariance = dot(row, gain);
    if (covariance === 0) return;
    const variance = quadratic(belief.covariance, row);
    const room = (MOST_OWN_SHARE / precision - variance) / (covariance * covariance);
    fall = Math.min(fall, room <= 0 ? 0 : room / (1 + room * believed.variance));
  });
  return fall;
}

/** What each look of a factor did: held against all others, those on its own line among them. */
function outcomesOf(belief: Belief, factor: Factor, site: Site, evidence: readonly Evidence[]) {
  const cavity = cavityOf(belief, factor, site);
  return factor.members.flatMap((member): (readonly [index: number, LookOutcome])[] => {
    const item = evidence[member.index];
    if (!item) return [];
    const { mean, variance } = withoutMember(factor, member, cavity);
    return [
      [
        member.index,
        outcomeOf(item, { mean, variance, after: cavity.believed.variance }, factor.sharedVariance),
      ],
    ];
  });
}

function outcomeOf(
  { lookId, zone, line, likelihood }: Evidence,
  { mean, variance, after }: Moments & { readonly after: number },
  sharedVariance: number,
): LookOutcome {
  const expected = line.shift + mean;
  return {
    lookId,
    zone,
    expected,
    expectedSd: Math.sqrt(variance),
    reads: likelihood.reads,
    weight: Math.max(0, 1 - after / variance),
    tail: likelihood.tail(expected, variance + sharedVariance),
  };
}

/** ln of what the factor is worth under its cavity, over what its site is worth there. */
function lnCorrection(belief: Belief, factor: Factor, site: Site): number {
  if (factor.exact) return factor.exact.lnMass;
  const cavity = cavityOf(belief, factor, site);
  return matchOf(factor, cavity).lnMass - lnSiteMass(site, cavity);
}

function lnEvidence(
  prior: Belief,
  posterior: Belief,
  factors: readonly Factor[],
  sites: readonly Site[],
): number {
  let total = 0;
  let belief = prior;
  // Those that take doubt away first: then no step leaves less than nothing.
  const order = factors
    .map((_, i) => i)
    .sort((a, b) => (sites[b]?.precision ?? 0) - (sites[a]?.precision ?? 0));
  for (const i of order) {
    const [factor, site] = [factors[i], sites[i]];
    if (!factor || !site) continue;
    const before = cavityOf(belief, factor, NO_SITE);
    total += lnSiteMass(site, before) + lnCorrection(posterior, factor, site);
    belief = exchange(belief, before, NO_SITE, site);
  }
  return total;
}

interface Sweeping {
  belief: Belief;
  readonly factors: readonly Factor[];
  /** one a factor */
  readonly sites: Site[];
  /** the cavity that each site was matched to */
  readonly matchedTo: (Moments | undefined)[];
}

const hasMoved = (from: Moments | undefined, to: Moments): boolean =>
  !from ||
  Math.abs(to.mean - from.mean) > UNMOVED * Math.sqrt(from.variance) ||
  Math.abs(to.variance - from.variance) > UNMOVED * from.variance;

/** @returns how far the belief moved along this factor's line, as a share of its doubt */
function visit(now: Sweeping, i: number, stride: number): number {
  const [factor, site = NO_SITE] = [now.factors[i], now.sites[i]];
  if (!factor) return 0;
  const cavity = cavityOf(now.belief, factor, site);
  if (!(cavity.variance > 0 && cavity.believed.variance > 0) || !hasMoved(now.matchedTo[i], cavity)) return 0;
  const match = matchOf(factor, cavity);
  const wanted = stride * (match.precision - site.precision);
  const fall = wanted < 0 ? mostFall(now, i, cavity, -wanted) : 0;
  const precision = site.precision + (wanted < 0 ? -fall : wanted);
  const aim = siteWith(precision, match.mean, cavity);
  const next = { precision, pull: site.pull + stride * (aim.pull - site.pull) };
  const before = cavity.believed;
  now.belief = exchange(now.belief, cavity, site, next);
  now.sites[i] = next;
  // Gone part of the way only, it is to be visited again wherever the others stand.
  now.matchedTo[i] = stride === 1 && fall === -Math.min(0, wanted) ? cavity : undefined;
  const moved = Math.abs(dot(factor.row, now.belief.mean) - before.mean) / Math.sqrt(before.variance);
  const shrunk = Math.abs(quadratic(now.belief.covariance, factor.row) / before.variance - 1);
  return Math.max(moved, shrunk);
}

/** Factors that are normal by themselves are exact at once, whatever the others say; the others begin where told. */
function takeExact(prior: Belief, factors: readonly Factor[], from: readonly Site[]): Sweeping {
  let belief = prior;
  const sites = factors.map((factor): Site => {
    const told = factor.members.map(({ index }) => from[index] ?? NO_SITE);
    const site = factor.exact?.site ?? {
      precision: told.reduce((sum, { precision }) => sum + precision, 0),
      pull: told.reduce((sum, { pull }) => sum + pull, 0),
    };
    // One that adds to the doubt might leave none: it is matched anew.
    if (site.precision <= 0) return NO_SITE;
    belief = exchange(belief, cavityOf(belief, factor, NO_SITE), NO_SITE, site);
    return site;
  });
  return { belief, factors, sites, matchedTo: factors.map(() => undefined) };
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
  const factors = factorsOf(evidence);
  const now = takeExact(prior, factors, from);
  const toMatch = factors.flatMap(({ exact }, i) => (exact ? [] : [i]));
  let sweeps = 0;
  let largestMove = toMatch.length === 0 ? 0 : Infinity;
  while (largestMove > settled && sweeps < MOST_SWEEPS) {
    const stride = STRIDES.find(({ from }) => sweeps >= from)?.share ?? 1;
    largestMove = 0;
    for (const i of toMatch) largestMove = Math.max(largestMove, visit(now, i, stride) / stride);
    sweeps += 1;
  }
  const { belief, sites } = now;
  const parts = new Map(factors.flatMap((factor, i) => partsOfSite(factor, sites[i] ?? NO_SITE)));
  const outcomes = new Map(
    factors.flatMap((factor, i) => outcomesOf(belief, factor, sites[i] ?? NO_SITE, evidence)),
  );
  return {
    ...belief,
    converged: largestMove <= settled,
    sweeps,
    outcomes: evidence.map((item, i) => outcomes.get(i) ?? silentOutcome(belief, item)),
    sites: evidence.map((_, i) => parts.get(i) ?? NO_SITE),
    lnEvidence: () => lnEvidence(prior, belief, factors, sites),
  };
}

/** What says nothing changes nothing: it is held against all that is believed. */
function silentOutcome(belief: Belief, item: Evidence): LookOutcome {
  const { row } = item.line;
  const variance = quadratic(belief.covariance, row);
  return outcomeOf(item, { mean: dot(row, belief.mean), variance, after: variance }, 0);
}
