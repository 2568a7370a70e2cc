/**
 * Parts that lie in the box and are swapped, not set: what each would do along the throttle, and whether one of them
 * cures what no jet, groove or screw reaches. Its own trim is doubted anew, as the log will do once it is in.
 */
import type { HumidAir } from "../air/humid-air.ts";
import { reopen } from "../belief/passing-time.ts";
import type { Belief } from "../belief/unknowns.ts";
import { perZone, ZONES, type PerZone, type Zone } from "../carburettor/zones.ts";
import { changedPaths, reopenedByPaths } from "../log/corrections.ts";
import type { BenchPart } from "../log/part-schema.ts";
import type { Build, Setting } from "../log/schema.ts";
import { isFitted, PART_MINUTES, withPart } from "../rig/bench-part.ts";
import { checkCarburettor } from "../rig/check-build.ts";
import { airOf, groupOf, judgeOf, type Case, type Group } from "./case.ts";
import { chanceCheaper } from "./chances.ts";
import { beliefsOf, settingJudge, type Judged, type SettingJudge } from "./judge-setting.ts";
import { workOf } from "./moves.ts";
import { bestAtOneStop, LEAST_GAIN, planStop, type Plan } from "./plan.ts";
import { questionOf } from "./question.ts";
import { stripCurve, type StripPoint } from "./strip-curve.ts";
import { zoneAdvice, type ZoneAdvice } from "./zone-advice.ts";

/** What a minute of work must save, as that of a look. */
const COST_OF_A_MINUTE = 0.006;
/** What it moved is read and set again: a look in the middle and one just off idle. */
const MINUTES_TO_LOOK_AGAIN = 14;
/** A part is twenty minutes and more: it must be this likely to help. */
export const LEAST_PART_CHANCE = 0.75;

/** A part on paper, the rest set best for it, against what the plan would fit without it. */
export interface PartJudged {
  /** how each zone moves with the rest as it is fitted, + leaner */
  readonly effect: PerZone<number>;
  readonly setting: Setting;
  readonly zones: readonly ZoneAdvice[];
  /** expected fall of the loss over all zones once it is set again, its work taken off */
  readonly gain: number;
  readonly chanceBetter: number;
  readonly safe: boolean;
}

export type PartTried = {
  readonly part: BenchPart;
  readonly minutes: number;
} & (
  | { readonly state: "fitted" }
  /** it cannot be in this carburettor, and why */
  | { readonly state: "impossible"; readonly why: string }
  | ({ readonly state: "tried"; readonly strip: readonly StripPoint[] } & PartJudged)
);

/** A part that could be swapped, as a screen shows it and as the worth of a look asks it. */
interface Considered {
  readonly shown: PartTried;
  readonly swap?: Swap;
}

/** A part as the worth of a look sees it: what it would cost if one knew more. */
export interface Swap {
  /** its gain, were all of the engine believed that is given */
  readonly gainIf: (joint: Belief) => number;
}

/** All that parts are weighed against. */
export interface PartQuestion {
  readonly open: Case;
  readonly group: Group;
  readonly judge: SettingJudge;
  readonly air: HumidAir;
  /** what one stop brings without any part */
  readonly plan: Plan;
}

export function partQuestion(open: Case, carburettor: number): PartQuestion {
  const group = groupOf(open, carburettor);
  const air = airOf(open.present.air, group.frame);
  const judge = judgeOf(open, group, air);
  return { open, group, judge, air, plan: planStop(questionOf(open, group, judge, air)) };
}

const costOf = ({ loss, setting }: Judged, fitted: Setting): number => loss + workOf(fitted, setting);

/** What a part would come to once it has been looked at and set again. */
export interface PartInTheEnd extends Swap {
  readonly effect: PerZone<number>;
  readonly gain: number;
  readonly chanceBetter: number;
  readonly card: Judged;
  readonly safe: boolean;
  readonly judge: SettingJudge;
}

/**
 * Its own doubt passes with the next looks, which are part of its work: it is not held against what the part cures.
 * @param build - the machine with the part in it, as this carburettor sees it
 * @param minutes - that the part takes
 * @throws {RangeError} if it cannot be with what is fitted
 */
export function partInTheEnd(
  { open, group, judge, air, plan }: PartQuestion,
  build: Build,
  minutes: number,
): PartInTheEnd {
  const { fitted, cylinders } = group;
  const { joint } = open.replayed;
  const settled = settingJudge(group.frame, build, beliefsOf(joint, cylinders), air);
  const question = questionOf(open, { ...group, build }, settled, air);
  const card = bestAtOneStop(question);
  const work = COST_OF_A_MINUTE * (minutes + MINUTES_TO_LOOK_AGAIN);
  const gainIf = (known: Belief): number => {
    const beliefs = beliefsOf(known, cylinders);
    const stays = judge.believing(beliefs).judge(plan.card.setting);
    const swapped = settled.believing(beliefs).judge(card.setting);
    return costOf(stays, fitted) - costOf(swapped, fitted) - work;
  };
  const [before, after] = [judge.lines(fitted), settled.lines(fitted)];
  return {
    gainIf,
    effect: perZone((zone) => after[zone].shift - before[zone].shift),
    gain: gainIf(joint),
    chanceBetter: chanceCheaper(
      { judge, setting: plan.card.setting },
      { judge: settled, setting: card.setting },
      ZONES,
    ),
    card,
    safe: question.isSafe(card),
    judge: settled,
  };
}

/** The same as it would be judged on the day it goes in, with its doubt: what to set then, and whether that is safe. */
function onTheDay({ open, group, air }: PartQuestion, build: Build, { judge }: PartInTheEnd) {
  const { joint, layout } = open.replayed;
  const reopens = reopenedByPaths(changedPaths(group.build, build));
  const then = judge.believing(beliefsOf(reopen(joint, layout, reopens), group.cylinders));
  const tried: Group = { ...group, build };
  const question = questionOf(open, tried, then, air);
  const best = bestAtOneStop(question);
  return {
    setting: best.setting,
    zones: zoneAdvice(best, group.evidence),
    safe: question.isSafe(best),
    strip: stripCurve({ ...tried, fitted: best.setting }, then.beliefs.together, air),
  };
}

function consider(question: PartQuestion, part: BenchPart): Considered {
  const minutes = PART_MINUTES[part.kind];
  const { build } = question.group;
  if (isFitted(build, part)) return { shown: { part, minutes, state: "fitted" } };
  try {
    const other = withPart(build, part);
    checkCarburettor(other, 0);
    const inTheEnd = partInTheEnd(question, other, minutes);
    const { effect, gain, chanceBetter, gainIf } = inTheEnd;
    const shown = { part, minutes, state: "tried", effect, gain, chanceBetter } as const;
    return { shown: { ...shown, ...onTheDay(question, other, inTheEnd) }, swap: { gainIf } };
  } catch (error) {
    if (error instanceof RangeError)
      return { shown: { part, minutes, state: "impossible", why: error.message } };
    throw error;
  }
}

const considered = (question: PartQuestion): Considered[] =>
  (question.group.build.box.parts ?? []).map((part) => consider(question, part));

/** @returns what each part of the box would do here, in the box's order */
export const partsOnBench = (question: PartQuestion): PartTried[] =>
  considered(question).map(({ shown }) => shown);

export type PartStep = Extract<PartTried, { state: "tried" }> & {
  /** where it cures most */
  readonly zone: Zone;
};

/** The zone whose chance of being right grows most. */
function zoneCured({ judge, plan }: PartQuestion, zones: readonly ZoneAdvice[]): Zone {
  const before = judge.judge(plan.card.setting).right;
  const grown = ({ zone, pRight }: ZoneAdvice) => pRight - before[zone];
  return zones.reduce((most, one) => (grown(one) > grown(most) ? one : most)).zone;
}

/** What the next step asks of the parts: those that could be swapped, and the one most worth its work. */
export interface PartsToSwap {
  readonly swaps: readonly Swap[];
  /** only where one surely enough is */
  readonly worthIt: PartStep | undefined;
}

export function partsToSwap(question: PartQuestion): PartsToSwap {
  const all = considered(question);
  const [best] = all
    .flatMap(({ shown }) => (shown.state === "tried" ? [shown] : []))
    .filter(({ gain, chanceBetter, safe }) => safe && gain >= LEAST_GAIN && chanceBetter >= LEAST_PART_CHANCE)
    .sort((a, b) => b.gain - a.gain);
  return {
    swaps: all.flatMap(({ swap }) => swap ?? []),
    worthIt: best && { ...best, zone: zoneCured(question, best.zones) },
  };
}
