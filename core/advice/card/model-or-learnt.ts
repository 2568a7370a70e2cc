/** How much of each zone’s mixture comes from the model alone and how much from this engine’s own looks. */
import { ZONES, type Zone } from "../../carburettor/zones.ts";
import { PARTS, type Part } from "../../log/parts.ts";
import { airOf, groupOf, judgeOf, type Case, type Group } from "../judge/case.ts";
import { beliefsOf, type SettingJudge } from "../judge/judge-setting.ts";
import { planStop } from "../plan/plan.ts";
import { questionOf } from "../ride/question.ts";

export interface ZoneShare {
  readonly zone: Zone;
  /** of what is fitted, by its measures and today's air alone; + lean */
  readonly physics: number;
  /** what this engine's own history adds to that */
  readonly learnt: number;
}

export interface PartShare {
  readonly part: Part;
  /** what was right in the air of the baseline */
  readonly baseline: number;
  /** what that asks for in today's air, if nothing had been seen here */
  readonly physics: number;
  /** the same with all that was seen */
  readonly engine: number;
}

export interface ModelOrLearnt {
  readonly zones: readonly ZoneShare[];
  /** parts that any of the three would set otherwise, or that are commonly set */
  readonly parts: readonly PartShare[];
}

/** @returns both shares, by zone as it is fitted and by part from the baseline on */
export function modelOrLearnt(open: Case, carburettor = 0): ModelOrLearnt {
  const group = groupOf(open, carburettor);
  const air = airOf(open.present.air, group.frame);
  const judge = judgeOf(open, group, air);
  const unseen = judge.believing(beliefsOf(open.replayed.claimedAlone(), group.cylinders));
  const now = judge.judge(group.fitted).zones;
  const before = unseen.judge(group.fitted).zones;
  const baseline = group.build.baseline.setting;
  // From the same start, with the same box: what differs is what was seen.
  const cardOf = (asked: SettingJudge, evidence: Group["evidence"]) =>
    planStop({
      ...questionOf(open, { ...group, fitted: baseline, evidence }, asked, air),
      changes: "toldApart",
    }).card.setting;
  const physics = cardOf(unseen, []);
  const engine = cardOf(judge, group.evidence);
  return {
    zones: ZONES.map((zone) => ({
      zone,
      physics: before[zone].mean,
      learnt: now[zone].mean - before[zone].mean,
    })),
    parts: PARTS.map((part) => ({
      part,
      baseline: baseline[part],
      physics: physics[part],
      engine: engine[part],
    })).filter(({ part, ...values }) => part !== "shimMm" || new Set(Object.values(values)).size > 1),
  };
}
