/**
 * The posterior probability that the trouble is no jetting: every fault against an engine that only needs another jet, and
 * against one that is odd but healthy, by the evidence of the whole log.
 */
import type { Replayed } from "../belief/replay.ts";
import type { FaultName } from "../log/fault-names.ts";
import type { Present } from "../log/present.ts";
import type { QuestionName } from "../log/question-names.ts";
import type { CheckName } from "../log/walk-round-names.ts";
import type { SeenChange } from "./changes.ts";
import { bestQuestion, type Hypothesis } from "./best-question.ts";
import { FAULTS } from "./registry.ts";
import { recentReports, type Reason } from "./likelihood-ratios.ts";
import { baseRatesOfYes } from "./base-rates.ts";
import { lnSumExp, Weighing, type Weighed } from "./weighing.ts";

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
/** A reason that makes a fault less than half again as likely is none. */
const WORTH_SAYING = Math.log(1.5);

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

const isNamed = (suspect: Suspect): boolean => hasWitnesses(suspect) || suspect.chance > CHECK_FIRST;

/**
 * @returns what stands out: one, likely by itself and twice as likely as the next; or two that share their witnesses,
 *   likely together and twice as likely as the third
 */
export function namedFaults({ suspects }: Pick<Suspicion, "suspects">): readonly Suspect[] {
  const [first, second, third] = suspects;
  if (!first || !isNamed(first)) return [];
  if (first.chance > NAMED && first.chance >= 2 * (second?.chance ?? 0)) return [first];
  const pair = second && isNamed(second) && second.chance >= first.chance / 2;
  const both = first.chance + (second?.chance ?? 0);
  return pair && both > NAMED && second.chance >= (third?.chance ?? 0) ? [first, second] : [];
}

/** @returns how likely it is that it is no jetting, whatever it is */
export const notJetting = ({ suspects }: Pick<Suspicion, "suspects">): number =>
  suspects.reduce((sum, { chance }) => sum + chance, 0);

/** A check of the walk-round, with all that it can find. */
export interface CheckFirst extends Pick<Suspect, "fault" | "check" | "cylinder"> {
  /** that it is no jetting, whatever it is */
  readonly chance: number;
  /** the other of two that are hard to tell apart */
  readonly orElse?: FaultName;
}

/** Minutes that a check takes. */
const CHECK_MINUTES: Readonly<Record<CheckName, number>> = {
  ignition: 6,
  choke: 3,
  cable: 3,
  breathing: 5,
  floatHeight: 20,
  wetLevel: 12,
  floatDrop: 20,
  needleAndSeat: 15,
  airLeaks: 6,
  passages: 20,
  pump: 10,
  mounting: 6,
  asMade: 20,
};

/** @returns what is looked at first: the check that finds most per minute */
export function bestCheck(suspicion: Pick<Suspicion, "suspects">): CheckFirst | undefined {
  const { suspects } = suspicion;
  const [first, second] = suspects;
  if (!first) return undefined;
  const finds = (check: CheckName) =>
    suspects.reduce((sum, suspect) => (suspect.check === check ? sum + suspect.chance : sum), 0);
  const [best = first] = [...suspects].sort(
    (a, b) => finds(b.check) / CHECK_MINUTES[b.check] - finds(a.check) / CHECK_MINUTES[a.check],
  );
  const { fault, check, cylinder } = best;
  const other = fault === first.fault ? second : first;
  return {
    fault,
    check,
    ...(cylinder !== undefined && { cylinder }),
    chance: notJetting(suspicion),
    ...(other && other.chance >= best.chance / 2 && { orElse: other.fault }),
  };
}

/** @returns what is looked at before anything is jetted, where all that it could be besides is so likely together */
export const checkFirst = (suspicion: Pick<Suspicion, "suspects">): CheckFirst | undefined =>
  notJetting(suspicion) > CHECK_FIRST ? bestCheck(suspicion) : undefined;

/** One way in which the claims of the log may be, with what is weighed in it. */
interface Way {
  readonly lnShare: number;
  readonly weighing: Weighing;
}

/** A fault in one way of the claims: what looks like a wrong book may be a right one on a broken engine. */
type InOneWay = Weighed & { readonly way: Way };

interface Chances<T> {
  readonly jetting: number;
  readonly each: readonly (T & { readonly chance: number })[];
}

function chancesOf<T extends Pick<Weighed, "lnOdds">>(weighed: readonly T[], lnHealthy: number): Chances<T> {
  // The largest is taken out first: no evidence is so strong that it overflows.
  const most = Math.max(lnHealthy, ...weighed.map(({ lnOdds }) => lnOdds));
  const jetting = Math.exp(lnHealthy - most);
  const total = weighed.reduce((sum, { lnOdds }) => sum + Math.exp(lnOdds - most), jetting);
  return {
    jetting: jetting / total,
    each: weighed.map((one) => ({ ...one, chance: Math.exp(one.lnOdds - most) / total })),
  };
}

const weighedIn =
  (way: Way) =>
  (one: Weighed): InOneWay => ({ ...one, way, lnOdds: one.lnOdds + way.lnShare });

/**
 * The likeliest first, until no first answer is left that still counts: where looks contradict each other a rank-one
 * step can be off by far, and would then hide all that is weighed well.
 */
function askedAgain(weighed: readonly InOneWay[], lnHealthy: number): Chances<InOneWay> {
  const answers = [...weighed];
  const open = new Set(weighed.keys());
  for (;;) {
    const now = chancesOf(answers, lnHealthy);
    const chanceOf = (i: number) => now.each[i]?.chance ?? 0;
    const [next] = [...open]
      .filter((i) => chanceOf(i) > ASKED_AGAIN)
      .sort((a, b) => chanceOf(b) - chanceOf(a));
    const one = next === undefined ? undefined : answers[next];
    if (next === undefined || !one) return now;
    answers[next] = weighedIn(one.way)(one.way.weighing.again(one));
    open.delete(next);
  }
}

/** @returns each fault once: its chance in all ways together, its story by the likeliest of them */
function overWays(each: Chances<InOneWay>["each"]): (Weighed & { readonly chance: number })[] {
  const found = new Map<FaultName, Weighed & { readonly chance: number; readonly most: number }>();
  for (const one of each) {
    const { name } = one.kind;
    const before = found.get(name);
    const chance = one.chance + (before?.chance ?? 0);
    if (before && before.most >= one.chance) found.set(name, { ...before, chance });
    else found.set(name, { ...one, most: one.chance, chance });
  }
  return [...found.values()];
}

const suspectOf = ({ kind, chance, best }: Weighed & { readonly chance: number }): Suspect => {
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
  const usually = baseRatesOfYes(present, replayed);
  const ways = replayed.cases.map(({ share, ...seen }): Way => ({
    lnShare: Math.log(share),
    weighing: new Weighing(present, { ...replayed, ...seen }, usually),
  }));
  const weighed = ways.flatMap((way) =>
    Object.values(FAULTS)
      .flatMap((kind) => way.weighing.weigh(kind) ?? [])
      .map(weighedIn(way)),
  );
  const priors = new Map(weighed.map(({ kind }) => [kind.name, kind.prior]));
  const usual = Math.log(1 - [...priors.values()].reduce((sum, prior) => sum + prior, 0));
  const lnHealthy = lnSumExp(ways.map(({ lnShare, weighing }) => lnShare + weighing.lnOdd())) + usual;
  const { jetting, each: inWays } = askedAgain(weighed, lnHealthy);
  const each = overWays(inWays);
  const suspects = each
    .filter(({ chance }) => chance >= WORTH_LISTING)
    .sort((a, b) => b.chance - a.chance)
    .map(suspectOf);
  const hypotheses: Hypothesis[] = [
    { chance: jetting, answers: {} },
    ...each.map(({ kind, chance }) => ({ chance, answers: kind.answers })),
  ];
  const lately = recentReports(present, -Infinity);
  const asks = lately.symptoms.size > 0 || (suspects[0]?.chance ?? 0) >= WORTH_ASKING_ABOUT;
  const question = asks ? bestQuestion(hypotheses, lately, present, usually) : undefined;
  return { suspects, jetting, question };
}
