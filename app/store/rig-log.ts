/** The log of one rig: read once a revision, added to day by day. */
import { parseKeeping } from "#core/log/keep-unknown.ts";
import { dayOf, Entry, Header } from "#core/log/schema.ts";
import { inOrder, inOrderWith } from "#core/log/in-order.ts";
import { writing, openBook } from "./book.ts";
import type { Revision } from "#app/workers/revision.ts";
import { tellOtherTabs } from "./changes.ts";
import { database, headerKey, indexKey } from "./database.ts";
import { isGone, readDays, replaced, unreadable, writeDays } from "./days.ts";
import { failed, guarded, stored, type Stored } from "./failure.ts";
import { isPractice } from "./practice-rigs.ts";
import { letGo } from "./snapshot-records.ts";
import { askToKeep } from "./space.ts";
import { commit, readIndex, rigIds, type RigIndex } from "./records.ts";

export interface RigLog {
  readonly header: Header;
  readonly entries: readonly Entry[];
  /** changes whenever the log does */
  readonly revision: Revision;
}

interface Known {
  readonly index: RigIndex;
  readonly log: RigLog;
}
/** What was read in this tab: the same revision is the same object. */
const known = new Map<string, Known>();

const nameOf = (rigId: string, { token, revision }: RigIndex): Revision => ({
  rigId,
  token,
  count: revision,
});
const missing = (rigId: string) => failed("missing", `There is no rig "${rigId}" in this browser.`);

async function load(rigId: string, tries = 5): Promise<Stored<Known>> {
  const index = await readIndex(rigId);
  if (!index.ok) return index;
  const before = known.get(rigId);
  if (
    index.value &&
    before?.index.token === index.value.token &&
    before.index.revision === index.value.revision
  )
    return stored(before);
  const raw = await database.getItem(headerKey(rigId));
  if (raw === null || !index.value) return raw === null ? missing(rigId) : unreadableHeader(rigId, raw);
  const header = Header.safeParse(raw);
  if (!header.success) return unreadable(`The rig ${rigId}`, header.error);
  const entries = await readDays(rigId, index.value);
  // Another tab has written between the two reads: what the index names now is there.
  if (isGone(entries) && tries > 0) return load(rigId, tries - 1);
  if (!entries.ok) return isGone(entries) ? failed("unreadable", entries.problem.message) : entries;
  const log = {
    header: header.data,
    entries: inOrder(entries.value),
    revision: nameOf(rigId, index.value),
  };
  const loaded = { index: index.value, log };
  known.set(rigId, loaded);
  return stored(loaded);
}

function unreadableHeader(rigId: string, raw: unknown): Stored<never> {
  const header = Header.safeParse(raw);
  return header.success
    ? failed(
        "unreadable",
        `The rig ${rigId} has no index of its days. Reload; if that does not help, save the raw data on the Data page, then import a good export.`,
      )
    : unreadable(`The rig ${rigId}`, header.error);
}

/** Of the book's rigs alone; what is asked of the storage is asked at once. */
async function booked(rigId: string): Promise<Stored<Known>> {
  const [ids, loaded] = await Promise.all([rigIds(), load(rigId)]);
  return ids.includes(rigId) ? loaded : missing(rigId);
}

/** A practice rig is read from its game: loaded when there is one. */
const practiceLog = () => import("./practice-log.ts");

export function readRig(rigId: string): Promise<Stored<RigLog>> {
  return guarded(async () => {
    if (isPractice(rigId)) return (await practiceLog()).readGameLog(rigId);
    await openBook();
    const loaded = await booked(rigId);
    return loaded.ok ? stored(loaded.value.log) : loaded;
  });
}

/** @returns the revision of a rig, without reading its days */
export function revisionOf(rigId: string): Promise<Stored<Revision>> {
  return guarded(async () => {
    await openBook();
    const index = await readIndex(rigId);
    if (!index.ok) return index;
    return index.value ? stored(nameOf(rigId, index.value)) : missing(rigId);
  });
}

const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

/**
 * @returns those of the given entries that the log has not got yet
 * An id stands once in a log, whatever happens: the same entry again is passed over, another one under it refused.
 */
export function newEntries(log: readonly Entry[], given: readonly Entry[]): Stored<Entry[]> {
  const byId = new Map(log.map((entry) => [entry.id, entry]));
  const fresh: Entry[] = [];
  for (const entry of given) {
    const there = byId.get(entry.id);
    if (there && !same(there, entry))
      return failed(
        "conflict",
        `The entry ${entry.id} is already in this log with other content. Nothing was changed; delete the rig first if the file is the right one.`,
      );
    if (there) continue;
    byId.set(entry.id, entry);
    fresh.push(entry);
  }
  return stored(fresh);
}

/** @throws {z.ZodError} for what is no entry; one that is moved here may have keys of a newer Tamis */
function checked(entry: Entry): Entry {
  const read = parseKeeping(Entry, entry);
  if (read.ok) return read.data;
  throw read.error;
}

/** @returns whether they were saved; on any failure nothing has changed */
export const append = (rigId: string, ...entries: readonly Entry[]): Promise<Stored<null>> =>
  appendUnless(rigId, entries, () => undefined);

/**
 * @param entries - of one day: what one tap logs is kept at once or not at all
 * @param refusal - in words, by the log as it is when nobody else can write: two saves in one instant see each other
 * @returns whether they were saved; on any failure nothing has changed
 */
export async function appendUnless(
  rigId: string,
  entries: readonly Entry[],
  refusal: (log: RigLog) => string | undefined,
): Promise<Stored<null>> {
  const [first] = entries;
  if (!first) return stored(null);
  if (isPractice(rigId)) return (await practiceLog()).appendToGame(rigId, entries.map(checked), refusal);
  const day = dayOf(first.at);
  if (entries.some(({ at }) => dayOf(at) !== day))
    throw new RangeError(`entries must be of one day, got ${entries.map(({ at }) => dayOf(at)).join(", ")}`);
  const saved = await writing(async () => {
    const loaded = await booked(rigId);
    if (!loaded.ok) return loaded;
    const fresh = newEntries(loaded.value.log.entries, entries.map(checked));
    if (!fresh.ok) return fresh;
    if (fresh.value.length === 0) return stored(null);
    const { index, log } = loaded.value;
    const refused = refusal(log);
    if (refused !== undefined) return failed("refused", refused);
    const next = await writeDays(rigId, index, fresh.value);
    await commit([{ key: indexKey(rigId), value: next }]);
    // What is known now need not be read again.
    const after = { ...log, entries: inOrderWith(log.entries, fresh.value), revision: nameOf(rigId, next) };
    known.set(rigId, { index: next, log: after });
    await letGo(replaced(index, next));
    return stored(null);
  });
  if (saved.ok) {
    tellOtherTabs(rigId);
    askToKeep();
  }
  return saved;
}

/** Another name and plate; the log stays as it is. */
export function renameRig(rigId: string, face: Pick<Header, "name" | "plate">): Promise<Stored<null>> {
  return writing(async () => {
    const loaded = await booked(rigId);
    if (!loaded.ok) return loaded;
    const { log, index } = loaded.value;
    await commit([
      { key: headerKey(rigId), value: Header.parse({ ...log.header, ...face }) },
      // What was read of it is read again, here and in other tabs.
      { key: indexKey(rigId), value: { ...index, revision: index.revision + 1 } },
    ]);
    tellOtherTabs(rigId);
    return stored(null);
  });
}

/** What {@link importRigs} builds on. */
export async function loadForMerge(rigId: string): Promise<Stored<Known | undefined>> {
  if (!(await rigIds()).includes(rigId)) return stored(undefined);
  return load(rigId);
}
