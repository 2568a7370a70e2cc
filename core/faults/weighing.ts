/** Log evidence of every fault from one rig’s log: looks, symptoms, answers, plugs, walk-round. */
import type { Replayed, ReplayedSession, MatchedEvidence } from "../belief/replay.ts";
import type { LookOutcome } from "../belief/update.ts";
import type { Present } from "../log/present.ts";
import type { CheckEntry } from "../log/schema.ts";
import { perZone, type PerZone, type Zone } from "../carburettor/zones.ts";
import { rigFromBuild } from "../rig/from-build.ts";
import { fadeProfile } from "./fade-profile.ts";
import { changesOf, effectOfChanges, type SeenChange } from "./changes.ts";
import type { FaultCase, FaultKind, Seen } from "./fault-kind.ts";
import type { BaseRates } from "./questions.ts";
import { benignHypotheses } from "./benign-hypotheses.ts";
import { lnShiftsWeight, lnShiftWeight, shiftParabola } from "./shift-weight.ts";
import { alsoMade, lnBayesFactor, MOST_DAYS } from "./bayes-factor.ts";
import {
  checksMade,
  reportedReasons,
  recentReports,
  sinceWhen,
  thisSeason,
  type RecentReports,
  type Reason,
} from "./likelihood-ratios.ts";

/** What all else had hardly led to expect is still this likely: hands and engines differ. */
const LEAST_EXPECTED = 0.02;
/** A fault began before all that is looked at, or on one of so many last days. */
const LAST_DAYS = 3;

/** A fault with all the ways it can be on this rig, and the one that explains most. */
export interface Weighed {
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

export function lnSumExp(values: readonly number[]): number {
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
  (share: (matched: MatchedEvidence) => number) =>
  (matched: MatchedEvidence): number =>
    matched.look?.entry.reading.type === "symptom" ? 0 : share(matched);

/** What was there longer ago is in the belief: a fault is asked of the last days that were looked on. */
const recent = (sessions: readonly ReplayedSession[]): readonly ReplayedSession[] =>
  sessions.length > MOST_DAYS ? sessions.slice(-MOST_DAYS) : sessions;

/** Everything about one rig that its faults are weighed by. */
export class Weighing {
  private readonly changes: readonly { readonly change: SeenChange; readonly instant: number }[];
  private readonly didTo: (matched: MatchedEvidence, zone: Zone, change: SeenChange) => number;
  private readonly days: readonly number[];
  private readonly symptomLooks: ReadonlyMap<string, MatchedEvidence & { readonly outcome: LookOutcome }>;
  private readonly present: Present;
  private readonly replayed: Replayed;
  private readonly sessions: readonly ReplayedSession[];
  private readonly checks: readonly CheckEntry[];
  private readonly said = new Map<number, RecentReports>();
  private readonly fades: PerZone<number>;
  private readonly usually: BaseRates;
  constructor(present: Present, replayed: Replayed, usually: BaseRates) {
    this.usually = usually;
    this.present = present;
    this.replayed = replayed;
    this.sessions = recent(replayed.sessions);
    this.checks = checksMade(present);
    this.fades = present.build ? fadeProfile(rigFromBuild(present.build)) : perZone(() => 1);
    this.changes = changesOf(present).map((change) => ({ change, instant: Date.parse(change.at) }));
    const effect = effectOfChanges(replayed.mixtureOf);
    const known = new Map<MatchedEvidence, Map<SeenChange, number>>();
    this.didTo = (matched, zone, change) => {
      if (!matched.look) return 0;
      const of = known.get(matched) ?? new Map<SeenChange, number>();
      known.set(matched, of);
      const did = of.get(change) ?? effect(matched.look, zone, change);
      of.set(change, did);
      return did;
    };
    const symptoms = replayed.sessions.flatMap(({ matched }) =>
      matched.filter(({ look }) => look?.entry.reading.type === "symptom"),
    );
    const outcomes = new Map(
      symptoms.length === 0 ? [] : replayed.outcomes.map((outcome) => [outcome.lookId, outcome]),
    );
    this.symptomLooks = new Map(
      symptoms.flatMap((one) => {
        const outcome = outcomes.get(one.item.lookId);
        return outcome ? [[one.item.lookId, { ...one, outcome }] as const] : [];
      }),
    );
    const starts = this.sessions.flatMap(({ matched }) => {
      const at = matched[0]?.at;
      return at === undefined ? [] : [Date.parse(at)];
    });
    // The first of them is as good as "before all".
    this.days = starts.slice(1).slice(-LAST_DAYS);
  }

  /** @returns in order */
  private changesSince(from: number): readonly SeenChange[] {
    const first = this.changes.findLastIndex(({ instant }) => instant < from) + 1;
    return this.changes.slice(first).map(({ change }) => change);
  }

  private saidSince(since: number): RecentReports {
    const known = this.said.get(since) ?? recentReports(this.present, since);
    this.said.set(since, known);
    return known;
  }

  /** @returns a share as it counts for what was taken: only once it may have begun */
  private counted(shareOf: (seen: Seen) => number, from: number): (matched: MatchedEvidence) => number {
    return (matched) => {
      const { at } = matched;
      return at === undefined || Date.parse(at) < from ? 0 : shareOf(this.seen(matched, at));
    };
  }

  private seen(matched: MatchedEvidence, at: string): Seen {
    const { item, look } = matched;
    return {
      at,
      zone: item.zone,
      type: look?.entry.reading.type,
      cylinder: look?.entry.cylinder,
      didTo: (change) => this.didTo(matched, item.zone, change),
    };
  }

  /** Symptoms that a fault makes, or that its mixture makes likelier than it is without. */
  private symptoms(kind: FaultKind, { shareOf, size }: FaultCase, lately: RecentReports): Reason[] {
    return [...lately.symptoms].flatMap(([symptom, lookId]): Reason[] => {
      const matched = this.symptomLooks.get(lookId);
      const at = matched?.at;
      if (!matched || at === undefined) return [];
      const { expected, expectedSd, tail } = matched.outcome;
      const share = shareOf(this.seen(matched, at));
      const made = kind.makes[symptom] ?? 0;
      if (share === 0 && made === 0) return [];
      const shifted = matched.item.likelihood.tail(
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
    const made = (matched: MatchedEvidence) => {
      const reading = matched.look?.entry.reading;
      if (matched.at === undefined || Date.parse(matched.at) < thisSeason(this.present)) return 0;
      return reading?.type === "symptom" ? (kind.makes[reading.symptom] ?? 0) : 0;
    };
    const fixed = best.one.besides ? this.counted(best.one.besides, best.from) : () => 0;
    const looks = unlessImpossible(() =>
      lnBayesFactor(
        this.sessions,
        this.counted(best.one.shareOf, best.from),
        fixed,
        best.one.size,
        (matched) => alsoMade(matched.item.likelihood, made(matched)),
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
    const { present, replayed } = this;
    const { cylinders } = replayed.layout;
    const since = sinceWhen(kind, present, this.checks);
    const onsets = kind.beginsWithChange ? [since] : [since, ...this.days.filter((day) => day > since)];
    const each = onsets.flatMap((from) => {
      const ground = { cylinders, fades: this.fades, changes: this.changesSince(from) };
      return kind.cases(ground).map((one): WeighedCase => {
        // What was said before the change that it came with says nothing of it.
        const told = one.change ? Date.parse(one.change.at) : since;
        const lately = this.saidSince(told);
        const symptoms = this.symptoms(kind, one, lately);
        const figures = this.lnFigures(one, from);
        const reported = reportedReasons(kind, present, lately, told, this.usually).filter(
          (reason) => reason.kind !== "answer" || !one.notAnsweredBy?.includes(reason.question),
        );
        return {
          one,
          from,
          reasons: [...symptoms, ...reported],
          figures,
          seen: symptoms.reduce((sum, { weight }) => sum + weight, figures),
        };
      });
    });
    return each.length === 0 ? undefined : summedUp(kind, each);
  }

  /** @returns ln of how much likelier all is because engines may be odd */
  lnOdd(): number {
    const cases = benignHypotheses(this.replayed.layout);
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
