/** A setting that nobody has fitted: what it would do along the throttle, against what is fitted. */
import type { PerZone } from "../carburettor/zones.ts";
import type { Setting } from "../log/schema.ts";
import { checkSettingOn } from "../rig/check-setting.ts";
import { airOf, groupOf, judgeOf, type Case } from "./case.ts";
import { chanceBetter } from "./chances.ts";
import { questionOf } from "./question.ts";
import { stripCurve, type StripPoint } from "./strip-curve.ts";
import { zoneAdvice, type ZoneAdvice } from "./zone-advice.ts";

export interface Trial {
  readonly setting: Setting;
  readonly fitted: Setting;
  readonly strip: readonly StripPoint[];
  readonly zones: readonly ZoneAdvice[];
  /** chance that the engine is better off with it; 0 for what is fitted already */
  readonly chanceBetter: number;
  /** how each zone moves against what is fitted, + leaner */
  readonly moves: PerZone<number>;
  /** chance of being past the lean limit at the top */
  readonly leanRisk: number;
  readonly safe: boolean;
}

/** @throws {RangeError} for a setting that this machine cannot have */
export function trialOf(open: Case, setting: Setting, carburettor = 0): Trial {
  const group = groupOf(open, carburettor);
  checkSettingOn(group.build, setting);
  const air = airOf(open.present.air, group.frame);
  const judge = judgeOf(open, group, air);
  const { isSafe } = questionOf(open, group, judge, air);
  const judged = judge.judge(setting);
  const before = judge.lines(group.fitted);
  const after = judge.lines(setting);
  const move = (zone: keyof PerZone<number>) => after[zone].shift - before[zone].shift;
  return {
    setting,
    fitted: group.fitted,
    strip: stripCurve({ ...group, fitted: setting }, judge.beliefs.together, air),
    zones: zoneAdvice(judged, group.evidence),
    chanceBetter: chanceBetter(judge, group.fitted, setting),
    moves: { idle: move("idle"), low: move("low"), mid: move("mid"), top: move("top") },
    leanRisk: judged.leanRisk,
    safe: isSafe(judged),
  };
}
