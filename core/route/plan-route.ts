/**
 * Best single setting for a route, and the best stops to change. The way is cut into stretches of equal time; each
 * is asked at its bottom, middle and top, and no height of it may be past the lean limit.
 */
import { groupOf, judgeOf, type Case } from "../advice/judge/case.ts";
import { judgeOver } from "../advice/judge/judge-over.ts";
import type { Judged } from "../advice/judge/judge-setting.ts";
import { planStop, safeUnread, type PlanChange } from "../advice/plan/plan.ts";
import { questionOf } from "../advice/ride/question.ts";
import { stripCurve, type StripPoint } from "../advice/judge/strip-curve.ts";
import { candidates, overAll, type Stage } from "../day/candidates.ts";
import { changesBetween, pathOver } from "../day/plan-day.ts";
import { askedOf } from "../day/stages.ts";
import type { AirAhead } from "../forecast/air-ahead.ts";
import type { RouteEntry, Setting } from "../log/schema.ts";

export interface Stretch {
  readonly fromM: number;
  readonly toM: number;
  readonly lowM: number;
  readonly highM: number;
  readonly seconds: number;
}

export interface Height {
  readonly elevationM: number;
  readonly air: AirAhead;
  readonly strip: readonly StripPoint[];
  readonly judged: Judged;
}

export interface RouteStop {
  readonly alongM: number;
  readonly elevationM: number;
  readonly changes: readonly PlanChange[];
  /** loss saved on the rest of the way, or until the next stop */
  readonly gain: number;
}

export interface RoutePlan {
  readonly fitted: Setting;
  readonly stretches: readonly Stretch[];
  /** the one setting for all of it */
  readonly setting: Setting;
  readonly changes: readonly PlanChange[];
  readonly chanceBetter: number;
  /** nowhere along the way too likely past the lean limit */
  readonly safe: boolean;
  readonly leanRisk: number;
  /** bottom, middle, top with that setting */
  readonly heights: readonly [Height, Height, Height];
  /** changes on the way; the first may be at the start */
  readonly stops: readonly RouteStop[];
  readonly loss: { readonly asFitted: number; readonly oneSetting: number; readonly withStops: number };
}

const STRETCHES = 16;
/** Of a stretch its lowest and its highest count less than what lies between. */
const ENDS_WEIGHT = 1;
const MIDDLE_WEIGHT = 2;

type Points = RouteEntry["points"];

/** @returns stretches of equal time, each with the heights it runs through; a way that stands still has one */
export function stretchesOf(points: Points): Stretch[] {
  const total = points.at(-1)?.seconds ?? 0;
  const count = total > 0 ? Math.min(STRETCHES, points.length - 1) : 1;
  const found = Array.from({ length: count }, (_, i): Stretch | undefined => {
    const [from, to] = [(i * total) / count, ((i + 1) * total) / count];
    const inside = points.filter(({ seconds }) => seconds >= from && seconds <= to);
    const before = points.findLast(({ seconds }) => seconds <= from) ?? points[0];
    const after = points.find(({ seconds }) => seconds >= to) ?? points.at(-1);
    const all = inside.length > 0 ? inside : [before, after].filter((point) => point !== undefined);
    const [first, last] = [all[0], all.at(-1)];
    if (!first || !last) return undefined;
    const heights = all.map(({ elevationM }) => elevationM);
    return {
      fromM: first.alongM,
      toM: last.alongM,
      lowM: Math.min(...heights),
      highM: Math.max(...heights),
      seconds: to - from,
    };
  });
  return found.filter((stretch) => stretch !== undefined);
}

type AirAlong = (ms: number, elevationM: number) => AirAhead;

/**
 * @param airAt - the air at a moment and height
 * @throws {RangeError} for a way without points
 */
export function planRoute(
  open: Case,
  { points, startAt }: Pick<RouteEntry, "points" | "startAt">,
  airAt: AirAlong,
  carburettor = 0,
): RoutePlan {
  const group = groupOf(open, carburettor);
  const stretches = stretchesOf(points);
  const start = Date.parse(startAt);
  let passed = 0;
  const weights = stretches.map(({ seconds }) => Math.max(1, seconds));
  const total = weights.reduce((sum, weight) => sum + weight, 0);
  const stages = stretches.map((stretch, i): Stage => {
    const ms = start + 1000 * (passed + stretch.seconds / 2);
    passed += stretch.seconds;
    const middle = (stretch.lowM + stretch.highM) / 2;
    const airs = [
      { air: airAt(ms, stretch.lowM).air, weight: ENDS_WEIGHT },
      { air: airAt(ms, middle).air, weight: MIDDLE_WEIGHT },
      { air: airAt(ms, stretch.highM).air, weight: ENDS_WEIGHT },
    ];
    const judges = airs.map(({ air, weight }) => ({ judge: judgeOf(open, group, air), weight }));
    const judge = judgeOver(judges, "theWorst");
    // Where the top need not be doubted depends on the densest of its airs: the lowest.
    const densest = airs[0]?.air ?? airAt(ms, middle).air;
    const isSafe = safeUnread(questionOf(open, group, judge, densest));
    return { judge, isSafe, weight: (weights[i] ?? 1) / total, dryDensityKgM3: densest.dryDensityKgM3 };
  });
  const asked = askedOf(open, group, stages, airAt(start, points[0]?.elevationM ?? 0));
  const judge = overAll(stages, "theWorst");
  const isSafe = ({ setting }: Judged) => stages.every((stage) => stage.isSafe(stage.judge.judge(setting)));
  const plan = planStop({ ...asked, judge, isSafe });
  const { setting } = plan.card;
  const path = pathOver(candidates(asked, stages, "theWorst"), stages, asked.changes);
  const lossOn = (one: Setting, i: number) =>
    (stages[i]?.weight ?? 0) * (stages[i]?.judge.judge(one).reachedLoss ?? 0);
  const over = (of: (i: number) => Setting) => stages.reduce((sum, _, i) => sum + lossOn(of(i), i), 0);
  const stops = path.flatMap((now, i): RouteStop[] => {
    const before = path[i - 1] ?? group.fitted;
    const changes = changesBetween(before, now);
    if (changes.length === 0) return [];
    const next = path.findIndex((one, j) => j > i && changesBetween(now, one).length > 0);
    const until = next === -1 ? path.length : next;
    let gain = 0;
    for (let j = i; j < until; j += 1) gain += lossOn(before, j) - lossOn(now, j);
    const alongM = stretches[i]?.fromM ?? 0;
    const elevationM = points.find((point) => point.alongM >= alongM)?.elevationM ?? 0;
    return [{ alongM, elevationM, changes, gain }];
  });
  const heights = points.map(({ elevationM }) => elevationM);
  const [low, high] = [Math.min(...heights), Math.max(...heights)];
  const heightAt = (elevationM: number): Height => {
    const nearest = points.reduce((a, b) =>
      Math.abs(b.elevationM - elevationM) < Math.abs(a.elevationM - elevationM) ? b : a,
    );
    const air = airAt(start + 1000 * nearest.seconds, elevationM);
    const here = judgeOf(open, group, air.air);
    return {
      elevationM,
      air,
      strip: stripCurve({ ...group, fitted: setting }, here.beliefs.together, air.air),
      judged: here.judge(setting),
    };
  };
  return {
    fitted: group.fitted,
    stretches,
    setting,
    changes: changesBetween(group.fitted, setting),
    chanceBetter: plan.chanceBetter,
    safe: plan.safe,
    leanRisk: plan.card.leanRisk,
    heights: [heightAt(low), heightAt((low + high) / 2), heightAt(high)],
    stops,
    loss: {
      asFitted: over(() => group.fitted),
      oneSetting: over(() => setting),
      withStops: over((i) => path[i] ?? setting),
    },
  };
}
