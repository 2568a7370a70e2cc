/**
 * How likely it is that what one sees is no jetting: every fault against an engine that only wants another jet, and
 * against one that is odd but healthy, by the evidence of the whole log.
 */
import type { Replayed, ReplayedSession, Taken } from "../belief/replay.ts";
import type { LookOutcome } from "../belief/update.ts";
import type { FaultName } from "../log/fault-names.ts";
import type { Present } from "../log/fold.ts";
import type { CheckEntry } from "../log/schema.ts";
import type { QuestionName } from "../log/question-names.ts";
import type { CheckName } from "../log/walk-round-names.ts";
import type { Zone } from "../carburettor/zones.ts";
import { changesOf, effectOfChanges, type SeenChange } from "./changes.ts";
import type { FaultCase, FaultKind, Seen } from "./fault-kind.ts";
import { oddCases } from "./odd-engines.ts";
import { bestQuestion, type Hypothesis } from "./best-question.ts";
import { FAULTS } from "./registry.ts";
import { lnShiftsWeight, lnShiftWeight, shiftParabola } from "./shift-weight.ts";
import { alsoMade, lnTakenAnew, MOST_DAYS } from "./taken-anew.ts";
import {
  checksMade,
  reasonsTold,
  saidLately,
  sinceWhen,
  thisSeason,
  type Lately,
  type Reason,
} from "./told.ts";

/** Named when it is likelier than this, and twice as likely as the next. */
export const NAMED = 0.3;
/** While one is likelier than this it is checked before anything is jetted. */
export const CHECK_FIRST = 0.6;
/** What is less likely than this is not listed. */
const WORTH_LISTING = 0.001;
/** What is likelier than this after a rank-one step is weighed again with all looks taken anew. */
const ASKED_AGAIN = 1e-4;
/** Nobody is asked about an engine that showed nothing and that no fault is so likely on. */
const WORTH_ASKING_ABOUT = 0.15;
/** What all else had hardly led to expect is still this likely: hands and engines differ. */
const LEAST_EXPECTED = 0.02;
/** A reason that makes a fault less than half again as likely is none. */
const WORTH_SAYING = Math.log(1.5);
/** A fault began before all that is looked at, or on one of so many last days. */
const LAST_DAYS = 3;

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

/** One answer, or the figures alone, are no story: a second witness must speak for it, or its check have found it. */
function hasWitnesses({ because }: Suspect): boolean {
  const speaking = because.filter(({ weight }) => weight > 0);
  return speaking.length >= 2 || speaking.some(({ kind }) => kind === "finding");
}

/** @returns a fault that stands out: likely by itself, twice as likely as the next, by two witnesses */
export function namedFault({ suspects: [first, second] }: Pick<Suspicion, "suspects">): Suspect | undefined {
  if (!first || first.chance <= NAMED || first.chance < 2 * (second?.chance ?? 0)) return undefined;
  return hasWitnesses(first) || first.chance > CHECK_FIRST ? first : undefined;
}

/** @returns the fault that is looked for before anything is jetted, if one is so likely */
export function checkFirst({ suspects: [first] }: Pick<Suspicion, "suspects">): Suspect | undefined {
  return first && first.chance > CHECK_FIRST ? first : undefined;
}

interface Weighed {
  readonly kind: FaultKind;
  readonly lnOdds: number;
  readonly each: readonly WeighedCase[];
  readonly best: WeighedCase;
}

interface WeighedCase {
  readonly one: FaultCase;
  /** when it began */
  readonly from: number;
  readonly reasons: readonly Reason[];
  /** ln of how many times likelier it makes figures and tones, by a rank-one step */
  readonly figures: number;
  /** and all that was seen, symptoms with them */
  readonly seen: number;
}

function lnSumExp(values: readonly number[]): number {
  const most = Math.max(...values);
  return most + Math.log(values.reduce((sum, x) => sum + Math.exp(x - most), 0));
}

const lnMeanExp = (values: readonly number[]): number => lnSumExp(values) - Math.log(values.length);

function summedUp(kind: FaultKind, each: readonly WeighedCase[]): Weighed {
  // What a symptom weighs as a reason is in what was seen already.
  const lnOf = ({ seen, reasons }: WeighedCase) =>
    reasons.reduce((sum, reason) => (reason.kind === "symptom" ? sum : sum + reason.weight), seen);
  const [first, ...others] = each;
  if (!first) throw new RangeError(`cases of ${kind.name} must be at least one, got none`);
  const best = others.reduce((a, b) => (lnOf(b) > lnOf(a) ? b : a), first);
  return { kind, each, best, lnOdds: Math.log(kind.prior) + lnMeanExp(each.map(lnOf)) };
}

/** A look that no such fault could leave says nothing against the advice: the first answer stands. */
function unlessImpossible(work: () => number | undefined): number | undefined {
  try {
    return work();
  } catch (error) {
    if (error instanceof RangeError) return undefined;
    throw error;
  }
}

const figuresOnly =
  (share: (taken: Taken) => number) =>
  (taken: Taken): number =>
    taken.look?.entry.reading.type === "symptom" ? 0 : share(taken);

/** What was there longer ago is in the belief: a fault is asked of the last days that were looked on. */
const recent = (sessions: readonly ReplayedSession[]): readonly ReplayedSession[] =>
  sessions.length > MOST_DAYS ? sessions.slice(-MOST_DAYS) : sessions;

/** Everything about one rig that its faults are weighed by. */
class Weighing {
  private readonly changes: readonly SeenChange[];
  private readonly didTo: (taken: Taken, zone: Zone, change: SeenChange) => number;
  private readonly days: readonly number[];
  private readonly symptomLooks: ReadonlyMap<string, Taken & { readonly outcome: LookOutcome }>;
  private readonly present: Present;
  private readonly replayed: Replayed;
  private readonly sessions: readonly ReplayedSession[];
  private readonly checks: readonly CheckEntry[];
  private readonly said = new Map<number, Lately>();
  constructor(present: Present, replayed: Replayed) {
    this.present = present;
    this.replayed = replayed;
    this.sessions = recent(replayed.sessions);
    this.checks = checksMade(present);
    this.changes = changesOf(present);
    const effect = effectOfChanges(replayed.mixtureOf);
    const known = new Map<Taken, Map<SeenChange, number>>();
    this.didTo = (taken, zone, change) => {
      if (!taken.look) return 0;
      const of = known.get(taken) ?? new Map<SeenChange, number>();
      known.set(taken, of);
      const did = of.get(change) ?? effect(taken.look, zone, change);
      of.set(change, did);
      return did;
    };
    const outcomes = new Map(replayed.outcomes.map((outcome) => [outcome.lookId, outcome]));
    this.symptomLooks = new Map(
      replayed.sessions.flatMap(({ taken }) =>
        taken.flatMap((one) => {
          const outcome = outcomes.get(one.item.lookId);
          if (one.look?.entry.reading.type !== "symptom" || !outcome) return [];
          return [[one.item.lookId, { ...one, outcome }] as const];
        }),
      ),
    );
    const starts = this.sessions.flatMap(({ taken }) => {
      const at = taken[0]?.at;
      return at === undefined ? [] : [Date.parse(at)];
    });
    // The first of them is as good as "before all".
    this.days = starts.slice(1).slice(-LAST_DAYS);
  }

  private saidSince(since: number): Lately {
    const known = this.said.get(since) ?? saidLately(this.present, since);
    this.said.set(since, known);
    return known;
  }

  /** @returns a share as it counts for what was taken: only once it may have begun */
  private counted(shareOf: (seen: Seen) => number, from: number): (taken: Taken) => number {
    return (taken) => {
      const { at } = taken;
      return at === undefined || Date.parse(at) < from ? 0 : shareOf(this.seen(taken, at));
    };
  }

  private seen(taken: Taken, at: string): Seen {
    const { item, look } = taken;
    return {
      at,
      zone: item.zone,
      type: look?.entry.reading.type,
      cylinder: look?.entry.cylinder,
      didTo: (change) => this.didTo(taken, item.zone, change),
    };
  }

  /** Symptoms that a fault makes, or that its mixture makes likelier than it is without. */
  private symptoms(kind: FaultKind, { shareOf, size }: FaultCase, lately: Lately): Reason[] {
    return [...lately.symptoms].flatMap(([symptom, lookId]): Reason[] => {
      const taken = this.symptomLooks.get(lookId);
      const at = taken?.at;
      if (!taken || at === undefined) return [];
      const { expected, expectedSd, tail } = taken.outcome;
      const share = shareOf(this.seen(taken, at));
      const made = kind.makes[symptom] ?? 0;
      if (share === 0 && made === 0) return [];
      const shifted = taken.item.likelihood.tail(
        expected + share * size.mean,
        expectedSd ** 2 + (share * size.sd) ** 2,
      );
      const withIt = 1 - (1 - made) * (1 - Math.max(LEAST_EXPECTED, shifted));
      return [{ kind: "symptom", symptom, weight: Math.log(withIt / Math.max(LEAST_EXPECTED, tail)) }];
    });
  }

  /** Of figures and tones alone: a symptom is no parabola, and a reason of its own. */
  private lnFigures({ size, shareOf, besides }: FaultCase, from: number): number {
    const { sessions } = this;
    const share = figuresOnly(this.counted(shareOf, from));
    if (!besides) return lnShiftWeight(shiftParabola(sessions, share), size);
    return lnShiftsWeight(sessions, share, figuresOnly(this.counted(besides, from)), size);
  }

  /** @returns what is likely weighed again with all looks taken anew */
  again(one: Weighed): Weighed {
    const { best, each, kind } = one;
    const made = (taken: Taken) => {
      const reading = taken.look?.entry.reading;
      if (taken.at === undefined || Date.parse(taken.at) < thisSeason(this.present)) return 0;
      return reading?.type === "symptom" ? (kind.makes[reading.symptom] ?? 0) : 0;
    };
    const fixed = best.one.besides ? this.counted(best.one.besides, best.from) : () => 0;
    const looks = unlessImpossible(() =>
      lnTakenAnew(this.sessions, this.counted(best.one.shareOf, best.from), fixed, best.one.size, (taken) =>
        alsoMade(taken.item.likelihood, made(taken)),
      ),
    );
    if (looks === undefined || !Number.isFinite(looks)) return one;
    // What the first answer erred by for the best case it erred by for its neighbours.
    const off = looks - best.seen;
    return summedUp(
      kind,
      each.map((other) => ({ ...other, seen: other.seen + off })),
    );
  }

  /** @returns nothing where this rig cannot have it */
  weigh(kind: FaultKind): Weighed | undefined {
    const { present, replayed, changes } = this;
    const { cylinders } = replayed.layout;
    const since = sinceWhen(kind, present, this.checks);
    const onsets = kind.beginsWithChange ? [since] : [since, ...this.days.filter((day) => day > since)];
    const each = onsets.flatMap((from) => {
      const ground = { cylinders, changes: changes.filter(({ at }) => Date.parse(at) >= from) };
      return kind.cases(ground).map((one): WeighedCase => {
        // What was said before the change that it came with says nothing of it.
        const told = one.change ? Date.parse(one.change.at) : since;
        const lately = this.saidSince(told);
        const symptoms = this.symptoms(kind, one, lately);
        const figures = this.lnFigures(one, from);
        return {
          one,
          from,
          reasons: [...symptoms, ...reasonsTold(kind, present, lately, told)],
          figures,
          seen: symptoms.reduce((sum, { weight }) => sum + weight, figures),
        };
      });
    });
    return each.length === 0 ? undefined : summedUp(kind, each);
  }

  /** @returns ln of how much likelier all is because engines may be odd */
  lnOdd(): number {
    const cases = oddCases(this.replayed.layout);
    const usual = 1 - cases.reduce((sum, { prior }) => sum + prior, 0);
    return lnSumExp([
      Math.log(usual),
      ...cases.map(
        ({ prior, size, shareOf }) =>
          Math.log(prior) + lnShiftWeight(shiftParabola(this.sessions, shareOf), size),
      ),
    ]);
  }
}

interface Chances {
  readonly jetting: number;
  readonly each: readonly (Weighed & { readonly chance: number })[];
}

function chancesOf(weighed: readonly Weighed[], lnHealthy: number): Chances {
  // The largest is taken out first: no evidence is so strong that it overflows.
  const most = Math.max(lnHealthy, ...weighed.map(({ lnOdds }) => lnOdds));
  const jetting = Math.exp(lnHealthy - most);
  const total = weighed.reduce((sum, { lnOdds }) => sum + Math.exp(lnOdds - most), jetting);
  return {
    jetting: jetting / total,
    each: weighed.map((one) => ({ ...one, chance: Math.exp(one.lnOdds - most) / total })),
  };
}

const suspectOf = ({ kind, chance, best }: Chances["each"][number]): Suspect => {
  const { one, figures, reasons } = best;
  const because: Reason[] = [{ kind: "looks", weight: figures }, ...reasons];
  return {
    fault: kind.name,
    chance,
    check: one.check ?? kind.check,
    because: because
      .filter(({ weight }) => Math.abs(weight) >= WORTH_SAYING)
      .sort((a, b) => b.weight - a.weight),
    ...(one.cylinder !== undefined && { cylinder: one.cylinder }),
    ...(one.change && { change: one.change }),
  };
};

/** @returns what else than jetting it could be */
export function suspicion(present: Present, replayed: Replayed): Suspicion {
  const weighing = new Weighing(present, replayed);
  const weighed = Object.values(FAULTS).flatMap((kind) => weighing.weigh(kind) ?? []);
  const usual = Math.log(1 - weighed.reduce((sum, { kind }) => sum + kind.prior, 0));
  const lnHealthy = weighing.lnOdd() + usual;
  const first = chancesOf(weighed, lnHealthy);
  const { jetting, each } = chancesOf(
    first.each.map((one) => (one.chance > ASKED_AGAIN ? weighing.again(one) : one)),
    lnHealthy,
  );
  const suspects = each
    .filter(({ chance }) => chance >= WORTH_LISTING)
    .sort((a, b) => b.chance - a.chance)
    .map(suspectOf);
  const hypotheses: Hypothesis[] = [
    { chance: jetting, answers: {} },
    ...each.map(({ kind, chance }) => ({ chance, answers: kind.answers })),
  ];
  const lately = saidLately(present, -Infinity);
  const asks = lately.symptoms.size > 0 || (suspects[0]?.chance ?? 0) >= WORTH_ASKING_ABOUT;
  const question = asks ? bestQuestion(hypotheses, lately, present) : undefined;
  return { suspects, jetting, question };
}
