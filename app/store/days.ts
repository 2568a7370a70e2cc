/** Days of a log: the unit of storage. A version of a day is written once and never changed, so it is parsed once. */
import type * as z from "zod";
import { migrate } from "#core/log/migrations.ts";
import { pathText } from "#core/log/read-file.ts";
import { dayOf, LOG_VERSION, StoredDay, type Entry } from "#core/log/schema.ts";
import { database, dayKey, removeKeys } from "./database.ts";
import { failed, stored, type Stored } from "./failure.ts";
import type { RigIndex } from "./records.ts";

const drawToken = (): string =>
  [...crypto.getRandomValues(new Uint32Array(2))].map((n) => n.toString(36)).join("");

export const newIndex = (): RigIndex => ({ version: 1, token: drawToken(), revision: 1, days: [] });

export function unreadable(what: string, error: z.ZodError): ReturnType<typeof failed> {
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
  const parsed = StoredDay.safeParse(migrated.ok ? migrated.record : raw);
  return parsed.success
    ? stored(parsed.data.entries)
    : unreadable(`The log of ${day} (${rigId})`, parsed.error);
}

/** What was parsed in this tab, by the key of its version. */
const parsedDays = new Map<string, readonly Entry[]>();

/** A version that is gone was replaced between two reads: its rig is to be read again. */
export const isGone = (read: Stored<unknown>): boolean => !read.ok && read.problem.reason === "missing";

async function readDay(
  rigId: string,
  { day, key }: RigIndex["days"][number],
): Promise<Stored<readonly Entry[]>> {
  const known = parsedDays.get(key);
  if (known) return stored(known);
  const raw = await database.getItem(key);
  if (raw === null)
    return failed(
      "missing",
      `The log of ${day} (${rigId}) is not there any more. Save the raw data on the Data page, then import a good export.`,
    );
  const parsed = parseDay(rigId, day, raw);
  if (parsed.ok) parsedDays.set(key, parsed.value);
  return parsed;
}

/** @returns all entries, each id once */
export async function readDays(rigId: string, index: RigIndex): Promise<Stored<Entry[]>> {
  const days = await Promise.all(index.days.map((day) => readDay(rigId, day)));
  const once = new Map<string, Entry>();
  for (const day of days) {
    if (!day.ok) return day;
    for (const entry of day.value) if (!once.has(entry.id)) once.set(entry.id, entry);
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

/**
 * Writes new versions of days beside those that count.
 * @param added - entries that the log has not got yet
 * @returns the index that names them; until that is kept, nothing has changed
 * @throws whatever the storage throws; what was written by then is taken away again
 */
export async function writeDays(rigId: string, index: RigIndex, added: readonly Entry[]): Promise<RigIndex> {
  const revision = index.revision + 1;
  const days = new Map(index.days.map((one) => [one.day, one]));
  const writes = [...groupByDay(added)].map(async ([day, ofDay]) => {
    const old = days.get(day);
    const before = old ? await readDay(rigId, old) : stored<readonly Entry[]>([]);
    if (!before.ok) throw new Error(before.problem.message);
    const entries = [...before.value, ...ofDay];
    const key = dayKey(rigId, day, `${index.token}.${revision}`);
    await database.setItem(key, { version: LOG_VERSION, revision, entries });
    parsedDays.set(key, entries);
    return { day, key, count: entries.length };
  });
  const done = await Promise.allSettled(writes);
  const written = done.flatMap((one) => (one.status === "fulfilled" ? [one.value] : []));
  const failure = done.find((one) => one.status === "rejected");
  if (failure) {
    await removeKeys(written.map(({ key }) => key)).catch(() => undefined);
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
