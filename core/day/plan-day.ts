/**
 * Plans a day: the setting for each heat that minimises expected loss plus work over all heats. A change comes no
 * sooner than it gains what a reading can show, and what it gains counts for every heat until the next one.
 */
import { groupOf, type Case } from "../advice/judge/case.ts";
import { chanceBetter } from "../advice/judge/chances.ts";
import type { Judged, SettingJudge } from "../advice/judge/judge-setting.ts";
import { LEAST_EFFECT, workOf } from "../advice/plan/moves.ts";
import { LEAST_CHANCE, LEAST_GAIN, linesOf, showsInLooks, type PlanChange } from "../advice/plan/plan.ts";
import type { AirAhead } from "../forecast/air-ahead.ts";
import { changedParts } from "../log/settings.ts";
import type { Heat, Setting } from "../log/schema.ts";
import type { ChangesSchool } from "../log/schools.ts";
import { candidates, stageCost, type Stage } from "./candidates.ts";
import { leastWork } from "./least-work.ts";
import { askedOf, stageOf } from "./stages.ts";

export interface HeatCard {
  readonly heat: Heat;
  readonly air: AirAhead;
  readonly setting: Setting;
  /** what a spanner does before it */
  readonly changes: readonly PlanChange[];
  readonly judged: Judged;
  readonly safe: boolean;
  /** heats that are ridden on this setting from here on, this one among them */
  readonly ridden: number;
  /** loss that these changes save, over this heat and all that are ridden on them; 0 without changes */
  readonly gain: number;
  /** chance that these heats are better off with them; 1 without changes */
  readonly chanceBetter: number;
}

export interface DayPlan {
  readonly fitted: Setting;
  readonly heats: readonly HeatCard[];
  /** settings that were weighed against each other */
  readonly candidates: readonly Setting[];
  /** loss over the day: as planned, with what is fitted now, and with the best of the candidates in every heat */
  readonly loss: { readonly planned: number; readonly asFitted: number; readonly eachHeat: number };
  /** changes of parts over the day */
  readonly changes: { readonly planned: number; readonly eachHeat: number };
}

/** @returns what a spanner does between two settings, part by part */
export const changesBetween = (from: Setting, to: Setting): PlanChange[] =>
  changedParts(from, to).map((part) => ({ part, from: from[part], to: to[part] }));

/**
 * What a stop costs: the work, and as much again as a stop must gain at all. Each line must move its own zone by as much
 * as a reading can show there, and be told apart from the others; one at a time where that is the school.
 * @returns Infinity where nobody would
 */
function stopCost(judge: SettingJudge, changes: ChangesSchool, from: Setting, to: Setting): number {
  const lines = linesOf({ judge, fitted: from }, to);
  const read = lines.every(({ zone, effect }) => Math.abs(effect[zone]) >= LEAST_EFFECT);
  return read && showsInLooks({ judge, changes }, from, to) ? workOf(from, to) + LEAST_GAIN : Infinity;
}

/** @returns the stages from this one on that are ridden on its setting */
function riddenOn(path: readonly unknown[], from: number): number[] {
  const next = path.findIndex((one, i) => i > from && one !== path[from]);
  const until = next === -1 ? path.length : next;
  return Array.from({ length: until - from }, (_, i) => from + i);
}

/** @returns chance that a change helps, the mean of the stages that are ridden on it */
const chanceOver = (stages: readonly Stage[], from: Setting, to: Setting): number =>
  stages.reduce((sum, { judge }) => sum + chanceBetter(judge, from, to), 0) / Math.max(1, stages.length);

/** @returns what a change saves in each of the stages that are ridden on it: what a reading there could show */
function gainOver(stages: readonly Stage[], from: Setting, to: Setting): number {
  const total = stages.reduce((sum, { weight }) => sum + weight, 0);
  return stages.reduce(
    (sum, { judge, weight }) =>
      sum + (weight / total) * (judge.judge(from).reachedLoss - judge.judge(to).reachedLoss),
    0,
  );
}

interface Move {
  readonly stage: number;
  readonly from: number;
  readonly to: number;
}

/** A path may ask for as many changes as there are stages; each that is not worth it is forbidden once. */
const MOST_ROUNDS = 60;

/** @returns the cheapest path over the stages, setting by setting: what is fitted stands first among them */
export function pathOver(
  settings: readonly Setting[],
  stages: readonly Stage[],
  changes: ChangesSchool,
): Setting[] {
  const at = <T>(list: readonly T[], i: number): T => list[i] as T;
  const forbidden = new Set<string>();
  const key = ({ stage, from, to }: Move) => `${stage} ${from} ${to}`;
  const inDanger = (stage: Stage, setting: Setting) => !stage.isSafe(stage.judge.judge(setting));
  const move = (i: number, a: number, b: number): number => {
    const [stage, from, to] = [at(stages, i), at(settings, a), at(settings, b)];
    // Out of danger any way is short enough.
    if (inDanger(stage, from)) return workOf(from, to);
    return forbidden.has(key({ stage: i, from: a, to: b }))
      ? Infinity
      : stopCost(stage.judge, changes, from, to);
  };
  const cost = (stage: number, option: number) =>
    at(stages, stage).weight * stageCost(at(stages, stage), at(settings, option));
  const find = () =>
    leastWork({ stages: stages.length, options: settings.length, start: 0, cost, move }).path;
  const notWorthIt = (path: readonly number[]): Move[] =>
    path.flatMap((to, i): Move[] => {
      const from = path[i - 1] ?? 0;
      if (from === to || inDanger(at(stages, i), at(settings, from))) return [];
      const ridden = riddenOn(path, i).map((j) => at(stages, j));
      const [before, after] = [at(settings, from), at(settings, to)];
      const gain = gainOver(ridden, before, after);
      const worthIt = gain >= LEAST_GAIN && chanceOver(ridden, before, after) >= LEAST_CHANCE;
      return worthIt ? [] : [{ stage: i, from, to }];
    });
  let path = find();
  for (let round = 0; round < MOST_ROUNDS; round += 1) {
    const doubtful = notWorthIt(path);
    if (doubtful.length === 0) break;
    doubtful.forEach((one) => forbidden.add(key(one)));
    path = find();
  }
  return path.map((option) => at(settings, option));
}

/**
 * @param heats - in the order of the day, one at least
 * @param airAt - the air at a moment
 * @throws {RangeError} for no heats
 */
export function planDay(
  open: Case,
  heats: readonly Heat[],
  airAt: (ms: number) => AirAhead,
  carburettor = 0,
): DayPlan {
  const group = groupOf(open, carburettor);
  const mean = heats.reduce((sum, { minutes }) => sum + minutes, 0) / Math.max(1, heats.length);
  const airs = heats.map(({ at, minutes }) => airAt(Date.parse(at) + minutes * 30_000));
  const [first] = airs;
  if (!first) throw new RangeError("a day must have heats, got none");
  const stages = airs.map((air, i) => stageOf(open, group, air, (heats[i]?.minutes ?? mean) / mean));
  const asked = askedOf(open, group, stages, first);
  const settings = candidates(asked, stages, "byChance");
  const path = pathOver(settings, stages, asked.changes);
  const { fitted } = group;
  const lossOn = (setting: Setting, i: number): number =>
    (stages[i]?.weight ?? 1) * (stages[i]?.judge.judge(setting).reachedLoss ?? 0);
  const own = stages.map((stage) =>
    settings.reduce((a, b) => (stageCost(stage, b) < stageCost(stage, a) ? b : a), fitted),
  );
  const sum = (of: (i: number) => number) => stages.reduce((total, _, i) => total + of(i), 0);
  const changesAlong = (settings: readonly Setting[]) =>
    settings.reduce((count, to, i) => count + changedParts(settings[i - 1] ?? fitted, to).length, 0);
  const cards = heats.map((heat, i): HeatCard => {
    const [stage, setting, air] = [stages[i] as Stage, path[i] as Setting, airs[i] as AirAhead];
    const before = path[i - 1] ?? fitted;
    const changes = changesBetween(before, setting);
    const ridden = riddenOn(path, i);
    const judged = stage.judge.judge(setting);
    return {
      heat,
      air,
      setting,
      changes,
      judged,
      safe: stage.isSafe(judged),
      ridden: ridden.length,
      gain:
        changes.length === 0
          ? 0
          : ridden.reduce((gained, j) => gained + lossOn(before, j) - lossOn(setting, j), 0),
      chanceBetter:
        changes.length === 0
          ? 1
          : chanceOver(
              ridden.map((j) => stages[j] as Stage),
              before,
              setting,
            ),
    };
  });
  return {
    fitted,
    heats: cards,
    candidates: settings,
    loss: {
      planned: sum((i) => lossOn(path[i] as Setting, i)),
      asFitted: sum((i) => lossOn(fitted, i)),
      eachHeat: sum((i) => lossOn(own[i] as Setting, i)),
    },
    changes: { planned: changesAlong(path), eachHeat: changesAlong(own) },
  };
}
