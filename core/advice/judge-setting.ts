/** What is believed about any setting in one air: spread per zone, loss, danger. */
import type { Model } from "../carburettor/model.ts";
import { LEAN_LIMIT, ZONES, type PerZone } from "../carburettor/zones.ts";
import { zoneMixture, type Line, type MixturePoint } from "../belief/mixture.ts";
import type { Belief } from "../belief/unknowns.ts";
import type { HumidAir } from "../air/humid-air.ts";
import type { Build, Setting } from "../log/schema.ts";
import { dot, times } from "../numbers/linear.ts";
import { settingFromLog } from "../rig/from-build.ts";
import { chanceAbove, expectedLoss, usageShares, type Spread } from "./loss.ts";

/** Never recommend a setting more likely than this to be past the lean limit at the top. */
export const MOST_LEAN_RISK = 0.05;

/** A zone is right within this error. */
export const TOLERANCE = 0.05;

/** A zone that is right with this chance is left alone. */
export const CONTENT = 0.8;

/** What is believed of one cylinder (from 1) of several. */
export interface CylinderBelief {
  readonly cylinder: number;
  readonly belief: Belief;
}

export interface Judged {
  readonly setting: Setting;
  readonly zones: PerZone<Spread>;
  /** expected loss, weighted by how the machine is used */
  readonly loss: number;
  /** chance of being past the lean limit at the top: of the leanest cylinder where there are several */
  readonly leanRisk: number;
  readonly leanest?: number;
}

export interface SettingJudge {
  readonly belief: Belief;
  readonly shares: PerZone<number>;
  readonly lines: (setting: Setting) => PerZone<MixturePoint>;
  readonly judge: (setting: Setting) => Judged;
  /** the same question asked of another belief, for "what if a look said so" */
  readonly judgeWith: (belief: Belief, setting: Setting) => Judged;
}

export function spreadOf(belief: Belief, { shift, row }: Line): Spread {
  const variance = dot(row, times(belief.covariance, row));
  return { mean: shift + dot(row, belief.mean), sd: Math.sqrt(Math.max(variance, 1e-12)) };
}

/** @returns chance that a zone is within tolerance */
export function chanceRight(spread: Spread): number {
  return chanceAbove(-TOLERANCE, spread) - chanceAbove(TOLERANCE, spread);
}

const keyOf = (s: Setting): string => `${s.pilot}|${s.screwTurns}|${s.clip}|${s.main}|${s.shimMm}`;

function memoised<T>(make: (setting: Setting) => T): (setting: Setting) => T {
  const known = new Map<string, T>();
  return (setting) => {
    const key = keyOf(setting);
    const value = known.get(key) ?? make(setting);
    known.set(key, value);
    return value;
  };
}

/**
 * @param belief - of the cylinders together, one setting for all of them
 * @param cylinders - each of them, where there are several: the leanest one sets the danger
 * @throws {RangeError} if the build's usage is empty
 */
export function settingJudge(
  model: Model,
  belief: Belief,
  air: HumidAir,
  usage: Build["usage"],
  cylinders: readonly CylinderBelief[] = [],
): SettingJudge {
  const mixture = zoneMixture(model, air);
  const shares = usageShares(usage);
  const lines = memoised((setting) => mixture(settingFromLog(setting)));
  const leanRiskOf = (believed: Belief, setting: Setting) =>
    chanceAbove(LEAN_LIMIT.top, spreadOf(believed, lines(setting).top));
  const judge = (setting: Setting): Judged => {
    const together = judgeWith(belief, setting);
    return cylinders.reduce((worst: Judged, { cylinder, belief: own }) => {
      const leanRisk = leanRiskOf(own, setting);
      return leanRisk > worst.leanRisk ? { ...worst, leanRisk, leanest: cylinder } : worst;
    }, together);
  };
  const judgeWith = (believed: Belief, setting: Setting): Judged => {
    const at = lines(setting);
    const zones = {
      idle: spreadOf(believed, at.idle),
      low: spreadOf(believed, at.low),
      mid: spreadOf(believed, at.mid),
      top: spreadOf(believed, at.top),
    };
    return {
      setting,
      zones,
      loss: ZONES.reduce((sum, zone) => sum + shares[zone] * expectedLoss(zone, zones[zone]), 0),
      leanRisk: chanceAbove(LEAN_LIMIT.top, zones.top),
    };
  };
  return { belief, shares, lines, judgeWith, judge: memoised(judge) };
}
