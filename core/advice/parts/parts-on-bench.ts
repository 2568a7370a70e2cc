/** Parts in the box that are swapped, not set: their effect along the throttle on the day they go in. */
import { reopen } from "../../belief/passing-time.ts";
import type { PerZone } from "../../carburettor/zones.ts";
import { changedPaths, reopenedByPaths } from "../../log/corrections.ts";
import type { BenchPart } from "../../log/part-schema.ts";
import type { Build, Setting } from "../../log/schema.ts";
import { isFitted, PART_MINUTES, withPart } from "../../rig/bench-part.ts";
import { checkCarburettor } from "../../rig/check-build.ts";
import type { Group } from "../judge/case.ts";
import { beliefsOf } from "../judge/judge-setting.ts";
import { partInTheEnd, type PartInTheEnd, type PartQuestion } from "./part-in-the-end.ts";
import { bestAtOneStop } from "../plan/plan.ts";
import { questionOf } from "../ride/question.ts";
import { stripCurve, type StripPoint } from "../judge/strip-curve.ts";
import { zoneAdvice, type ZoneAdvice } from "../judge/zone-advice.ts";

export type PartTried = {
  readonly part: BenchPart;
  readonly minutes: number;
} & (
  | { readonly state: "fitted" }
  /** it cannot be in this carburettor, and why */
  | { readonly state: "impossible"; readonly why: string }
  | {
      readonly state: "tried";
      /** how each zone moves with the rest as it is fitted, + leaner */
      readonly effect: PerZone<number>;
      /** see {@link PartInTheEnd} */
      readonly gain: number;
      readonly chanceBetter: number;
      /** what the rest would be set to on the day, with the doubt that another part brings */
      readonly setting: Setting;
      readonly zones: readonly ZoneAdvice[];
      readonly strip: readonly StripPoint[];
      readonly safe: boolean;
    }
);

/**
 * @param build - as this carburettor sees it
 * @returns the machine with the part in it
 * @throws {RangeError} if no such machine can be
 */
export function buildWithPart(build: Build, part: BenchPart): Build {
  const other = withPart(build, part);
  checkCarburettor(other, 0);
  return other;
}

/** The part's own path is doubted anew on the day it goes in, as the log will have it. */
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

/** @returns what a part would do here, whether it is in already, or why it cannot be */
export function tryPart(question: PartQuestion, part: BenchPart): PartTried {
  const minutes = PART_MINUTES[part.kind];
  const { build } = question.group;
  if (isFitted(build, part)) return { part, minutes, state: "fitted" };
  try {
    const other = buildWithPart(build, part);
    const inTheEnd = partInTheEnd(question, other, minutes);
    const { effect, gain, chanceBetter } = inTheEnd;
    return {
      part,
      minutes,
      state: "tried",
      effect,
      gain,
      chanceBetter,
      ...onTheDay(question, other, inTheEnd),
    };
  } catch (error) {
    if (error instanceof RangeError) return { part, minutes, state: "impossible", why: error.message };
    throw error;
  }
}

/** @returns what each part of the box would do here, in the box's order */
export const partsOnBench = (question: PartQuestion): PartTried[] =>
  (question.group.build.box.parts ?? []).map((part) => tryPart(question, part));
