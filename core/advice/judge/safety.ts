/**
 * Never a setting with more than 5 % chance past the lean limit at the top, of the leanest cylinder. What is fitted
 * alone may stay up to 10 %: while the newest claim says that it was right, in air no denser than the claim's, on the
 * same machine, and as long as nobody has looked at the top. A claim ages: doubt that has grown past 10 % ends it.
 * What was felt at the top, or read elsewhere, makes it no leaner than the claims alone allow: first it is read there,
 * by plug, probe or meter.
 */
import type { HumidAir } from "../../air/humid-air.ts";
import { claimEvidence, type Claim } from "../../belief/claims.ts";
import { isDoubted } from "../../belief/doubted-claim.ts";
import type { Replayed } from "../../belief/replay.ts";
import type { Belief } from "../../belief/unknowns.ts";
import { isAnotherMachine } from "../../log/corrections.ts";
import type { Path, Present } from "../../log/present.ts";
import type { Setting } from "../../log/schema.ts";
import { isByFeel } from "../../looks/registry.ts";
import { buildOfCarburettor, carburettorCount } from "../../rig/carburettors.ts";
import type { Case, Group } from "./case.ts";
import { beliefsOf, MOST_LEAN_RISK, settingKey, type Judged, type SettingJudge } from "./judge-setting.ts";

/** What is fitted and claimed to be right may stay up to this chance until the top has been looked at. */
const MOST_CLAIMED_RISK = 0.1;
/** Air within this share of the claim's is the same air. */
const SAME_AIR = 0.003;
/** A top computed within this of the claim's is no leaner. */
const NO_LEANER = 0.005;
/** What another part or work on these would move at the top. */
const FEEDS_THE_TOP: ReadonlySet<Path> = new Set(["needle", "main", "zones", "air"]);

const NONE: ReadonlyMap<number, number> = new Map();
const topsClaimed = new WeakMap<Replayed, ReadonlyMap<number, number>>();

/** @returns what the model says of the top with the newest claim, by carburettor; asked by every heat of a day */
function topClaimed({ knownBuilds }: Present, replayed: Replayed, claim: Claim): ReadonlyMap<number, number> {
  const known = topsClaimed.get(replayed);
  if (known) return known;
  const evidence = claimEvidence(claim, knownBuilds, replayed.frames, replayed.layout);
  const tops = evidence.find(({ zone }) => zone === "top")?.shifts ?? NONE;
  topsClaimed.set(replayed, tops);
  return tops;
}

/** Does the newest claim hold for what is fitted, in this air and on this machine? */
function claimHolds({ present, replayed }: Case, group: Group, judge: SettingJudge, air: HumidAir): boolean {
  const claim = replayed.claims.at(-1);
  const [carburettor = 0] = group.carburettors;
  const described = claim && present.knownBuilds[claim.build];
  if (!described || claim.how === "guess" || isDoubted(claim) || carburettor >= carburettorCount(described))
    return false;
  const looked = group.evidence.some(({ zone }) => zone === "top");
  const reopened = present.reopenings.slice(claim.reopenings).flat();
  if (looked || reopened.some((path) => FEEDS_THE_TOP.has(path))) return false;
  if (isAnotherMachine(buildOfCarburettor(described, carburettor), group.build)) return false;
  const { dryDensityKgM3 } = claim.air ?? group.frame.air;
  if (air.dryDensityKgM3 > dryDensityKgM3 * (1 + SAME_AIR)) return false;
  // Another setting, fuel or target since: by the model the top must stand no leaner than it was claimed right.
  const then = topClaimed(present, replayed, claim).get(carburettor);
  return then !== undefined && judge.lines(group.fitted).top.shift <= then + NO_LEANER;
}

/** What is fitted, or any change: may it be run flat out? */
export type IsSafe = (judged: Judged) => boolean;

export const anyChangeIsSafe: IsSafe = ({ leanRisk }) => leanRisk <= MOST_LEAN_RISK;

/** @returns the rule for any change, but for what is fitted, which a claim vouches for */
export const claimedIsSafe =
  (fitted: Setting): IsSafe =>
  (judged) =>
    anyChangeIsSafe(judged) ||
    (judged.leanRisk <= MOST_CLAIMED_RISK && settingKey(judged.setting) === settingKey(fitted));

/** Has anybody read the top since what feeds it was last changed or worked on? */
function topWasRead({ present: { looks, reopenings } }: Case, { evidence }: Group): boolean {
  const ofTop = new Set(evidence.flatMap(({ zone, lookId }) => (zone === "top" ? [lookId] : [])));
  return looks.some(
    (look) =>
      ofTop.has(look.entry.id) &&
      !isByFeel(look.entry.reading) &&
      !reopenings
        .slice(look.reopenings)
        .flat()
        .some((path) => FEEDS_THE_TOP.has(path)),
  );
}

const allowedByClaims = new WeakMap<Replayed, Belief>();

/** What all claims alone come to; asked by every heat of a day. */
function claimedAlone(replayed: Replayed): Belief {
  const known = allowedByClaims.get(replayed) ?? replayed.claimedAlone();
  allowedByClaims.set(replayed, known);
  return known;
}

/** May this not be fitted before somebody has read the top? */
export type ReadFirst = (judge: SettingJudge, setting: Setting) => boolean;

/** @returns whether a setting is leaner at the top than the claims alone allow; nothing where the top was read */
export function untilTopIsRead(open: Case, group: Group): ReadFirst | undefined {
  if (open.present.looks.length === 0 || topWasRead(open, group)) return undefined;
  const claimed = beliefsOf(claimedAlone(open.replayed), group.cylinders);
  // One judge serves many settings: what it says by the claims alone is worked out once.
  const byClaims = new WeakMap<SettingJudge, SettingJudge>();
  return (judge, setting) => {
    if (judge.lines(setting).top.shift <= judge.lines(group.fitted).top.shift + NO_LEANER) return false;
    const unseen = byClaims.get(judge) ?? judge.believing(claimed);
    byClaims.set(judge, unseen);
    return !anyChangeIsSafe(unseen.judge(setting));
  };
}

/** @returns the rule for a group of carburettors in one air */
export function safetyRule(open: Case, group: Group, judge: SettingJudge, air: HumidAir): IsSafe {
  return claimHolds(open, group, judge, air) ? claimedIsSafe(group.fitted) : anyChangeIsSafe;
}
