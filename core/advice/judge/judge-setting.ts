/**
 * The posterior mixture error of any setting in one air: mean and sd per zone and cylinder, expected loss, lean risk.
 */
import type { HumidAir } from "../../air/humid-air.ts";
import { LEAN_LIMIT, perZone, type PerZone, type Zone } from "../../carburettor/zones.ts";
import type { Frame } from "../../belief/frame.ts";
import { beliefOver } from "../../belief/layout.ts";
import { zoneMixture } from "../../belief/mixture.ts";
import type { Belief } from "../../belief/unknowns.ts";
import type { Line, MixturePoint } from "../../looks/line.ts";
import type { Build, Setting } from "../../log/schema.ts";
import { dot, quadratic } from "../../numbers/linear.ts";
import { settingFromLog } from "../../rig/from-build.ts";
import { chanceAbove, expectedLoss, zoneWeights, type Spread } from "./loss.ts";

/** Never recommend a setting more likely than this to be past the lean limit at the top. */
export const MOST_LEAN_RISK = 0.05;

/** A zone is right within this error. */
export const TOLERANCE = 0.05;

/** What is right with this chance is left alone. */
export const CONTENT = 0.8;

/** Zones that a hand can put right with a screw, a clip, a jet; just off idle it takes another part. */
export const REACHED_ZONES = ["idle", "mid", "top"] as const satisfies readonly Zone[];
export type ReachedZone = (typeof REACHED_ZONES)[number];

export interface Judged {
  readonly setting: Setting;
  /** of the cylinders together */
  readonly zones: PerZone<Spread>;
  /** chance of each zone to be right: of the worst cylinder where there are several */
  readonly right: PerZone<number>;
  /** expected loss over all zones, the mean of the cylinders' */
  readonly loss: number;
  /** the same over the zones that a hand can put right */
  readonly reachedLoss: number;
  /** chance of being past the lean limit at the top: of the leanest cylinder where there are several */
  readonly leanRisk: number;
  readonly leanest?: number;
}

/** What is believed of the cylinders that are judged. */
export interface Beliefs {
  /** of their mean */
  readonly together: Belief;
  /** of each; one alone is the engine */
  readonly each: readonly { readonly cylinder: number; readonly belief: Belief }[];
}

export interface SettingJudge {
  readonly beliefs: Beliefs;
  readonly weights: PerZone<number>;
  readonly lines: (setting: Setting) => PerZone<MixturePoint>;
  readonly judge: (setting: Setting) => Judged;
  /** the same question asked of other beliefs, for "what if a look said so" */
  readonly believing: (beliefs: Beliefs) => SettingJudge;
}

/** @param cylinders - counted from 1 */
export function beliefsOf(joint: Belief, cylinders: readonly number[]): Beliefs {
  const each = cylinders.map((cylinder) => ({ cylinder, belief: beliefOver(joint, [cylinder - 1]) }));
  const [only] = each;
  const together =
    only && each.length === 1
      ? only.belief
      : beliefOver(
          joint,
          cylinders.map((cylinder) => cylinder - 1),
        );
  return { together, each };
}

export function spreadOf(belief: Belief, { shift, row }: Line): Spread {
  const variance = quadratic(belief.covariance, row);
  return { mean: shift + dot(row, belief.mean), sd: Math.sqrt(Math.max(variance, 1e-12)) };
}

/** @returns chance that a zone is within tolerance */
export function chanceRight(spread: Spread): number {
  return chanceAbove(-TOLERANCE, spread) - chanceAbove(TOLERANCE, spread);
}

export const settingKey = (s: Setting): string =>
  `${s.pilot} ${s.screwTurns} ${s.clip} ${s.main} ${s.shimMm}`;

/** @returns the same, worked out once a setting */
export function memoised<T>(make: (setting: Setting) => T): (setting: Setting) => T {
  const known = new Map<string, T>();
  return (setting) => {
    const key = settingKey(setting);
    const value = known.get(key) ?? make(setting);
    known.set(key, value);
    return value;
  };
}

/** Losses of one cylinder, weighted. */
function weighted(spreads: PerZone<Spread>, weights: PerZone<number>, zones: readonly Zone[]): number {
  return zones.reduce((sum, zone) => sum + weights[zone] * expectedLoss(zone, spreads[zone]), 0);
}

function judged(setting: Setting, at: PerZone<Line>, beliefs: Beliefs, weights: PerZone<number>): Judged {
  const zones = perZone((zone) => spreadOf(beliefs.together, at[zone]));
  const cylinders =
    beliefs.each.length < 2
      ? [{ cylinder: undefined, spreads: zones }]
      : beliefs.each.map(({ cylinder, belief }) => ({
          cylinder,
          spreads: perZone((zone) => spreadOf(belief, at[zone])),
        }));
  const mean = (of: (spreads: PerZone<Spread>) => number) =>
    cylinders.reduce((sum, { spreads }) => sum + of(spreads), 0) / cylinders.length;
  const risks = cylinders.map(({ cylinder, spreads }) => ({
    cylinder,
    risk: chanceAbove(LEAN_LIMIT.top, spreads.top),
  }));
  const worst = risks.reduce((a, b) => (b.risk > a.risk ? b : a));
  const reachedLoss = mean((spreads) => weighted(spreads, weights, REACHED_ZONES));
  return {
    setting,
    zones,
    right: perZone((zone) => Math.min(...cylinders.map(({ spreads }) => chanceRight(spreads[zone])))),
    reachedLoss,
    loss: reachedLoss + mean((spreads) => weighted(spreads, weights, ["low"])),
    leanRisk: worst.risk,
    ...(worst.cylinder !== undefined && { leanest: worst.cylinder }),
  };
}

/**
 * @param build - as one carburettor sees it
 * @throws {RangeError} if the build's usage is empty
 */
export function settingJudge(frame: Frame, build: Build, beliefs: Beliefs, air: HumidAir): SettingJudge {
  const mixture = zoneMixture(frame, build, air);
  const weights = zoneWeights(build.usage);
  const lines = memoised((setting) => mixture(settingFromLog(setting)));
  const believing = (believed: Beliefs): SettingJudge => ({
    beliefs: believed,
    weights,
    lines,
    judge: memoised((setting) => judged(setting, lines(setting), believed, weights)),
    believing,
  });
  return believing(beliefs);
}
