/** A trial on paper: the effect of another setting, part, air or fuel against the fitted one. */
import { powerLeft } from "../../air/air-worth.ts";
import { humidAir } from "../../air/humid-air.ts";
import { reopen } from "../../belief/passing-time.ts";
import { perZone, ZONES, type PerZone, type Zone } from "../../carburettor/zones.ts";
import { changedPaths, reopenedByPaths } from "../../log/corrections.ts";
import type { Setting } from "../../log/schema.ts";
import type { TrialAsked } from "../../log/trial-asked.ts";
import { checkSettingOn } from "../../rig/check-setting.ts";
import { triedBuild } from "../../rig/tried-build.ts";
import { airOf, groupOf, judgeOf, type Case } from "./case.ts";
import { chanceCheaper } from "./chances.ts";
import { beliefsOf, settingJudge } from "./judge-setting.ts";
import { safetyRule } from "./safety.ts";
import { stripCurve, type StripPoint } from "./strip-curve.ts";
import { zoneAdvice, type ZoneAdvice } from "./zone-advice.ts";

export interface Trial {
  readonly setting: Setting;
  readonly fitted: Setting;
  readonly strip: readonly StripPoint[];
  readonly zones: readonly ZoneAdvice[];
  /**
   * chance that the engine is better off with it than as it is fitted today, in all zones; where another air or fuel is
   * tried, than with today's setting in that. 0 for what is fitted already
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
  // Another part brings its own doubt with it, as the log will say once it is in.
  const { joint, layout } = open.replayed;
  const doubted = reopen(joint, layout, reopenedByPaths(changedPaths(group.build, build)));
  const judge = settingJudge(group.frame, build, beliefsOf(doubted, group.cylinders), air);
  const elsewhere = asked.air !== undefined || asked.fuel !== undefined;
  const isSafe = safetyRule(open, { ...group, build }, judge, air);
  const judged = judge.judge(setting);
  const before = now.lines(group.fitted);
  const after = judge.lines(setting);
  return {
    setting,
    fitted: group.fitted,
    strip: stripCurve({ ...group, build, fitted: setting }, judge.beliefs.together, air),
    zones: zoneAdvice(judged, group.evidence),
    chanceBetter: chanceCheaper(
      { judge: elsewhere ? judge : now, setting: group.fitted },
      { judge, setting },
      ZONES,
    ),
    moves: perZone((zone: Zone) => after[zone].shift - before[zone].shift),
    leanRisk: judged.leanRisk,
    safe: isSafe(judged),
    powerLeft: powerLeft(air),
  };
}
