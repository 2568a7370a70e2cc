/** Queries to the judge worker about a rig. */
import type { AirEntry, Entry, InstrumentMessage } from "#core/log/schema.ts";
import type { Advice } from "#core/advice/card/advise.ts";
import { heardBy, keepSaid } from "#app/store/instruments.ts";
import { keepLastAdvice, readLastAdvice, type RigFaceKept } from "#app/store/last-advice.ts";
import { readRig } from "#app/store/rig-log.ts";
import { judge, valueOf } from "#app/workers/client.ts";
import type { Answers, LogSent, Question } from "#app/workers/protocol.ts";
import { revisionKey, sameRevision, type Revision } from "#app/workers/revision.ts";
import { presentOf } from "./open-rig.ts";

/** The log of a rig, as it is asked about. */
export interface AskedLog {
  readonly revision: Revision;
  readonly entries: readonly Entry[];
}

/** What the judge was last sent of each rig: a save sends only what is new. */
const sent = new Map<string, { readonly revision: Revision; readonly ids: ReadonlySet<string> }>();
/** Logs on their way: whoever asks meanwhile waits for them. */
const onTheirWay = new Map<string, Promise<unknown>>();

const isThere = (revision: Revision): boolean => {
  const last = sent.get(revision.rigId);
  return last !== undefined && sameRevision(last.revision, revision);
};

/** @returns what came to the log since it was last sent, nothing when it is to be sent whole */
function sinceLast({ revision, entries }: AskedLog): Pick<LogSent, "entries" | "since"> | undefined {
  const last = sent.get(revision.rigId);
  if (!last || sameRevision(last.revision, revision)) return undefined;
  const fresh = entries.filter(({ id }) => !last.ids.has(id));
  // Anything taken out, or another rig under the same name: whole.
  return fresh.length + last.ids.size === entries.length
    ? { entries: fresh, since: last.revision }
    : undefined;
}

/** Sends the log, and the first question with it. */
async function open<Q extends Question>(
  log: AskedLog,
  question: Q,
  known?: readonly InstrumentMessage[],
): Promise<Answers[Q["ask"]]> {
  const { revision, entries } = log;
  const heard = known ?? (await heardBy(revision.rigId));
  const opened = await judge.call(async (remote) => {
    const fresh = sinceLast(log);
    const first = fresh && (await remote.open({ revision, heard, ...fresh }, question));
    if (first && (first.ok || first.name !== "unknownLog")) return first;
    return remote.open({ revision, heard, entries }, question);
  });
  const { said, answer } = valueOf(opened);
  sent.set(revision.rigId, { revision, ids: new Set(entries.map(({ id }) => id)) });
  await keepSaid(revision.rigId, said);
  return answer as Answers[Q["ask"]];
}

/**
 * Asks about a log, sending it first where the judge does not know it.
 * @param heard - what other rigs say of the instruments, where that was read already
 * @throws {WorkerFailure} with words for the screen
 */
export async function askJudge<Q extends Question>(
  log: AskedLog,
  question: Q,
  heard?: readonly InstrumentMessage[],
): Promise<Answers[Q["ask"]]> {
  const key = revisionKey(log.revision);
  const opened = onTheirWay.get(key);
  // Awaited only where there is one: else two who ask at once would both send the log.
  if (opened) await opened.catch(() => undefined);
  // A save is sent with its first question: nobody asks whether it is there.
  if (isThere(log.revision)) {
    const first = await judge.call(async (remote) => await remote.answer(log.revision, question));
    if (first.ok || first.name !== "unknownLog") return valueOf(first) as Answers[Q["ask"]];
  }
  const opening = open(log, question, heard);
  onTheirWay.set(key, opening);
  try {
    return await opening;
  } finally {
    if (onTheirWay.get(key) === opening) onTheirWay.delete(key);
  }
}

/** @returns what a rig showed of itself when this very log was last worked out, without waiting for the judge */
export async function keptFace(revision: Revision): Promise<RigFaceKept | undefined> {
  return readLastAdvice(revision, await heardBy(revision.rigId));
}

export type Shown = Pick<RigFaceKept, "air" | "held">;

/**
 * @param shown - what the rig shows of itself beside the advice: given, the advice is kept for the next visit, and one
 *   that was kept is answered at once
 * @throws {WorkerFailure} with words for the screen
 */
export async function askAdvice(
  log: AskedLog,
  draft: AirEntry | undefined,
  carburettor = 0,
  shown?: Shown,
): Promise<Advice> {
  if (!shown || draft || carburettor !== 0) return askJudge(log, { ask: "advice", draft, carburettor });
  const heard = await heardBy(log.revision.rigId);
  const kept = await readLastAdvice(log.revision, heard);
  return kept ? kept.advice : worked(log, shown, heard);
}

async function worked(
  log: AskedLog,
  { air, held }: Shown,
  heard: readonly InstrumentMessage[],
): Promise<Advice> {
  const advice = await askJudge(log, { ask: "advice", draft: undefined, carburettor: 0 }, heard);
  await keepLastAdvice(log.revision, heard, { advice, air, held });
  return advice;
}

/**
 * What a rig shows of itself in the paddock: as it was kept, else read and worked out.
 * @throws {Error} with words for the screen
 */
export async function askFace(revision: Revision): Promise<RigFaceKept> {
  const heard = await heardBy(revision.rigId);
  const kept = await readLastAdvice(revision, heard);
  if (kept) return kept;
  const log = await readRig(revision.rigId);
  if (!log.ok) throw new Error(log.problem.message);
  const { air, held } = presentOf(log.value);
  return { air, held, advice: await worked(log.value, { air, held }, heard) };
}
