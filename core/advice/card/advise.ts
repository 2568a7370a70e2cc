/** Advice is a pure function of the log (and perhaps of an air that is still being typed). */
import type { WeighedClaim } from "../../belief/claims.ts";
import type { LookOutcome } from "../../belief/update.ts";
import { SURPRISING } from "../../belief/update.ts";
import type { LearntHeat } from "../../belief/heat-slopes.ts";
import type { ReplayOptions } from "../../belief/replay.ts";
import {
  bestCheck,
  checkFirst,
  namedFaults,
  notJetting,
  NAMED,
  type Suspect,
} from "../../faults/suspicion.ts";
import { contradictedZones } from "../../looks/contradictions.ts";
import type { QuestionName } from "../../log/question-names.ts";
import type { AirEntry, Entry, Setting } from "../../log/schema.ts";
import { airWorth, type AirWorth } from "../judge/air-worth-today.ts";
import { cardRows, type CardRow } from "./card-rows.ts";
import { airOf, groupOf, judgeOf, openCase, type Case } from "../judge/case.ts";
import { instrumentsKnown, type InstrumentBelief } from "../judge/instruments-known.ts";
import { settingBeforeFault } from "./mended.ts";
import { rideStopped } from "./ride-stopped.ts";
import { sensitiveAssumptions, type SensitiveAssumption } from "./sensitive-assumptions.ts";
import { marksOf, type Mark } from "../judge/marks.ts";
import { newestPlugs } from "./newest-plugs.ts";
import { nextStep, type NextStep } from "./next-step.ts";
import { lookedAt, wayBackOn } from "../ride/open-change.ts";
import { partsToSwap } from "../parts/parts-to-swap.ts";
import { planStop } from "../plan/plan.ts";
import { questionOf } from "../ride/question.ts";
import { reachedZones } from "../plan/reach.ts";
import { stripCurve, type StripPoint } from "../judge/strip-curve.ts";
import { toBuy, type ToBuy } from "../parts/to-buy.ts";
import { warnings, type Warning } from "./warnings.ts";
import { worthsOf, type Worth } from "../judge/step-worths.ts";
import { zoneAdvice, type ZoneAdvice } from "../judge/zone-advice.ts";

export interface Advice {
  /** the carburettors (from 0) that this is for: all of them while they are alike and set alike */
  readonly carburettors: readonly number[];
  /** how many such groups there are */
  readonly groups: number;
  readonly fitted: Setting;
  readonly card: { readonly setting: Setting; readonly rows: readonly CardRow[]; readonly safe: boolean };
  readonly next: NextStep;
  readonly zones: readonly ZoneAdvice[];
  readonly strip: readonly StripPoint[];
  readonly marks: readonly Mark[];
  readonly air: AirWorth;
  readonly warnings: readonly Warning[];
  readonly looks: readonly LookOutcome[];
  readonly surprises: readonly LookOutcome[];
  /** what the card leans on most of all that nobody has measured */
  readonly leanings: readonly SensitiveAssumption[];
  /** what a temperature is worth on this engine, where its log has taught it */
  readonly heat: readonly LearntHeat[];
  /** faults that no jet cures, the likeliest first */
  readonly faults: readonly Suspect[];
  /** what stands out: none, one, or two that are hard to tell apart */
  readonly named: readonly Suspect[];
  /** the answer that would tell most of what it is */
  readonly question: QuestionName | undefined;
  /** settings that were called right, and how likely each word is of this engine */
  readonly claims: readonly Pick<WeighedClaim, "id" | "at" | "how" | "chance">[];
  /** what is believed of the instruments that looks were taken with */
  readonly instruments: readonly InstrumentBelief[];
  /** what a step of screw, clip and main is worth here */
  readonly worths: readonly Worth[];
  /** jets that the box lacks and that would help */
  readonly buy: readonly ToBuy[];
}

/**
 * @param draft - an air instead of the log's newest, e.g. one still being typed: the card follows it at once, the
 *   next look is not worked out
 * @param carburettor - one (from 0) of those that the advice is wanted for
 * @returns the card, the next step and all that the strip draws
 * @throws {RangeError} if there is no such air
 */
export function adviseOn(open: Case, draft?: AirEntry, carburettor = 0): Advice {
  const { present, replayed, suspicion } = open;
  const group = groupOf(open, carburettor);
  const { carburettors, groups, fitted, frame, evidence } = group;
  const airEntry = draft ?? present.air;
  const air = airOf(airEntry, frame);
  const judge = judgeOf(open, group, air);
  const question = questionOf(open, group, judge, air);
  // An air that is being typed is followed at once.
  const plan = planStop({ ...question, lookedAt: draft ? undefined : lookedAt(open, group, judge) });
  const plugs = newestPlugs(present);
  const contradicted = contradictedZones(present);
  const now = judge.judge(fitted);
  const { outcomes } = replayed;
  const around = settingBeforeFault(present);
  const wayBack = wayBackOn(around, carburettors[0] ?? 0);
  return {
    carburettors,
    groups,
    fitted,
    card: {
      setting: plan.card.setting,
      rows: cardRows(judge, question.options, fitted, plan.card),
      safe: plan.safe,
    },
    next: nextStep({
      ...question,
      plan,
      howFar: present.schools.howFar,
      specks: plugs.findings.includes("specks"),
      stopped: rideStopped(present),
      plugsExclude: contradicted.has("top"),
      checkFirst: checkFirst(suspicion),
      // Nothing is called right while it may well be no jetting.
      checkBeforeLeaving: notJetting(suspicion) > NAMED ? bestCheck(suspicion) : undefined,
      around: around && wayBack && { fault: around.fault, ...wayBack },
      openChange: wayBackOn(present.openChange, carburettors[0] ?? 0),
      worse: wayBackOn(present.worse, carburettors[0] ?? 0),
      reached: reachedZones(question, plan.card),
      parts: () => partsToSwap({ open, group, judge, air, plan }),
      withLook: draft === undefined,
    }),
    zones: zoneAdvice(now, evidence),
    strip: stripCurve(group, judge.beliefs.together, air),
    marks: marksOf(group, judge),
    air: airWorth(group, judge, air),
    warnings: warnings({ open, group, question, plan, now, air, airEntry, contradicted, ...plugs }),
    looks: outcomes,
    // Where plugs exclude each other, each surprises the others: that is said once.
    surprises: outcomes.filter(({ tail, zone }) => tail < SURPRISING && !contradicted.has(zone)),
    leanings: sensitiveAssumptions(group, air, plan.card.setting),
    heat: replayed.heat,
    faults: suspicion.suspects,
    named: namedFaults(suspicion),
    question: suspicion.question,
    claims: replayed.claims
      .filter(({ how }) => how !== "guess")
      .map(({ id, at, how, chance }) => ({ id, at, how, chance })),
    instruments: instrumentsKnown(replayed),
    worths: worthsOf(judge.beliefs.together),
    buy: toBuy(question, plan),
  };
}

/** @returns advice for a whole log in one go */
export function advise(entries: readonly Entry[], options: ReplayOptions = {}, carburettor = 0): Advice {
  return adviseOn(openCase(entries, options), undefined, carburettor);
}
