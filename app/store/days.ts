/**
 * Storage of log days. A record holds one day or several that are over; it is written once and never changed, so it
 * is parsed once. The index says for each day which record counts.
 */
import type * as z from "zod/mini";
import { migrate } from "#core/log/migrations.ts";
import { parseKeeping } from "#core/log/keep-unknown.ts";
import { pathText } from "#core/log/path-text.ts";
import { dayOf, LOG_VERSION, StoredDay, type Entry } from "#core/log/schema.ts";
import { database, dayKey, removeKeys } from "./database.ts";
import { failed, stored, type Stored } from "./failure.ts";
import type { RigIndex } from "./records.ts";

export const drawToken = (): string =>
  [...crypto.getRandomValues(new Uint32Array(2))].map((n) => n.toString(36)).join("");

export const newIndex = (): RigIndex => ({ version: 1, token: drawToken(), revision: 1, days: [] });

export function unreadable(what: string, error: z.core.$ZodError): ReturnType<typeof failed> {
  const issue = error.issues[0];
  const where = issue ? `${pathText(issue.path) || "the record"}: ${issue.message}` : "the record";
  return failed(
    "unreadable",
    `${what} in this browser's storage cannot be read (${where}). Nothing was changed. Save the raw data on the Data page, then import a good export.`,
  );
}

/** @returns the entries of a day's record, brought up to the newest version */
export function parseDay(rigId: string, day: string, raw: unknown): Stored<Entry[]> {
  const migrated = migrate(typeof raw === "object" && raw !== null ? { ...raw } : {});
  if (!migrated.ok && migrated.reason === "newer")
    return failed(
      "newer",
      `The log of ${day} was written by a newer Tamis. Reload to update, then open it again.`,
    );
  const parsed = parseKeeping(StoredDay, migrated.ok ? migrated.record : raw);
  return parsed.ok ? stored(parsed.data.entries) : unreadable(`The log of ${day} (${rigId})`, parsed.error);
}

/** What was parsed in this tab, by the key of its record. */
const parsedRecords = new Map<string, readonly Entry[]>();

/** A version that is gone was replaced between two reads: its rig is to be read again. */
export const isGone = (read: Stored<unknown>): boolean => !read.ok && read.problem.reason === "missing";

async function readRecord(rigId: string, day: string, key: string): Promise<Stored<readonly Entry[]>> {
  const known = parsedRecords.get(key);
  if (known) return stored(known);
  const raw = await database.getItem(key);
  if (raw === null)
    return failed(
      "missing",
      `The log of ${day} (${rigId}) is not there any more. Save the raw data on the Data page, then import a good export.`,
    );
  const parsed = parseDay(rigId, day, raw);
  if (parsed.ok) parsedRecords.set(key, parsed.value);
  return parsed;
}

/** @returns all entries, each id once; of a day those of the record that the index names for it */
export async function readDays(rigId: string, index: RigIndex): Promise<Stored<Entry[]>> {
  const recordOf = new Map(index.days.map(({ day, key }) => [day, key]));
  const records = [...new Map([...index.days].reverse().map((one) => [one.key, one])).values()].reverse();
  const reads = await Promise.all(
    records.map(async ({ day, key }) => ({ key, read: await readRecord(rigId, day, key) })),
  );
  const once = new Map<string, Entry>();
  for (const { key, read } of reads) {
    if (!read.ok) return read;
    for (const entry of read.value)
      if ((recordOf.get(dayOf(entry.at)) ?? key) === key && !once.has(entry.id)) once.set(entry.id, entry);
  }
  return stored([...once.values()]);
}

function groupByDay(entries: readonly Entry[]): Map<string, Entry[]> {
  const days = new Map<string, Entry[]>();
  for (const entry of entries) {
    const day = dayOf(entry.at);
    const same = days.get(day);
    if (same) same.push(entry);
    else days.set(day, [entry]);
  }
  return days;
}

/** A record of several days is as large as this: a book of years is a few dozen of them, not thousands. */
const MOST_BOUND = 400;
/** Days that are over stay loose until there are so many of them; the newest are still written to. */
const MOST_LOOSE = 40;
const STAY_LOOSE = 10;

/** Neighbouring days, so many that a record of them is of a good size. */
function bundles(days: readonly (readonly [string, readonly Entry[]])[]): (typeof days)[] {
  const bound: (readonly [string, readonly Entry[]])[][] = [];
  let size = Infinity;
  for (const one of [...days].sort(([a], [b]) => a.localeCompare(b))) {
    if (size + one[1].length > MOST_BOUND) {
      bound.push([]);
      size = 0;
    }
    bound.at(-1)?.push(one);
    size += one[1].length;
  }
  return bound;
}

/** @returns days with a record of their own that are to be bound together, once there are many */
function looseDays({ days }: RigIndex): string[] {
  const uses = new Map<string, number>();
  for (const { key } of days) uses.set(key, (uses.get(key) ?? 0) + 1);
  const loose = days.filter(({ key, count }) => uses.get(key) === 1 && count > 0).map(({ day }) => day);
  return loose.length < MOST_LOOSE ? [] : loose.slice(0, -STAY_LOOSE);
}

async function dayAsItIs(rigId: string, { days }: RigIndex, day: string): Promise<Stored<readonly Entry[]>> {
  const record = days.find((one) => one.day === day);
  if (!record) return stored([]);
  const read = await readRecord(rigId, day, record.key);
  return read.ok ? stored(read.value.filter(({ at }) => dayOf(at) === day)) : read;
}

/**
 * Writes new versions of days beside those that count, several at once bound into few records.
 * @param added - entries that the log has not got yet
 * @returns the index that names them; until that is kept, nothing has changed
 * @throws whatever the storage throws; what was written by then is taken away again
 */
export async function writeDays(rigId: string, index: RigIndex, added: readonly Entry[]): Promise<RigIndex> {
  const revision = index.revision + 1;
  const fresh = groupByDay(added);
  const next = new Map<string, readonly Entry[]>();
  for (const [day, ofDay] of fresh) {
    const before = await dayAsItIs(rigId, index, day);
    if (!before.ok) throw new Error(before.problem.message);
    next.set(day, [...before.value, ...ofDay]);
  }
  for (const day of looseDays(index)) {
    // One that cannot be read stays as it is, and is said to be so where its rig is opened.
    const before = next.has(day) ? undefined : await dayAsItIs(rigId, index, day);
    if (before?.ok) next.set(day, before.value);
  }
  const days = new Map(index.days.map((one) => [one.day, one]));
  const writes = bundles([...next]).map(async (bundle) => {
    const entries = bundle.flatMap(([, ofDay]) => ofDay);
    const key = dayKey(rigId, bundle[0]?.[0] ?? "", `${index.token}.${revision}`);
    await database.setItem(key, { version: LOG_VERSION, revision, entries });
    parsedRecords.set(key, entries);
    return bundle.map(([day, ofDay]) => ({ day, key, count: ofDay.length }));
  });
  const done = await Promise.allSettled(writes);
  const written = done.flatMap((one) => (one.status === "fulfilled" ? one.value : []));
  const failure = done.find((one) => one.status === "rejected");
  if (failure) {
    await removeKeys([...new Set(written.map(({ key }) => key))]).catch(() => undefined);
    throw failure.reason;
  }
  for (const one of written) days.set(one.day, one);
  return { ...index, revision, days: [...days.values()].sort((a, b) => a.day.localeCompare(b.day)) };
}

/** @returns the keys of the versions that the one index names and the other does not */
export function replaced(before: RigIndex | undefined, after: RigIndex | undefined): string[] {
  const named = new Set(after?.days.map(({ key }) => key));
  return (before?.days ?? []).flatMap(({ key }) => (named.has(key) ? [] : [key]));
}
