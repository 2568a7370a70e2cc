/** What to do next: put back, the plan for this stop, one look, or leave it. */
import { changedParts } from "../../log/settings.ts";
import type { WorseFit } from "../../log/present.ts";
import type { Suspect } from "../../faults/suspicion.ts";
import type { FaultName } from "../../log/fault-names.ts";
import type { CheckName } from "../../log/walk-round-names.ts";
import type { Setting } from "../../log/schema.ts";
import { chanceAllRight } from "../judge/chances.ts";
import { CONTENT, REACHED_ZONES, type ReachedZone } from "../judge/judge-setting.ts";
import { nextLook, WORTH_A_MINUTE, type LookQuestion, type NextLook } from "../ride/next-look.ts";
import type { PartStep, PartsToSwap } from "../parts/parts-to-swap.ts";
import type { Plan, PlanChange, PlanLine } from "../plan/plan.ts";

export type NextStep =
  | {
      readonly kind: "fit";
      readonly lines: readonly PlanLine[];
      /** out of danger first, or what is believed asks for it */
      readonly because: "danger" | "plan";
      readonly chanceBetter: number;
      readonly gain: number;
      /** of what is fitted now: of the leanest cylinder where there are several */
      readonly leanRisk: number;
    }
  | { readonly kind: "putBack"; readonly changes: readonly PlanChange[] }
  /** what nothing finer reaches: a part of the box, the plan is made anew once it is in */
  | ({ readonly kind: "part" } & PartStep)
  /** with the chance that all is right together as it is */
  | ({ readonly kind: "look"; readonly allRight: number } & NextLook)
  /** a fault is so likely that it is looked for before anything is jetted */
  | {
      readonly kind: "check";
      readonly fault: FaultName;
      readonly check: CheckName;
      readonly chance: number;
      readonly cylinder?: number;
    }
  | { readonly kind: "leave"; readonly because: "right" | "smallGain"; readonly chance: number }
  | {
      readonly kind: "stop";
      readonly because: "noneRichEnough" | "specks" | "plugsContradict";
      readonly leanRisk: number;
    };

export interface StepQuestion extends LookQuestion {
  readonly plan: Plan;
  readonly specks: boolean;
  /** plugs of the top, read of what is fitted, exclude each other: nobody rides flat out before that is settled */
  readonly plugsExclude: boolean;
  readonly checkFirst: Suspect | undefined;
  /** the way back on this carburettor from what was said to be worse */
  readonly worse: { readonly before: Setting; readonly after: Setting } | undefined;
  /** zones that parts of this box, and the rules, can put right */
  readonly reached: readonly ReachedZone[];
  /** the parts of the box, if the school allows any; asked only where nothing finer helps */
  readonly parts: () => PartsToSwap;
  /** not while an air is being typed: the card shows before the next look does */
  readonly withLook: boolean;
}

/** @param carburettor - from 0; @returns the way back there, or nothing when it did not change */
export function wayBackOn(
  worse: WorseFit | undefined,
  carburettor: number,
): { before: Setting; after: Setting } | undefined {
  const [before, after] = [worse?.befores[carburettor], worse?.afters[carburettor]];
  return before && after && changedParts(before, after).length > 0 ? { before, after } : undefined;
}

function leave(question: StepQuestion): NextStep {
  const { judge, fitted, reached } = question;
  const zones = reached.length > 0 ? reached : REACHED_ZONES;
  const chance = chanceAllRight(judge, fitted, zones);
  return { kind: "leave", because: chance >= CONTENT ? "right" : "smallGain", chance };
}

/** The way back is taken where it is safe, or at least no leaner than what is fitted. */
function goesBack({ judge, fitted, isSafe }: StepQuestion, before: Setting): boolean {
  const [then, now] = [judge.judge(before), judge.judge(fitted)];
  return isSafe(then) || then.leanRisk <= now.leanRisk;
}

/** @returns what to do next, given all that is believed and fitted */
export function nextStep(question: StepQuestion): NextStep {
  const { judge, fitted, plan, worse, specks } = question;
  const now = judge.judge(fitted);
  if (specks) return { kind: "stop", because: "specks", leanRisk: now.leanRisk };
  if (question.plugsExclude) return { kind: "stop", because: "plugsContradict", leanRisk: now.leanRisk };
  const wayBack = worse && goesBack(question, worse.before);
  // Not to be run flat out: whatever it is, that is said first. A way back out of it comes before all.
  if (plan.urgent && !plan.safe && !wayBack)
    return { kind: "stop", because: "noneRichEnough", leanRisk: now.leanRisk };
  const suspect = question.checkFirst;
  if (suspect) {
    const { fault, check, chance, cylinder } = suspect;
    return { kind: "check", fault, check, chance, ...(cylinder !== undefined && { cylinder }) };
  }
  if (worse && wayBack)
    return {
      kind: "putBack",
      changes: changedParts(worse.after, worse.before).map((part) => ({
        part,
        from: worse.after[part],
        to: worse.before[part],
      })),
    };
  if (plan.lines.length > 0) {
    const { lines, chanceBetter, gain } = plan;
    return {
      kind: "fit",
      lines,
      because: plan.urgent ? "danger" : "plan",
      chanceBetter,
      gain,
      leanRisk: now.leanRisk,
    };
  }
  const left = leave(question);
  if (!question.withLook) return left;
  const { swaps, worthIt } = question.parts();
  if (worthIt) return { kind: "part", ...worthIt };
  const right = left.kind === "leave" && left.because === "right";
  if (right && swaps.length === 0) return left;
  const look = nextLook({ ...question, swaps, onlyForParts: right });
  if (!look || look.gain / look.minutes < WORTH_A_MINUTE) return left;
  return { kind: "look", allRight: left.kind === "leave" ? left.chance : 0, ...look };
}
