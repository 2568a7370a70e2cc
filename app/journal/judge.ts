/** What the screens ask the judge about a rig. */
import type { AirEntry, Entry, LookEntry, Setting } from "#core/log/schema.ts";
import type { TrialAsked } from "#core/log/trial-asked.ts";
import type { Zone } from "#core/carburettor/zones.ts";
import type { Advice } from "#core/advice/card/advise.ts";
import type { Distribution } from "#core/advice/card/cylinders.ts";
import type { Deeper } from "#core/advice/card/deeper.ts";
import type { LambdaMap } from "#core/advice/judge/lambda-map.ts";
import type { NeedleNear, PartsAnswer, WhichNeedle } from "#core/advice/parts/parts-answer.ts";
import type { Outlook } from "#core/advice/card/outlook.ts";
import type { Sieve, SieveAxes } from "#core/advice/card/sieve.ts";
import type { Trial } from "#core/advice/judge/trial.ts";
import type { AsThen } from "#core/day/as-then.ts";
import type { SettingsCompared } from "#core/day/compare-settings.ts";
import type { DaysCompared } from "#core/day/compare-days.ts";
import type { Trend } from "#core/day/trend.ts";
import type { DayAnswer } from "#core/day/day-answer.ts";
import type { PackAsked } from "#core/pack/asked.ts";
import type { SeasonMonth } from "#core/pack/pack-answer.ts";
import type { PackList } from "#core/pack/pack-list.ts";
import type { RouteAnswer } from "#core/route/route-answer.ts";
import type { ModelOrLearnt } from "#core/advice/card/model-or-learnt.ts";
import { heardBy, keepSaid } from "#app/store/instruments.ts";
import { keepLastAdvice, readLastAdvice, type RigFaceKept } from "#app/store/last-advice.ts";
import { readRig } from "#app/store/rig-log.ts";
import { judge, valueOf } from "#app/workers/client.ts";
import type { Answers, LogSent, Question } from "#app/workers/protocol.ts";
import { presentOf } from "./open-rig.ts";

/** What the judge was last sent of each rig: a save sends only what is new. */
const sent = new Map<string, { readonly revision: string; readonly ids: ReadonlySet<string> }>();
/** Logs on their way: whoever asks meanwhile waits for them. */
const onTheirWay = new Map<string, Promise<unknown>>();

const rigOf = (revision: string): string => revision.split(" ")[0] ?? revision;

/** @returns what came to the log since it was last sent, nothing when it is to be sent whole */
function sinceLast(
  revision: string,
  entries: readonly Entry[],
): Pick<LogSent, "entries" | "since"> | undefined {
  const last = sent.get(rigOf(revision));
  if (!last || last.revision === revision) return undefined;
  const fresh = entries.filter(({ id }) => !last.ids.has(id));
  // Anything taken out, or another rig under the same name: whole.
  return fresh.length + last.ids.size === entries.length
    ? { entries: fresh, since: last.revision }
    : undefined;
}

/** Sends the log, and the first question with it. */
async function open<Q extends Question>(
  revision: string,
  entries: readonly Entry[],
  question: Q,
): Promise<Answers[Q["ask"]]> {
  const rigId = rigOf(revision);
  const heard = await heardBy(rigId);
  const opened = await judge.call(async (remote) => {
    const fresh = sinceLast(revision, entries);
    const first = fresh && (await remote.open({ rigId, revision, heard, ...fresh }, question));
    if (first && (first.ok || first.name !== "unknownLog")) return first;
    return remote.open({ rigId, revision, heard, entries }, question);
  });
  const { said, answer } = valueOf(opened);
  sent.set(rigId, { revision, ids: new Set(entries.map(({ id }) => id)) });
  await keepSaid(rigId, said);
  return answer as Answers[Q["ask"]];
}

/** Asks about a log, sending it first where the judge does not know it. */
async function ask<Q extends Question>(
  revision: string,
  entries: readonly Entry[],
  question: Q,
): Promise<Answers[Q["ask"]]> {
  await onTheirWay.get(revision)?.catch(() => undefined);
  const first = await judge.call(async (remote) => await remote.answer(revision, question));
  if (first.ok || first.name !== "unknownLog") return valueOf(first) as Answers[Q["ask"]];
  const opening = open(revision, entries, question);
  onTheirWay.set(revision, opening);
  try {
    return await opening;
  } finally {
    if (onTheirWay.get(revision) === opening) onTheirWay.delete(revision);
  }
}

/** @returns what a rig showed of itself when this very log was last worked out, without waiting for the judge */
export async function keptFace(revision: string): Promise<RigFaceKept | undefined> {
  const rigId = rigOf(revision);
  return readLastAdvice(rigId, revision, await heardBy(rigId));
}

export type Shown = Pick<RigFaceKept, "air" | "held">;

/**
 * @param shown - what the rig shows of itself beside the advice: given, the advice is kept for the next visit, and one
 *   that was kept is answered at once
 * @throws {WorkerFailure} with words for the screen
 */
export async function askAdvice(
  revision: string,
  entries: readonly Entry[],
  draft: AirEntry | undefined,
  carburettor = 0,
  shown?: Shown,
): Promise<Advice> {
  const question = { ask: "advice", draft, carburettor } as const;
  if (!shown || draft || carburettor !== 0) return ask(revision, entries, question);
  const kept = await keptFace(revision);
  return kept ? kept.advice : worked(revision, entries, shown);
}

async function worked(revision: string, entries: readonly Entry[], { air, held }: Shown): Promise<Advice> {
  const advice = await ask(revision, entries, { ask: "advice", draft: undefined, carburettor: 0 });
  const rigId = rigOf(revision);
  await keepLastAdvice(rigId, revision, await heardBy(rigId), { advice, air, held });
  return advice;
}

/**
 * What a rig shows of itself in the paddock: as it was kept, else read and worked out.
 * @throws {Error} with words for the screen
 */
export async function askFace(rigId: string, revision: string): Promise<RigFaceKept> {
  const kept = await keptFace(revision);
  if (kept) return kept;
  const log = await readRig(rigId);
  if (!log.ok) throw new Error(log.problem.message);
  const { air, held } = presentOf(log.value);
  return { air, held, advice: await worked(log.value.revision, log.value.entries, { air, held }) };
}

/** @throws {WorkerFailure} with words for the screen */
export const askAdviceAfter = (
  revision: string,
  entries: readonly Entry[],
  look: LookEntry,
  carburettor = 0,
): Promise<Advice> => ask(revision, entries, { ask: "adviceAfter", look, carburettor });

/** @throws {WorkerFailure} with words for the screen */
export const askDistribution = (revision: string, entries: readonly Entry[]): Promise<Distribution> =>
  ask(revision, entries, { ask: "distribution" });

/** @throws {WorkerFailure} with words for the screen */
export const askOutlook = (revision: string, entries: readonly Entry[], zone: Zone): Promise<Outlook[]> =>
  ask(revision, entries, { ask: "outlook", zone });

/** @throws {WorkerFailure} with words for the screen */
export const askSieve = (
  revision: string,
  entries: readonly Entry[],
  axes: SieveAxes,
  carburettor: number,
  counted?: number,
): Promise<Sieve> => ask(revision, entries, { ask: "sieve", axes, carburettor, counted });

/** @throws {WorkerFailure} with words for the screen */
export const askTrial = (
  revision: string,
  entries: readonly Entry[],
  asked: TrialAsked,
  carburettor: number,
): Promise<Trial> => ask(revision, entries, { ask: "trial", asked, carburettor });

/** @throws {WorkerFailure} with words for the screen */
export const askWhose = (
  revision: string,
  entries: readonly Entry[],
  carburettor: number,
): Promise<ModelOrLearnt> => ask(revision, entries, { ask: "whose", carburettor });

/** @throws {WorkerFailure} with words for the screen */
export const askParts = (
  revision: string,
  entries: readonly Entry[],
  carburettor: number,
): Promise<PartsAnswer> => ask(revision, entries, { ask: "parts", carburettor });

/** @throws {WorkerFailure} with words for the screen */
export const askNearest = (
  revision: string,
  entries: readonly Entry[],
  wanted: WhichNeedle,
  carburettor: number,
): Promise<NeedleNear[]> => ask(revision, entries, { ask: "nearest", wanted, carburettor });

/** @throws {WorkerFailure} with words for the screen */
export const askDeeper = (
  revision: string,
  entries: readonly Entry[],
  carburettor: number,
): Promise<Deeper> => ask(revision, entries, { ask: "deeper", carburettor });

/** @throws {WorkerFailure} with words for the screen */
export const askLambdaMap = (
  revision: string,
  entries: readonly Entry[],
  carburettor: number,
): Promise<LambdaMap> => ask(revision, entries, { ask: "lambdaMap", carburettor });

/** @throws {WorkerFailure} with words for the screen */
export const askCompare = (
  revision: string,
  entries: readonly Entry[],
  { a, b }: { readonly a: string; readonly b: string },
  carburettor: number,
): Promise<DaysCompared> => ask(revision, entries, { ask: "compare", a, b, carburettor });

/** @throws {WorkerFailure} with words for the screen */
export const askSettings = (
  revision: string,
  entries: readonly Entry[],
  { a, b }: { readonly a: Setting; readonly b: Setting },
  carburettor: number,
): Promise<SettingsCompared> => ask(revision, entries, { ask: "settings", a, b, carburettor });

/** @throws {WorkerFailure} with words for the screen */
export const askThen = (
  revision: string,
  entries: readonly Entry[],
  entryId: string,
  carburettor: number,
): Promise<AsThen | undefined> => ask(revision, entries, { ask: "then", entryId, carburettor });

/** @throws {WorkerFailure} with words for the screen */
export const askTrend = (revision: string, entries: readonly Entry[], carburettor: number): Promise<Trend> =>
  ask(revision, entries, { ask: "trend", carburettor });

/** @throws {WorkerFailure} with words for the screen */
export const askDay = (
  revision: string,
  entries: readonly Entry[],
  carburettor: number,
): Promise<DayAnswer | undefined> => ask(revision, entries, { ask: "day", carburettor });

/** @throws {WorkerFailure} with words for the screen */
export const askRoute = (
  revision: string,
  entries: readonly Entry[],
  routeId: string,
  carburettor: number,
): Promise<RouteAnswer> => ask(revision, entries, { ask: "route", routeId, carburettor });

/** @throws {WorkerFailure} with words for the screen */
export const askPack = (
  revision: string,
  entries: readonly Entry[],
  asked: PackAsked,
  carburettor: number,
): Promise<PackList> => ask(revision, entries, { ask: "pack", asked, carburettor });

/** @throws {WorkerFailure} with words for the screen */
export const askSeason = (
  revision: string,
  entries: readonly Entry[],
  { place, elevationM }: { place: string; elevationM: number },
  carburettor: number,
): Promise<SeasonMonth[]> => ask(revision, entries, { ask: "season", place, elevationM, carburettor });
