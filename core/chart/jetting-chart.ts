/**
 * The jetting chart: for each air the setting to fit. Cells are walked by density, and a setting is kept as long as the
 * plan for that air would change nothing about it; then the plan is followed until it does not. So each cell's setting is
 * one that the card leaves alone there, and neighbours share theirs.
 */
import { humidAir, type AirState, type HumidAir } from "../air/humid-air.ts";
import { groupOf, judgeOf, type Case, type Group } from "../advice/judge/case.ts";
import { REACHED_ZONES, settingKey } from "../advice/judge/judge-setting.ts";
import { anyChangeIsSafe } from "../advice/judge/safety.ts";
import { toBuy } from "../advice/parts/to-buy.ts";
import { choices, lockedParts } from "../advice/plan/choices.ts";
import { screwStep } from "../advice/plan/moves.ts";
import { planStop, type Plan, type PlanQuestion } from "../advice/plan/plan.ts";
import { readFirstOf } from "../advice/ride/question.ts";
import { dayOf, type Setting } from "../log/schema.ts";
import { humidAirFromLog } from "../rig/from-build.ts";
import { requireRange } from "../units/guard.ts";

export interface ChartCell {
  readonly setting: Setting;
  readonly dryDensityKgM3: number;
  /** chance that idle, middle and full throttle are right, of the least certain of the three */
  readonly right: number;
  /** of being past the lean limit at full throttle */
  readonly leanRisk: number;
  readonly safe: boolean;
  /** the main jet that would make it safe, where the box has none */
  readonly buyMain?: number;
}

/** What a chart rests on. */
export interface ChartGround {
  readonly fitted: Setting;
  /** the setting is nothing but a guess: there is no chart */
  readonly guess: boolean;
  readonly looks: number;
  readonly days: number;
  /** dry densities that were ridden in: what the looks were taken in, and what a setting was called right in */
  readonly ridden: readonly number[];
  /** where the walks begin: today's air, or else one that the setting is known in */
  readonly fromKgM3: number;
  /** today's air, the newest that was read */
  readonly today: (AirState & { readonly dryDensityKgM3: number }) | undefined;
}

/** A plan that follows a plan; more than this is no plan. */
const MOST_STOPS = 8;

/** What the plan for an air is asked, with nothing of today in it: no waiver of a claim, no idle that was benched. */
function questionIn(open: Case, group: Group, air: HumidAir, fitted: Setting): PlanQuestion {
  const judge = judgeOf(open, group, air);
  const { build } = group;
  const { changes, order } = open.present.schools;
  return {
    judge,
    build,
    fitted,
    options: choices(build, fitted, lockedParts(build), screwStep(judge, fitted)),
    isSafe: anyChangeIsSafe,
    readFirst: readFirstOf(open, group),
    changes,
    order,
  };
}

interface Settled {
  readonly fitted: Setting;
  readonly question: PlanQuestion;
  readonly plan: Plan;
}

/** Follows the plan until it changes nothing. @returns the last plan, whose card is what it began with */
function settled(open: Case, group: Group, air: HumidAir, from: Setting): Settled {
  const seen = new Set<string>();
  let fitted = from;
  for (let stop = 0; ; stop += 1) {
    const question = questionIn(open, group, air, fitted);
    const plan = planStop(question);
    const stays = plan.lines.length === 0 || stop === MOST_STOPS || seen.has(settingKey(plan.card.setting));
    if (stays) return { fitted, question, plan };
    seen.add(settingKey(fitted));
    fitted = plan.card.setting;
  }
}

/**
 * @param airs - in the order of the walk, see {@link ChartAsked}
 * @param from - what is fitted on the way into the first of them
 * @returns a cell for each air, in order
 * @throws {RangeError} for an air that cannot be
 */
export function chartCells(
  open: Case,
  airs: readonly AirState[],
  from: Setting | undefined,
  carburettor = 0,
): ChartCell[] {
  const group = groupOf(open, carburettor);
  let fitted = from ?? group.fitted;
  return airs.map((state): ChartCell => {
    const air = humidAir(state);
    const found = settled(open, group, air, fitted);
    fitted = found.fitted;
    const judged = found.question.judge.judge(fitted);
    const safe = anyChangeIsSafe(judged);
    const buy = safe ? undefined : toBuy(found.question, found.plan).find(({ part }) => part === "main");
    return {
      setting: fitted,
      dryDensityKgM3: air.dryDensityKgM3,
      right: Math.min(...REACHED_ZONES.map((zone) => judged.right[zone])),
      leanRisk: judged.leanRisk,
      safe,
      ...(buy && { buyMain: buy.number }),
    };
  });
}

/** @returns what a chart of this rig would rest on */
export function chartGround(open: Case, carburettor = 0): ChartGround {
  const { present, replayed } = open;
  const group = groupOf(open, carburettor);
  const claimed = replayed.claims.filter(({ how }) => how !== "guess");
  const looked = REACHED_ZONES.every((zone) => group.evidence.some((one) => one.zone === zone));
  const claimAirs = claimed.map(({ air }) => (air ?? group.frame.air).dryDensityKgM3);
  const lookAirs = present.looks.flatMap(({ air }) => (air ? [humidAirFromLog(air).dryDensityKgM3] : []));
  const today = present.air && humidAirFromLog(present.air);
  const ridden = [...new Set([...claimAirs, ...lookAirs])].sort((a, b) => a - b);
  return {
    fitted: group.fitted,
    guess: claimed.length === 0 && !looked,
    looks: present.looks.length,
    days: new Set(present.looks.map(({ entry }) => dayOf(entry.at))).size,
    ridden,
    fromKgM3: (today ?? group.frame.air).dryDensityKgM3,
    today,
  };
}

/** Air within this share of one that was ridden is the same air. */
const SAME_AIR = 0.02;

/** @returns whether air of this density was ridden in, or nearly */
export function wasRidden(ridden: readonly number[], dryDensityKgM3: number): boolean {
  requireRange("dry density", dryDensityKgM3, 0.3, 2, "kg/m³");
  return ridden.some((one) => Math.abs(one / dryDensityKgM3 - 1) <= SAME_AIR);
}
