/** The expected loss with another part, after it was looked at and the rest set again. */
import type { HumidAir } from "../../air/humid-air.ts";
import type { Belief } from "../../belief/unknowns.ts";
import { perZone, ZONES, type PerZone } from "../../carburettor/zones.ts";
import type { Build, Setting } from "../../log/schema.ts";
import { airOf, groupOf, judgeOf, type Case, type Group } from "../judge/case.ts";
import { chanceCheaper } from "../judge/chances.ts";
import { beliefsOf, settingJudge, type Judged, type SettingJudge } from "../judge/judge-setting.ts";
import { workOf } from "../plan/moves.ts";
import { WORTH_A_MINUTE, type Swap } from "../ride/next-look.ts";
import { bestAtOneStop, planStop, type Plan } from "../plan/plan.ts";
import { questionOf } from "../ride/question.ts";

/** What it moved is read and set again: a look in the middle and one just off idle. */
const MINUTES_TO_LOOK_AGAIN = 14;
/** A part is twenty minutes and more: it must be this likely to help. */
export const LEAST_PART_CHANCE = 0.75;

/** All that parts are weighed against. */
export interface PartQuestion {
  readonly open: Case;
  readonly group: Group;
  readonly judge: SettingJudge;
  readonly air: HumidAir;
  /** what one stop brings without any part */
  readonly plan: Plan;
}

/** @param carburettor - from 0 */
export function partQuestion(open: Case, carburettor: number): PartQuestion {
  const group = groupOf(open, carburettor);
  const air = airOf(open.present.air, group.frame);
  const judge = judgeOf(open, group, air);
  return { open, group, judge, air, plan: planStop(questionOf(open, group, judge, air)) };
}

export interface PartInTheEnd extends Swap {
  /** how each zone moves with the rest as it is fitted, + leaner */
  readonly effect: PerZone<number>;
  /** expected fall of the loss over all zones, its work taken off */
  readonly gain: number;
  /** than what the plan would fit without it, each with the rest set best for it */
  readonly chanceBetter: number;
  readonly card: Judged;
  readonly safe: boolean;
  /** of the machine with the part in it */
  readonly judge: SettingJudge;
}

const costOf = ({ loss, setting }: Judged, fitted: Setting): number => loss + workOf(fitted, setting);

/**
 * The doubt of its own that it brings passes with the next looks, which are part of its work: it is not held against
 * what the part cures.
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
  const work = WORTH_A_MINUTE * (minutes + MINUTES_TO_LOOK_AGAIN);
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
