/**
 * The log in the browser, behind one door: parsed when read, locked and revisioned when written. A day is
 * the unit of storage: one key, one atomic write.
 */
import * as z from "zod";
import { migrate } from "#core/log/migrations.ts";
import { pathText } from "#core/log/read-file.ts";
import { dayOf, Header, LOG_VERSION, StoredDay, type Entry } from "#core/log/schema.ts";
import { inOrder } from "#core/log/fold.ts";
import { checkEntries } from "#core/rig/check-log.ts";
import { tellOtherTabs } from "./changes.ts";
import { database, dayKey, headerKey, parseDayKey } from "./database.ts";
import { failed, storageFailure, stored, type Stored } from "./failure.ts";
import { withLock } from "./locks.ts";
import { isPhotoKey, putPhotos, removeKeys, type Photo } from "./photos.ts";

export interface RigLog {
  readonly header: Header;
  readonly entries: readonly Entry[];
  /** changes whenever the log does: what depends on it can be kept under this name */
  readonly revision: string;
}

export interface RigEntries {
  readonly header: Header;
  readonly entries: readonly Entry[];
  /** kept although this rig cannot have them: they lose nothing by a journey */
  readonly setAside?: readonly Entry[] | undefined;
}

function unreadable(what: string, error: z.ZodError): ReturnType<typeof failed> {
  const issue = error.issues[0];
  const where = issue ? `${pathText(issue.path) || "the record"}: ${issue.message}` : "the record";
  return failed(
    "unreadable",
    `${what} in this browser's storage cannot be read (${where}). Nothing was changed. Save the raw data on the Data page, then import a good export.`,
  );
}

function parseDay(rigId: string, day: string, raw: unknown): Stored<StoredDay> {
  if (raw === null) return stored({ version: LOG_VERSION, revision: 1, entries: [] });
  const migrated = migrate(typeof raw === "object" ? { ...raw } : {});
  if (!migrated.ok && migrated.reason === "newer")
    return failed(
      "unreadable",
      `The log of ${day} was written by a newer Tamis. Reload to update, then open it again.`,
    );
  const parsed = StoredDay.safeParse(migrated.ok ? migrated.record : raw);
  return parsed.success ? stored(parsed.data) : unreadable(`The log of ${day} (${rigId})`, parsed.error);
}

async function daysOf(rigId: string): Promise<string[]> {
  const keys = await database.keys();
  return keys
    .map(parseDayKey)
    .filter((key) => key?.rigId === rigId)
    .map((key) => key?.day ?? "")
    .sort();
}

async function guarded<T>(work: () => Promise<Stored<T>>): Promise<Stored<T>> {
  try {
    return await work();
  } catch (error) {
    return storageFailure(error);
  }
}

/** @returns the headers of all rigs that can be read, by name */
export function listRigs(): Promise<Stored<Header[]>> {
  return guarded(async () => {
    const keys = (await database.keys()).filter((key) => key.endsWith("/header"));
    const raw = await Promise.all(keys.map((key) => database.getItem(key)));
    const headers = raw.flatMap((value) => {
      const parsed = Header.safeParse(value);
      return parsed.success ? [parsed.data] : [];
    });
    return stored(headers.sort((a, b) => a.name.localeCompare(b.name)));
  });
}

export function readRig(rigId: string): Promise<Stored<RigLog>> {
  return guarded(async () => {
    const rawHeader = await database.getItem(headerKey(rigId));
    if (rawHeader === null) return failed("missing", `There is no rig "${rigId}" in this browser.`);
    const header = Header.safeParse(rawHeader);
    if (!header.success) return unreadable(`The rig ${rigId}`, header.error);
    const days = await daysOf(rigId);
    const raw = await Promise.all(days.map((day) => database.getItem(dayKey(rigId, day))));
    const entries: Entry[] = [];
    const revisions: string[] = [];
    for (const [i, day] of days.entries()) {
      const parsed = parseDay(rigId, day, raw[i]);
      if (!parsed.ok) return parsed;
      entries.push(...parsed.value.entries);
      revisions.push(`${day}.${parsed.value.revision}`);
    }
    return stored({
      header: header.data,
      entries: inOrder(entries),
      revision: `${rigId} ${revisions.join(" ")}`,
    });
  });
}

/** Appends entries of one day in one write. */
async function appendToDay(rigId: string, day: string, entries: readonly Entry[]): Promise<Stored<null>> {
  const key = dayKey(rigId, day);
  const before = parseDay(rigId, day, await database.getItem(key));
  if (!before.ok) return before;
  const { revision, entries: old } = before.value;
  const next: StoredDay = { version: LOG_VERSION, revision: revision + 1, entries: [...old, ...entries] };
  await database.setItem(key, StoredDay.parse(next));
  return stored(null);
}

/**
 * @param entries - of one day: what one tap logs is written at once or not at all
 * @returns whether they were saved; on any failure nothing has changed
 */
export async function append(rigId: string, ...entries: readonly Entry[]): Promise<Stored<null>> {
  const [first] = entries;
  if (!first) return stored(null);
  const day = dayOf(first.at);
  if (entries.some(({ at }) => dayOf(at) !== day))
    throw new RangeError(`entries must be of one day, got ${entries.map(({ at }) => dayOf(at)).join(", ")}`);
  const saved = await guarded(() =>
    withLock(rigId, async () => {
      if ((await database.getItem(headerKey(rigId))) === null)
        return failed("missing", `There is no rig "${rigId}" in this browser.`);
      return appendToDay(rigId, day, entries);
    }),
  );
  if (saved.ok) tellOtherTabs(rigId);
  return saved;
}

export interface Added {
  readonly rigs: number;
  readonly entries: number;
}

type Snapshot = readonly { key: string; value: unknown }[];

interface Merged extends Added {
  /** what stood there before */
  readonly before: Snapshot;
}

async function restore(snapshot: Snapshot): Promise<void> {
  for (const { key, value } of snapshot)
    await (value === null ? database.removeItem(key) : database.setItem(key, value));
}

const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

/** New entries of one rig, or the entry that stands in the log with other content. */
function newEntries(known: readonly Entry[], given: readonly Entry[]): Stored<Entry[]> {
  const byId = new Map(known.map((entry) => [entry.id, entry]));
  const clash = given.find((entry) => byId.has(entry.id) && !same(byId.get(entry.id), entry));
  if (clash)
    return failed(
      "conflict",
      `The entry ${clash.id} is already in this log with other content. Nothing was imported; delete the rig first if the file is the right one.`,
    );
  return stored(given.filter((entry) => !byId.has(entry.id)));
}

function groupByDay(entries: readonly Entry[]): Map<string, Entry[]> {
  const days = new Map<string, Entry[]>();
  for (const entry of entries) days.set(dayOf(entry.at), [...(days.get(dayOf(entry.at)) ?? []), entry]);
  return days;
}

/** Written days first, header last: a rig without its header is not there yet. */
async function mergeRig({ header, entries: good, setAside = [] }: RigEntries): Promise<Stored<Merged>> {
  const entries = [...good, ...setAside];
  const known = await readRig(header.id);
  if (!known.ok && known.problem.reason !== "missing") return known;
  const kept = known.ok ? known.value.entries : [];
  const fresh = newEntries(kept, entries);
  if (!fresh.ok) return fresh;
  // Two logs may be sound each and clash together: a needle of three grooves here, the fourth groove there.
  const clash = checkEntries(
    kept,
    fresh.value.filter(({ id }) => !setAside.some((one) => one.id === id)),
  );
  if (clash)
    return failed(
      "conflict",
      `Together with what is here, the ${clash.entry.kind} of ${clash.entry.at.slice(0, 10)} (${clash.entry.id}) cannot be: ${clash.why}. Nothing was imported; strike that entry through on the device it came from, then export again.`,
    );
  const byDay = groupByDay(fresh.value);
  const keys = [...[...byDay.keys()].map((day) => dayKey(header.id, day)), headerKey(header.id)];
  const before = await Promise.all(keys.map(async (key) => ({ key, value: await database.getItem(key) })));
  try {
    for (const [day, ofDay] of byDay) {
      const written = await appendToDay(header.id, day, ofDay);
      if (!written.ok) throw new Error(written.problem.message);
    }
    if (!known.ok) await database.setItem(headerKey(header.id), Header.parse(header));
  } catch (error) {
    await restore(before);
    throw error;
  }
  return stored({ rigs: known.ok ? 0 : 1, entries: fresh.value.length, before });
}

/**
 * Merges whole rigs: entries that are there already are passed over. Anything wrong with one rig (a clash, a
 * full device) refuses all of them: those already merged are put back as they were.
 */
export async function importRigs(
  rigs: readonly RigEntries[],
  photos: readonly Photo[] = [],
): Promise<Stored<Added>> {
  const kept = await putPhotos(photos);
  if (!kept.ok) return kept;
  const merged = await mergeRigs(rigs);
  if (!merged.ok) await removeKeys(kept.value);
  return merged;
}

async function mergeRigs(rigs: readonly RigEntries[]): Promise<Stored<Added>> {
  const done: { rigId: string; merged: Merged }[] = [];
  for (const rig of rigs) {
    const merged = await guarded(() => withLock(rig.header.id, () => mergeRig(rig)));
    if (!merged.ok) {
      for (const { rigId, merged: earlier } of done) await withLock(rigId, () => restore(earlier.before));
      return merged;
    }
    done.push({ rigId: rig.header.id, merged: merged.value });
  }
  for (const { rigId } of done) tellOtherTabs(rigId);
  return stored({
    rigs: done.reduce((sum, { merged }) => sum + merged.rigs, 0),
    entries: done.reduce((sum, { merged }) => sum + merged.entries, 0),
  });
}

/** Header first: from then on the rig is gone, whatever happens to its days. */
export async function removeRig(rigId: string): Promise<Stored<null>> {
  const removed = await guarded(() =>
    withLock(rigId, async () => {
      await database.removeItem(headerKey(rigId));
      const keys = (await database.keys()).filter((key) => key.startsWith(`${rigId}/`));
      await removeKeys(keys);
      return stored(null);
    }),
  );
  if (removed.ok) tellOtherTabs(rigId);
  return removed;
}

/** Everything as it is stored, unparsed: the way out when something cannot be read. */
export function rawData(): Promise<Stored<Record<string, unknown>>> {
  return guarded(async () => {
    // Photos would be lists of numbers here: they travel with an export.
    const keys = (await database.keys()).filter((key) => !isPhotoKey(key));
    const values = await Promise.all(keys.map((key) => database.getItem(key)));
    return stored(Object.fromEntries(keys.map((key, i) => [key, values[i]])));
  });
}
