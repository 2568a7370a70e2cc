/** What to do next: put back, the plan for this stop, one look, or leave it. */
import { changedParts } from "../../log/settings.ts";
import type { FaultName } from "../../log/fault-names.ts";
import type { CheckFirst } from "../../faults/suspicion.ts";
import type { HowFarSchool } from "../../log/schools.ts";
import type { Setting } from "../../log/schema.ts";
import { chanceAllRight } from "../judge/chances.ts";
import { REACHED_ZONES, type ReachedZone } from "../judge/judge-setting.ts";
import {
  chanceAfter,
  nextLook,
  WORTH_A_MINUTE,
  type LookQuestion,
  type NextLook,
} from "../ride/next-look.ts";
import { movedMost, type ChangeOfOne } from "../ride/open-change.ts";
import type { RideStopper } from "./ride-stopped.ts";
import type { PartStep, PartsToSwap } from "../parts/parts-to-swap.ts";
import { RULES } from "../plan/moves.ts";
import type { Plan, PlanChange, PlanLine, RideFirst } from "../plan/plan.ts";

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
  | {
      readonly kind: "putBack";
      readonly changes: readonly PlanChange[];
      /** what was jetted around, and is mended; none: it was said to be worse */
      readonly mended?: FaultName;
    }
  /** what nothing finer reaches: a part of the box, the plan is made anew once it is in */
  | ({ readonly kind: "part" } & PartStep)
  /** a ride (or an idle bench), with the chance that all is right together as it is */
  | ({
      readonly kind: "ride";
      readonly allRight: number;
      /** other parts wait for what it shows */
      readonly rideFirst?: RideFirst;
    } & NextLook)
  /** a fault is so likely that it is looked for before anything is jetted */
  | ({ readonly kind: "check" } & CheckFirst)
  | {
      readonly kind: "leave";
      readonly because: "right" | "smallGain";
      readonly chance: number;
      /** the ride most worth its minutes all the same, and the chance that all is right after it */
      readonly oneMore?: { readonly look: NextLook; readonly chance: number };
      /** least known of what can be put right, where not even all together is likely */
      readonly unknown?: ReachedZone;
    }
  | {
      readonly kind: "stop";
      readonly because: "noneRichEnough" | "specks" | "plugsContradict" | RideStopper;
      readonly leanRisk: number;
    };

/** Right together with this chance it is left; who goes as far as it goes rides until no ride is worth it. */
const ENOUGH: Readonly<Record<HowFarSchool, number>> = { raceDay: 0.8, thorough: 0.9, asFarAsItGoes: 1 };

export interface StepQuestion extends LookQuestion {
  readonly howFar: HowFarSchool;
  readonly plan: Plan;
  readonly specks: boolean;
  /** nobody has looked since */
  readonly stopped: RideStopper | undefined;
  /** plugs of the top, read of what is fitted, exclude each other: nobody rides flat out before that is settled */
  readonly plugsExclude: boolean;
  readonly checkFirst: CheckFirst | undefined;
  /** the same before anything is called right */
  readonly checkBeforeLeaving: CheckFirst | undefined;
  /** the way back on this carburettor from what was jetted around a fault that is mended */
  readonly around: (ChangeOfOne & { readonly fault: FaultName }) | undefined;
  /** what was changed on this carburettor since anybody looked */
  readonly openChange: ChangeOfOne | undefined;
  /** the way back on this carburettor from what was said to be worse */
  readonly worse: ChangeOfOne | undefined;
  /** zones that parts of this box, and the rules, can put right */
  readonly reached: readonly ReachedZone[];
  /** the parts of the box, if the school allows any; asked only where nothing finer helps */
  readonly parts: () => PartsToSwap;
  /** not while an air is being typed: the card shows before the next look does */
  readonly withLook: boolean;
}

/** Below this chance that all is right, what is not known is named. */
const LIKELY_RIGHT = 0.7;

type Leave = Extract<NextStep, { kind: "leave" }>;

const zonesOf = ({ reached }: StepQuestion): readonly ReachedZone[] =>
  reached.length > 0 ? reached : REACHED_ZONES;

function leave(question: StepQuestion): Leave {
  const { judge, fitted, howFar } = question;
  const zones = zonesOf(question);
  const chance = chanceAllRight(judge, fitted, zones);
  const because = chance >= ENOUGH[howFar] ? "right" : "smallGain";
  if (chance >= LIKELY_RIGHT) return { kind: "leave", because, chance };
  const known = judge.judge(fitted).right;
  const unknown = zones.reduce((least, zone) => (known[zone] < known[least] ? zone : least));
  return { kind: "leave", because, chance, unknown };
}

/** What one ride more would make of it, where it would make it better. */
function withOneMore(left: Leave, question: StepQuestion, look: NextLook | undefined): Leave {
  if (!look) return left;
  const chance = chanceAfter(question, look, zonesOf(question));
  return chance > left.chance ? { ...left, oneMore: { look, chance } } : left;
}

/** The way back is taken where it is safe, or at least no leaner than what is fitted. */
function goesBack({ judge, fitted, isSafe }: StepQuestion, before: Setting): boolean {
  const [then, now] = [judge.judge(before), judge.judge(fitted)];
  return isSafe(then) || then.leanRisk <= now.leanRisk;
}

const putBack = (before: Setting, after: Setting, mended?: FaultName): NextStep => ({
  kind: "putBack",
  changes: changedParts(after, before).map((part) => ({ part, from: after[part], to: before[part] })),
  ...(mended && { mended }),
});

/** Of what was jetted around a fault that is mended, all that made it leaner. */
function richerAgain({ judge, around }: StepQuestion): NextStep | undefined {
  if (!around) return undefined;
  const { fault, before, after } = around;
  const richer = changedParts(after, before).filter((part) => {
    const [then, now] = [judge.lines({ ...after, [part]: before[part] }), judge.lines(after)];
    return then[RULES[part]].shift < now[RULES[part]].shift;
  });
  const to = richer.reduce((setting, part) => ({ ...setting, [part]: before[part] }), after);
  return richer.length > 0 ? putBack(to, after, fault) : undefined;
}

/** What was changed and should have shown: nobody has looked whether it did. */
const SHOULD_SHOW = 0.05;

/** @returns the ride that shows it: a part that does nothing is found by looking, not by leaving it */
function unseenChange(question: StepQuestion, least = SHOULD_SHOW): NextLook | undefined {
  const { judge, openChange } = question;
  if (!openChange) return undefined;
  const { zone, by } = movedMost(judge, openChange);
  return by > least ? nextLook({ ...question, only: zone }) : undefined;
}

/** @returns the ride that the plan waits for */
function rideBeforePlan(question: StepQuestion): NextLook | undefined {
  const { rideFirst } = question.plan;
  if (rideFirst === "readsTop") return nextLook({ ...question, only: "top", onlyRead: true });
  return rideFirst && unseenChange(question, 0);
}

/** @returns what to do next, given all that is believed and fitted */
export function nextStep(question: StepQuestion): NextStep {
  const { judge, fitted, plan, worse, specks, stopped } = question;
  const now = judge.judge(fitted);
  if (specks) return { kind: "stop", because: "specks", leanRisk: now.leanRisk };
  if (stopped === "seized") return { kind: "stop", because: stopped, leanRisk: now.leanRisk };
  const back = richerAgain(question);
  if (back) return back;
  if (question.plugsExclude) return { kind: "stop", because: "plugsContradict", leanRisk: now.leanRisk };
  const wayBack = worse && goesBack(question, worse.before);
  // Not to be run flat out: whatever it is, that is said first. A way back out of it comes before all.
  if (plan.urgent && !plan.safe && !wayBack)
    return { kind: "stop", because: "noneRichEnough", leanRisk: now.leanRisk };
  if (question.checkFirst) return { kind: "check", ...question.checkFirst };
  if (worse && wayBack) return putBack(worse.before, worse.after);
  if (stopped) return { kind: "stop", because: stopped, leanRisk: now.leanRisk };
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
  const { rideFirst } = plan;
  const awaited = question.withLook ? rideBeforePlan(question) : undefined;
  if (awaited) return { kind: "ride", allRight: left.chance, ...(rideFirst && { rideFirst }), ...awaited };
  const before = question.checkBeforeLeaving;
  const leaving = (step: NextStep): NextStep => {
    if (before) return { kind: "check", ...before };
    const unseen = question.withLook ? unseenChange(question) : undefined;
    return unseen ? { kind: "ride", allRight: left.chance, ...unseen } : step;
  };
  if (!question.withLook) return leaving(left);
  const { swaps, worthIt } = question.parts();
  if (worthIt) return { kind: "part", ...worthIt };
  const right = left.because === "right";
  if (right && swaps.length === 0)
    return leaving(left.chance >= ENOUGH.thorough ? left : withOneMore(left, question, nextLook(question)));
  const look = nextLook({ ...question, swaps, onlyForParts: right });
  if (!look || look.gain / look.minutes < WORTH_A_MINUTE) return leaving(withOneMore(left, question, look));
  return { kind: "ride", allRight: left.chance, ...look };
}
