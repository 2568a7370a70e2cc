/** A setting that nobody has fitted, or another part, air or fuel: what it would do, against what is fitted. */
import { powerLeft } from "../air/air-worth.ts";
import { humidAir } from "../air/humid-air.ts";
import { perZone, type PerZone, type Zone } from "../carburettor/zones.ts";
import type { Setting } from "../log/schema.ts";
import type { TrialAsked } from "../log/trial-asked.ts";
import { checkSettingOn } from "../rig/check-setting.ts";
import { triedBuild } from "../rig/tried-build.ts";
import { airOf, groupOf, judgeOf, type Case } from "./case.ts";
import { chanceBetter } from "./chances.ts";
import { settingJudge } from "./judge-setting.ts";
import { questionOf } from "./question.ts";
import { stripCurve, type StripPoint } from "./strip-curve.ts";
import { zoneAdvice, type ZoneAdvice } from "./zone-advice.ts";

export interface Trial {
  readonly setting: Setting;
  readonly fitted: Setting;
  readonly strip: readonly StripPoint[];
  readonly zones: readonly ZoneAdvice[];
  /**
   * chance that the engine is better off with the setting than with what is fitted, both in what is tried; 0 for what is
   * fitted already
   */
  readonly chanceBetter: number;
  /** how each zone moves against what is fitted today, + leaner */
  readonly moves: PerZone<number>;
  /** chance of being past the lean limit at the top */
  readonly leanRisk: number;
  readonly safe: boolean;
  /** share of rated power that the air leaves */
  readonly powerLeft: number;
}

/** @throws {RangeError} for a setting or part that this machine cannot have, or an air that cannot be */
export function trialOf(open: Case, asked: TrialAsked, carburettor = 0): Trial {
  const { setting } = asked;
  const group = groupOf(open, carburettor);
  const build = triedBuild(group.build, asked);
  checkSettingOn(build, setting);
  const today = airOf(open.present.air, group.frame);
  const air = asked.air ? humidAir(asked.air) : today;
  const now = judgeOf(open, group, today);
  const judge = settingJudge(group.frame, build, now.beliefs, air);
  const { isSafe } = questionOf(open, group, judge, air);
  const judged = judge.judge(setting);
  const before = now.lines(group.fitted);
  const after = judge.lines(setting);
  return {
    setting,
    fitted: group.fitted,
    strip: stripCurve({ ...group, build, fitted: setting }, judge.beliefs.together, air),
    zones: zoneAdvice(judged, group.evidence),
    chanceBetter: chanceBetter(judge, group.fitted, setting),
    moves: perZone((zone: Zone) => after[zone].shift - before[zone].shift),
    leanRisk: judged.leanRisk,
    safe: isSafe(judged),
    powerLeft: powerLeft(air),
  };
}
