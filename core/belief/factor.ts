/**
 * One EP factor: the product of all likelihoods along the same linear form (same zone, cylinder, setting, air and
 * instrument), moment-matched as a whole. Matched one by one, EP would settle on a single mode of observations that
 * contradict each other and report too small a variance; matched together, all modes and the variance between them stay.
 * The error of the setting itself is shared by all of them.
 */
import type { Likelihood } from "../looks/likelihood.ts";
import { tiltedMoments, type Moments, type TiltedMoments } from "../numbers/quadrature.ts";
import type { Evidence } from "./evidence.ts";
import { convolvedSite, type Site } from "./site.ts";

interface Member {
  /** its place among all evidence */
  readonly index: number;
  /** the likelihood is about `shift + u` */
  readonly shift: number;
  readonly likelihood: Likelihood;
}

export interface Factor {
  readonly row: Float64Array;
  readonly members: readonly Member[];
  /** of the error that all members share */
  readonly sharedVariance: number;
  /** where all members are normal: what they come to, and ln of what that leaves out */
  readonly exact: { readonly site: Site; readonly lnMass: number } | undefined;
}

/** What a factor wants its site to be, given what all others say of the line. */
export interface Match {
  readonly precision: number;
  /** where the mean comes to lie */
  readonly mean: number;
  readonly lnMass: number;
}

/** No factor takes more of the doubt than all but this. */
const LEAST_SHARE = 1e-3;
/** So much of what all others say may a factor that contradicts them take back: the rest stays certain. */
const MOST_TAKEN_BACK = 0.85;

function exactOf(members: readonly Member[], sharedVariance: number): Factor["exact"] {
  let [precision, pull, lnMass] = [0, 0, 0];
  for (const { shift, likelihood } of members) {
    if (!likelihood.normal) return undefined;
    const { mean, variance } = likelihood.normal;
    precision += 1 / variance;
    pull += (mean - shift) / variance;
    lnMass += (likelihood.lnHeight ?? 0) - (mean - shift) ** 2 / (2 * variance);
  }
  const after = convolvedSite({ precision, pull }, sharedVariance);
  return { site: after.site, lnMass: lnMass + after.lnMass };
}

const factorOf = (row: Float64Array, members: readonly Member[], sharedSd: number): Factor => ({
  row,
  members,
  sharedVariance: sharedSd ** 2,
  exact: exactOf(members, sharedSd ** 2),
});

/** @returns one factor a line, in the order of their first looks; what says nothing is in none */
export function factorsOf(evidence: readonly Evidence[]): Factor[] {
  const lines = new Map<
    string,
    { readonly row: Float64Array; readonly sharedSd: number; readonly members: Member[] }
  >();
  evidence.forEach(({ line: { row, shift }, likelihood, sharedSd = 0, silent }, index) => {
    if (silent) return;
    const key = `${sharedSd} ${row.join(" ")}`;
    const line = lines.get(key) ?? { row, sharedSd, members: [] };
    line.members.push({ index, shift, likelihood });
    lines.set(key, line);
  });
  return [...lines.values()].map(({ row, members, sharedSd }) => factorOf(row, members, sharedSd));
}

const narrowestOf = (members: readonly Member[]): number =>
  members.reduce((sum, { likelihood: { sd } }) => sum + 1 / sd ** 2, 0) ** -0.5;

/** Under a weight on the line as the members see it, the setting's own error in it. */
function tiltedBy(members: readonly Member[], weight: Moments): TiltedMoments {
  const [only] = members;
  if (only && members.length === 1 && only.likelihood.under) {
    const tilted = only.likelihood.under({ ...weight, mean: weight.mean + only.shift });
    return { ...tilted, mean: tilted.mean - only.shift };
  }
  const log = (u: number) =>
    members.reduce((sum, { shift, likelihood }) => sum + likelihood.log(shift + u), 0);
  return tiltedMoments(log, weight.mean, weight.variance, narrowestOf(members));
}

/** The same of the line itself: what was seen of it and its setting's error together tells less of it alone. */
function tiltedLine(members: readonly Member[], sharedVariance: number, cavity: Moments): TiltedMoments {
  const variance = cavity.variance + sharedVariance;
  const seen = tiltedBy(members, { mean: cavity.mean, variance });
  const share = cavity.variance / variance;
  return {
    mean: cavity.mean + share * (seen.mean - cavity.mean),
    variance: cavity.variance * (1 - share) + share * share * seen.variance,
    lnMass: seen.lnMass,
  };
}

/** @throws {RangeError} if what was said is impossible under all that is believed */
export function matchOf({ members, sharedVariance }: Factor, cavity: Moments): Match {
  const tilted = tiltedLine(members, sharedVariance, cavity);
  // Below 0 where what could have another cause contradicts all else: it then adds to the doubt.
  const variance = Math.max(tilted.variance, LEAST_SHARE * cavity.variance);
  const precision = Math.max(1 / variance - 1 / cavity.variance, -MOST_TAKEN_BACK / cavity.variance);
  return { precision, mean: tilted.mean, lnMass: tilted.lnMass };
}

/** @returns what all looks but one member say of the line, the cavity being what all other factors say */
export function withoutMember({ members, sharedVariance }: Factor, one: Member, cavity: Moments): Moments {
  const others = members.filter((member) => member !== one);
  return others.length === 0 ? cavity : tiltedLine(others, sharedVariance, cavity);
}

/** @returns of each member its part of the factor's site, by how finely it reads */
export function partsOfSite({ members }: Factor, site: Site): (readonly [index: number, Site])[] {
  const finest = narrowestOf(members) ** 2;
  return members.map(({ index, likelihood: { sd } }) => {
    const share = members.length === 1 ? 1 : finest / sd ** 2;
    return [index, { precision: share * site.precision, pull: share * site.pull }];
  });
}
