/** Heats and stretches as decision stages: a few weighted air scenarios (quadrature nodes) each. */
import type { Case, Group } from "../advice/judge/case.ts";
import { judgeOf } from "../advice/judge/case.ts";
import { judgeOver } from "../advice/judge/judge-over.ts";
import { safeUnread } from "../advice/plan/plan.ts";
import { questionOf } from "../advice/ride/question.ts";
import type { AirAhead } from "../forecast/air-ahead.ts";
import type { Asked, Stage } from "./candidates.ts";

/** @param weight - how much it counts beside the others */
export function stageOf(open: Case, group: Group, { air, likely }: AirAhead, weight: number): Stage {
  const judges = likely.map((one) => ({ judge: judgeOf(open, group, one.air), weight: one.weight }));
  const judge = judgeOver(judges, "byChance");
  const isSafe = safeUnread(questionOf(open, group, judge, air));
  return { judge, isSafe, weight, dryDensityKgM3: air.dryDensityKgM3 };
}

/** @returns what is asked of every stage alike; @throws {RangeError} for no stages */
export function askedOf(open: Case, group: Group, stages: readonly Stage[], first: AirAhead): Asked {
  const [stage] = stages;
  if (!stage) throw new RangeError("a day must have stages, got none");
  const { build, options, fitted, changes, order } = questionOf(open, group, stage.judge, first.air);
  return { build, options, fitted, changes, order };
}
