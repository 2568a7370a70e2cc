/**
 * The small records that say what counts: which rigs there are, and for each an index of its days. One is switched in
 * one write, several through a journal record (`pending`) that is carried out to its end when the book is next opened.
 */
import * as z from "zod/mini";
import { RigId } from "#core/log/schema.ts";
import { database, indexKey, metaKey, rigOfKey } from "./database.ts";
import { BadFile, failed, stored, type Stored } from "./failure.ts";

export const RigIndex = z.strictObject({
  version: z.literal(1),
  /** drawn when the rig came into this book: deleted and brought in again it is another one */
  token: z.string().check(z.minLength(1)),
  /** raised by every write */
  revision: z.int().check(z.gte(1)),
  days: z.array(z.strictObject({ day: z.iso.date(), key: z.string(), count: z.int().check(z.gte(0)) })),
});
export type RigIndex = z.infer<typeof RigIndex>;

/** @returns how many entries the log of a rig has */
export const entryCount = ({ days }: RigIndex): number => days.reduce((sum, { count }) => sum + count, 0);

const Book = z.strictObject({ version: z.literal(1), rigs: z.array(RigId) });
const BOOK = metaKey("book");

/** A small record as it shall be; without a value it shall be gone. */
const Change = z.strictObject({ key: z.string(), value: z.unknown() });
export type Change = z.infer<typeof Change>;
const PENDING = metaKey("pending");

const NEWER = "was written by a newer Tamis. Reload to update, then open it again. Nothing was changed.";

/** @returns the index of a rig, nothing when it has none */
export async function readIndex(rigId: string): Promise<Stored<RigIndex | undefined>> {
  const raw = await database.getItem(indexKey(rigId));
  if (raw === null) return stored(undefined);
  const parsed = RigIndex.safeParse(raw);
  if (parsed.success) return stored(parsed.data);
  const version: unknown = typeof raw === "object" && "version" in raw ? raw.version : undefined;
  return typeof version === "number" && version > 1
    ? failed("newer", `The index of ${rigId} ${NEWER}`)
    : failed(
        "unreadable",
        `The index of ${rigId} in this browser's storage cannot be read. Nothing was changed. Save the raw data on the Data page, then import a good export.`,
      );
}

/** @returns the rigs of the book, nothing where there is none that can be read */
export async function bookedRigs(): Promise<string[] | undefined> {
  const parsed = Book.safeParse(await database.getItem(BOOK));
  return parsed.success ? parsed.data.rigs : undefined;
}

/** Where the book itself is lost or cannot be read, the rigs are found again by their headers. */
async function rigsByTheirKeys(): Promise<string[]> {
  const keys = await database.keys();
  return keys.flatMap((key) => (key.endsWith("/header") ? (rigOfKey(key) ?? []) : []));
}

export const rigIds = async (): Promise<string[]> => (await bookedRigs()) ?? rigsByTheirKeys();

export const bookOf = (rigs: readonly string[]): Change => ({
  key: BOOK,
  value: Book.parse({ version: 1, rigs: [...new Set(rigs)].sort() }),
});

const carryOut = ({ key, value }: Change): Promise<unknown> =>
  value === undefined || value === null ? database.removeItem(key) : database.setItem(key, value);

/** Finishes what was begun: all it needs stands in the journal record. */
export async function settle(): Promise<void> {
  const raw = await database.getItem(PENDING);
  if (raw === null) return;
  const parsed = z.array(Change).safeParse(raw);
  // Half carried out it may be, and only who wrote it knows how it goes on.
  if (!parsed.success) throw new BadFile(`A save that was begun in this browser ${NEWER}`);
  for (const change of parsed.data) await carryOut(change);
  await database.removeItem(PENDING);
}

/**
 * Switches small records, all or none.
 * @throws whatever the storage throws; nothing has changed then
 */
export async function commit(changes: readonly Change[]): Promise<void> {
  const [first] = changes;
  if (!first) return;
  if (changes.length === 1) {
    await carryOut(first);
    return;
  }
  const before: Change[] = [];
  for (const { key } of changes) before.push({ key, value: await database.getItem(key) });
  await database.setItem(PENDING, changes);
  try {
    for (const change of changes) await carryOut(change);
  } catch (error) {
    // What stood there before fits: it has just made room. A stop in the middle of this goes forward instead.
    for (const change of before) await carryOut(change);
    await database.removeItem(PENDING);
    throw error;
  }
  await database.removeItem(PENDING);
}
