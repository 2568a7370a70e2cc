/**
 * Candidate settings of a day plan (at most twelve): the best of each air, the best single one, and mixtures of
 * them.
 */
import type { Setting } from "../log/schema.ts";
import { settingKey, type SettingJudge } from "../advice/judge/judge-setting.ts";
import { bestAtOneStop, type PlanQuestion } from "../advice/plan/plan.ts";
import { judgeOver, type Danger } from "../advice/judge/judge-over.ts";

const MOST_CANDIDATES = 12;

/** A moment of the day, or a stretch of the way: what is asked there, and how much it counts. */
export interface Stage {
  readonly judge: SettingJudge;
  readonly isSafe: PlanQuestion["isSafe"];
  readonly weight: number;
  /** of its air: what sets one stage apart from another */
  readonly dryDensityKgM3: number;
}

/** What does not change from stage to stage. */
export type Asked = Omit<PlanQuestion, "judge" | "isSafe">;

/** Each part of one setting with each of the others: what a spanner may leave as it is. */
function mixes(settings: readonly Setting[]): Setting[] {
  return settings.flatMap((idle) =>
    settings.flatMap((mid) =>
      settings.map((top) => ({
        pilot: idle.pilot,
        screwTurns: idle.screwTurns,
        clip: mid.clip,
        shimMm: mid.shimMm,
        main: top.main,
      })),
    ),
  );
}

function once(settings: readonly Setting[]): Setting[] {
  return [...new Map(settings.map((setting) => [settingKey(setting), setting])).values()];
}

/** The judge of all stages together. */
export const overAll = (stages: readonly Stage[], danger: Danger): SettingJudge => judgeOver(stages, danger);

/** What a setting costs over the day, unsafe anywhere first of all. */
function costOver(stages: readonly Stage[], setting: Setting): number {
  return stages.reduce((sum, stage) => sum + stage.weight * stageCost(stage, setting), 0);
}

/** Any safe setting beats any unsafe one; among unsafe ones the least risk wins. */
const UNSAFE = 1e6;

export function stageCost({ judge, isSafe }: Pick<Stage, "judge" | "isSafe">, setting: Setting): number {
  const judged = judge.judge(setting);
  return isSafe(judged) ? judged.reachedLoss : UNSAFE * (1 + judged.leanRisk);
}

/**
 * @param stages - one at least
 * @returns what is fitted first, then the cheapest over all stages
 */
export function candidates(asked: Asked, stages: readonly Stage[], danger: Danger): Setting[] {
  const byDensity = [...stages].sort((a, b) => a.dryDensityKgM3 - b.dryDensityKgM3);
  const ends = [byDensity[0], byDensity[Math.floor(byDensity.length / 2)], byDensity.at(-1)].filter(
    (stage) => stage !== undefined,
  );
  const safeEverywhere = (setting: Setting) =>
    ends.every(({ judge, isSafe }) => isSafe(judge.judge(setting)));
  const own = ends.map(({ judge, isSafe }) => bestAtOneStop({ ...asked, judge, isSafe }).setting);
  const forAll = bestAtOneStop({
    ...asked,
    judge: overAll(ends, danger),
    isSafe: ({ setting }) => safeEverywhere(setting),
  }).setting;
  const { fitted } = asked;
  const all = once([fitted, ...mixes(once([fitted, forAll, ...own]))]);
  const others = all
    .slice(1)
    .map((setting) => ({ setting, cost: costOver(stages, setting) }))
    .sort((a, b) => a.cost - b.cost)
    .map(({ setting }) => setting);
  // The best of each end stands among them whatever it costs elsewhere: a change of day may want it.
  const kept = once([fitted, forAll, ...own, ...others]);
  return kept.slice(0, MOST_CANDIDATES);
}
