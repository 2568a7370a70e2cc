/**
 * How likely it is that what one sees is no jetting: every fault against an engine that only wants another jet, and
 * against one that is odd but healthy, by the evidence of the whole log.
 */
import type { Replayed, Taken } from "../belief/replay.ts";
import type { FaultName } from "../log/fault-names.ts";
import type { Present } from "../log/fold.ts";
import type { QuestionName } from "../log/question-names.ts";
import type { CheckName } from "../log/walk-round-names.ts";
import type { Zone } from "../carburettor/zones.ts";
import { changesOf, effectOfChanges, type SeenChange } from "./changes.ts";
import type { FaultCase, FaultKind, Seen } from "./fault-kind.ts";
import { oddCases } from "./odd-engines.ts";
import { bestQuestion, type Hypothesis } from "./best-question.ts";
import { FAULTS } from "./registry.ts";
import { lnShiftWeight, shiftParabola } from "./shift-weight.ts";
import { reasonsTold, saidLately, sinceWhen, type Reason } from "./told.ts";

/** Named when it is likelier than this, and twice as likely as the next. */
export const NAMED = 0.3;
/** While one is likelier than this it is checked before anything is jetted. */
export const CHECK_FIRST = 0.6;
/** What is less likely than this is not listed. */
const WORTH_LISTING = 0.02;
/** A reason that makes a fault less than half again as likely is none. */
const WORTH_SAYING = Math.log(1.5);
/** A fault began before all that is looked at, or on one of so many last days. */
const LAST_DAYS = 3;
/** The last changes of a log that a fault may have come with. */
const LAST_CHANGES = 6;

export interface Suspect {
  readonly fault: FaultName;
  readonly chance: number;
  readonly check: CheckName;
  /** the gravest first */
  readonly because: readonly Reason[];
  /** counted from 1: of a fault that sits on one of several */
  readonly cylinder?: number;
  /** the change it came with */
  readonly change?: SeenChange;
}

export interface Suspicion {
  /** the likeliest first */
  readonly suspects: readonly Suspect[];
  /** that it is a matter of jetting after all */
  readonly jetting: number;
  /** the question that would tell most */
  readonly question: QuestionName | undefined;
}

/** @returns a fault that stands out: likely by itself, and twice as likely as the next */
export function namedFault({ suspects: [first, second] }: Pick<Suspicion, "suspects">): Suspect | undefined {
  return first && first.chance > NAMED && first.chance >= 2 * (second?.chance ?? 0) ? first : undefined;
}

/** @returns the fault that is looked for before anything is jetted, if one is so likely */
export function checkFirst({ suspects: [first] }: Pick<Suspicion, "suspects">): Suspect | undefined {
  return first && first.chance > CHECK_FIRST ? first : undefined;
}

interface Weighed {
  readonly kind: FaultKind;
  readonly lnOdds: number;
  readonly reasons: readonly Reason[];
  readonly best: FaultCase;
}

const lnMeanExp = (values: readonly number[]): number => {
  const most = Math.max(...values);
  return most + Math.log(values.reduce((sum, x) => sum + Math.exp(x - most), 0) / values.length);
};

/** Everything about one rig that its faults are weighed by. */
class Weighing {
  private readonly changes: readonly SeenChange[];
  private readonly didTo: (taken: Taken, zone: Zone, change: SeenChange) => number;
  private readonly days: readonly number[];
  private readonly present: Present;
  private readonly replayed: Replayed;
  constructor(present: Present, replayed: Replayed) {
    this.present = present;
    this.replayed = replayed;
    this.changes = changesOf(present).slice(-LAST_CHANGES);
    const effect = effectOfChanges(replayed.mixtureOf);
    this.didTo = ({ look }, zone, change) => (look ? effect(look, zone, change) : 0);
    const starts = replayed.sessions.flatMap(({ taken }) => {
      const at = taken[0]?.at;
      return at === undefined ? [] : [Date.parse(at)];
    });
    // The first of them is as good as "before all".
    this.days = starts.slice(1).slice(-LAST_DAYS);
  }

  private share(kind: FaultKind, { shareOf }: FaultCase, from: number): (taken: Taken) => number {
    return (taken) => {
      const { item, look, at } = taken;
      if (at === undefined || Date.parse(at) < from) return 0;
      const reading = look?.entry.reading;
      // What it does by itself is weighed as a symptom, not by the mixture it seems to speak of.
      if (reading?.type === "symptom" && kind.makes[reading.symptom] !== undefined) return 0;
      const seen: Seen = {
        at,
        zone: item.zone,
        type: reading?.type,
        cylinder: look?.entry.cylinder,
        didTo: (change) => this.didTo(taken, item.zone, change),
      };
      return shareOf(seen);
    };
  }

  /** @returns nothing where this rig cannot have it */
  weigh(kind: FaultKind): Weighed | undefined {
    const { present, replayed, changes } = this;
    const cases = kind.cases({ cylinders: replayed.layout.cylinders, changes });
    if (cases.length === 0) return undefined;
    const since = sinceWhen(kind, present);
    const onsets = kind.beginsWithChange ? [since] : [since, ...this.days.filter((day) => day > since)];
    const each = cases.flatMap((one) =>
      onsets.map((from) => ({
        one,
        weight: lnShiftWeight(shiftParabola(replayed.sessions, this.share(kind, one, from)), one.size),
      })),
    );
    const looks = lnMeanExp(each.map(({ weight }) => weight));
    const told = reasonsTold(kind, present, saidLately(present, replayed.outcomes, since), since);
    const best = each.reduce((a, b) => (b.weight > a.weight ? b : a)).one;
    const reasons: Reason[] = [{ kind: "looks", weight: looks }, ...told];
    const lnOdds = Math.log(kind.prior) + reasons.reduce((sum, { weight }) => sum + weight, 0);
    return { kind, lnOdds, reasons, best };
  }

  /** @returns how much likelier all is because engines may be odd */
  odd(): number {
    const cases = oddCases(this.replayed.layout);
    const usual = 1 - cases.reduce((sum, { prior }) => sum + prior, 0);
    return cases.reduce(
      (sum, { prior, size, shareOf }) =>
        sum + prior * Math.exp(lnShiftWeight(shiftParabola(this.replayed.sessions, shareOf), size)),
      usual,
    );
  }
}

/** @returns what else than jetting it could be */
export function suspicion(present: Present, replayed: Replayed): Suspicion {
  const weighing = new Weighing(present, replayed);
  const weighed = Object.values(FAULTS).flatMap((kind) => weighing.weigh(kind) ?? []);
  const healthy = weighing.odd() * (1 - weighed.reduce((sum, { kind }) => sum + kind.prior, 0));
  // The largest is taken out first: no evidence is so strong that it overflows.
  const most = Math.max(Math.log(healthy), ...weighed.map(({ lnOdds }) => lnOdds));
  const jettingMass = Math.exp(Math.log(healthy) - most);
  const total = jettingMass + weighed.reduce((sum, { lnOdds }) => sum + Math.exp(lnOdds - most), 0);
  const chances = weighed.map((one) => ({ ...one, chance: Math.exp(one.lnOdds - most) / total }));
  const jetting = jettingMass / total;
  const suspects = chances
    .filter(({ chance }) => chance >= WORTH_LISTING)
    .sort((a, b) => b.chance - a.chance)
    .map(({ kind, chance, reasons, best }): Suspect => ({
      fault: kind.name,
      chance,
      check: kind.check,
      because: reasons
        .filter(({ weight }) => Math.abs(weight) >= WORTH_SAYING)
        .sort((a, b) => b.weight - a.weight),
      ...(best.cylinder !== undefined && { cylinder: best.cylinder }),
      ...(best.change && { change: best.change }),
    }));
  const hypotheses: Hypothesis[] = [
    { chance: jetting, answers: {} },
    ...chances.map(({ kind, chance }) => ({ chance, answers: kind.answers })),
  ];
  const lately = saidLately(present, replayed.outcomes, -Infinity);
  return { suspects, jetting, question: bestQuestion(hypotheses, lately, present) };
}
