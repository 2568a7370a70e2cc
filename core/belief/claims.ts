/**
 * All claims in a log that a setting was right: the first baseline, each later baseline that replaces it, and settings
 * logged as proven. A claim is an observation of zero mixture error in every zone, at its own setting and air, with a
 * standard deviation that follows from how it is known (guess, book, ran well, measured).
 */
import { humidAir, type HumidAir } from "../air/humid-air.ts";
import { ZONES } from "../carburettor/zones.ts";
import type { Present } from "../log/present.ts";
import type { Build, Proven, Setting } from "../log/schema.ts";
import { baselineSettings } from "../log/settings.ts";
import { normalLikelihood } from "../looks/likelihood.ts";
import type { ZoneMixture } from "../looks/line.ts";
import { buildOfCarburettor, carburettorOf } from "../rig/carburettors.ts";
import { humidAirFromLog, settingFromLog } from "../rig/from-build.ts";
import type { Evidence } from "./evidence.ts";
import type { Frame } from "./frame.ts";
import { lineOver, type Layout } from "./layout.ts";
import { buildAt } from "./look-mixtures.ts";
import { zoneMixture } from "./mixture.ts";
import type { Belief } from "./unknowns.ts";

/** Makers jet a shade rich; plugs or a λ figure leave little doubt. */
const KNOWN: Readonly<Record<Exclude<Proven, "guess">, { readonly mean: number; readonly sd: number }>> = {
  book: { mean: -0.01, sd: 0.05 },
  ranWell: { mean: 0, sd: 0.035 },
  measured: { mean: 0, sd: 0.02 },
};

/** How often such a claim is another machine's: a book of another model, a pipe that was changed since, a slip. */
const WRONG: Readonly<Record<Exclude<Proven, "guess">, number>> = {
  book: 1 / 6,
  ranWell: 1 / 10,
  measured: 1 / 30,
};
/** Surer than this of one case, the others are left out. */
const SURE = 0.95;
/** Of a log with many claims the newest are doubted, and the first. */
const MOST_DOUBTED = 3;

export interface Claim {
  /** the entry that makes it */
  readonly id: string;
  readonly at: string;
  readonly how: Proven;
  /** which build it is about, an index into `builds` */
  readonly build: number;
  /** how many of the `reopenings` had been before it */
  readonly reopenings: number;
  /** one a carburettor */
  readonly settings: readonly Setting[];
  /** none was ever read: of each frame's own reference */
  readonly air: HumidAir | undefined;
}

function baselineClaims({ knownBuilds, builds, reopeningsAtBuild }: Present): Claim[] {
  return knownBuilds.flatMap((known, build): Claim[] => {
    const before = knownBuilds[build - 1]?.baseline;
    const entry = builds[build];
    const { baseline } = known;
    if (!entry || (before && JSON.stringify(before) === JSON.stringify(baseline))) return [];
    return [
      {
        id: entry.id,
        at: entry.at,
        how: baseline.proven,
        build,
        // The first build opens the log: nothing was known that it could have brought back.
        reopenings: build === 0 ? 0 : (reopeningsAtBuild[build] ?? 0),
        settings: baselineSettings(known),
        air: humidAir(baseline.air),
      },
    ];
  });
}

/** @returns all claims, the first build's first, then in the order in which they were made */
export function claimsOf(present: Present): Claim[] {
  const [first, ...later] = baselineClaims(present);
  if (!first) return [];
  const proven = present.proven.map(({ entry, settings, air, build, reopenings }): Claim => ({
    id: entry.id,
    at: entry.at,
    how: entry.how,
    build,
    reopenings,
    settings,
    air: entry.air ? humidAir(entry.air) : air && humidAirFromLog(air),
  }));
  const timed = [...later, ...proven].map((claim) => ({ claim, instant: Date.parse(claim.at) }));
  return [first, ...timed.sort((a, b) => a.instant - b.instant).map(({ claim }) => claim)];
}

/** @returns one look a zone, at the mean of all cylinders; none for a guess */
export function claimEvidence(
  { id, how, build: index, settings, air }: Claim,
  builds: readonly Build[],
  frames: readonly Frame[],
  layout: Layout,
): Evidence[] {
  if (how === "guess") return [];
  const build = buildAt(builds, index);
  const { mean, sd } = KNOWN[how];
  const mixtures = new Map<number, ReturnType<ZoneMixture>>();
  for (let c = 0; c < layout.cylinders; c += 1) {
    const carburettor = carburettorOf(build, c);
    const [frame, setting] = [frames[carburettor], settings[carburettor]];
    if (!frame || !setting || mixtures.has(carburettor)) continue;
    const one = buildOfCarburettor(build, carburettor);
    mixtures.set(carburettor, zoneMixture(frame, one, air ?? frame.air)(settingFromLog(setting)));
  }
  return ZONES.map((zone) => {
    const lines = Array.from({ length: layout.cylinders }, (_, c) => {
      const at = mixtures.get(carburettorOf(build, c)) ?? [...mixtures.values()][0];
      if (!at) throw new RangeError(`a proven setting must be of a carburettor, got none`);
      return [c, at[zone]] as const;
    });
    return {
      lookId: id,
      zone,
      line: lineOver(new Map(lines), layout),
      likelihood: normalLikelihood(mean, sd * sd),
      shifts: new Map(lines.map(([c, { shift }]) => [carburettorOf(build, c), shift])),
    };
  });
}

/** One way in which the claims may be: all right, or one of them wrong as a whole. */
export interface ClaimCase {
  readonly wrong: string | undefined;
  /** before anything was seen; the cases need not add to 1 */
  readonly prior: number;
}

/** @returns all right first, then each doubted one wrong in turn */
export function claimHypotheses(claims: readonly Claim[]): ClaimCase[] {
  const [first, ...later] = claims;
  const doubted = [...(first ? [first] : []), ...later.slice(-MOST_DOUBTED)];
  const wrong = doubted.flatMap(({ id, how }) =>
    how === "guess" ? [] : [{ wrong: id, prior: WRONG[how] / (1 - WRONG[how]) }],
  );
  return [{ wrong: undefined, prior: 1 }, ...wrong];
}

export interface WeighedClaim extends Claim {
  /** that it is of this engine, after all that was seen */
  readonly chance: number;
}

/** Mean and covariance of several beliefs, each with its share. */
function mixed(beliefs: readonly { readonly share: number; readonly belief: Belief }[]): Belief {
  const [first] = beliefs;
  if (!first || beliefs.length === 1)
    return first?.belief ?? { mean: new Float64Array(), covariance: new Float64Array() };
  const size = first.belief.mean.length;
  const mean = new Float64Array(size);
  for (const { share, belief } of beliefs)
    for (let i = 0; i < size; i += 1) mean[i] = (mean[i] ?? 0) + share * (belief.mean[i] ?? 0);
  const covariance = new Float64Array(size * size);
  for (const { share, belief } of beliefs)
    for (let i = 0; i < size; i += 1)
      for (let j = 0; j < size; j += 1) {
        const apart = ((belief.mean[i] ?? 0) - (mean[i] ?? 0)) * ((belief.mean[j] ?? 0) - (mean[j] ?? 0));
        const place = i * size + j;
        covariance[place] = (covariance[place] ?? 0) + share * ((belief.covariance[place] ?? 0) + apart);
      }
  return { mean, covariance };
}

/** @returns what is believed, the surest of the cases, and how likely each claim is of this engine */
export function weighCases(
  claims: readonly Claim[],
  cases: readonly {
    readonly wrong: string | undefined;
    readonly belief: Belief;
    readonly lnWeight: number;
  }[],
): {
  readonly belief: Belief;
  readonly shares: readonly number[];
  readonly surest: number;
  readonly claims: readonly WeighedClaim[];
} {
  const most = Math.max(...cases.map(({ lnWeight }) => lnWeight));
  const weights = cases.map(({ lnWeight }) => Math.exp(lnWeight - most));
  const total = weights.reduce((a, b) => a + b);
  const shares = cases.map((one, i) => ({ ...one, share: (weights[i] ?? 0) / total }));
  const surest = shares.reduce((best, { share }, i) => (share > (shares[best]?.share ?? 0) ? i : best), 0);
  const sure = shares[surest];
  const chanceWrong = new Map(shares.map(({ wrong, share }) => [wrong, share]));
  return {
    belief: sure && sure.share >= SURE ? sure.belief : mixed(shares),
    shares: shares.map(({ share }) => share),
    surest,
    claims: claims.map((claim) => ({ ...claim, chance: 1 - (chanceWrong.get(claim.id) ?? 0) })),
  };
}
