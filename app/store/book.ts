/**
 * Storage of all rigs as copy-on-write records: new versions of days are written beside the old ones, then the
 * small records that name them are switched. A write cut short at any moment leaves the book as it was or as it was
 * to be; what it left lying is swept up at the next visit.
 */
import { Header, type Entry } from "#core/log/schema.ts";
import { database, headerKey, isDayKey, removeKeys, rigOfKey } from "./database.ts";
import { readDays } from "./days.ts";
import { guarded, stored, type Stored } from "./failure.ts";
import { withLock } from "./locks.ts";
import { isPhotoKey, sweepPhotos, withPhotos } from "./photos.ts";
import { bookedRigs, bookOf, commit, readIndex, rigIds, settle } from "./records.ts";
import { heldBySnapshots, readSnapshots, withoutRigs } from "./snapshot-records.ts";

let opened: Promise<void> | undefined;
let swept: Promise<void> | undefined;

/** Once a tab: what was begun is finished. */
export function openBook(): Promise<void> {
  opened ??= withLock("book", async () => {
    await settle();
    // A book that is lost is written anew, of the rigs that are found by their headers.
    const found = (await bookedRigs()) ? [] : await rigIds();
    if (found.length > 0) await commit([bookOf(found)]);
  }).catch((error: unknown) => {
    opened = undefined;
    throw error;
  });
  return opened;
}

/** Once a tab, when its first screen stands: what was left lying is swept up. What cannot be waits for another visit. */
export function sweepBook(): Promise<void> {
  swept ??= openBook()
    .then(() => withLock("book", sweep))
    .then(() => withPhotos(() => withLock("book", () => sweepPhotos(entriesOf))))
    .catch(() => undefined);
  return swept;
}

/** @returns the entries of a rig's log, and of its log as snapshots hold it; nothing where any of it cannot be read */
async function entriesOf(rigId: string): Promise<readonly Entry[] | undefined> {
  const index = await readIndex(rigId);
  if (!index.ok || !index.value) return undefined;
  const held = (await readSnapshots()).flatMap(({ rigs }) => rigs.filter(({ id }) => id === rigId));
  const entries: Entry[] = [];
  for (const one of [index.value, ...held.map((rig) => rig.index)]) {
    const read = await readDays(rigId, one);
    if (!read.ok) return undefined;
    entries.push(...read.value);
  }
  return entries;
}

/** For tests: the next call opens the book anew, as another visit would. */
export function closeBook(): void {
  [opened, swept] = [undefined, undefined];
}

/** Days that no index names, and what is left of rigs that are not in the book: but for what a snapshot holds. */
async function sweep(): Promise<void> {
  const rigs = await bookedRigs();
  if (!rigs) return;
  const held = await heldBySnapshots();
  const named = new Map<string, ReadonlySet<string> | undefined>();
  for (const rigId of rigs) {
    const index = await readIndex(rigId);
    named.set(rigId, index.ok && index.value ? new Set(index.value.days.map(({ key }) => key)) : undefined);
  }
  for (const key of await database.keys()) {
    const rigId = rigOfKey(key);
    if (rigId === undefined) continue;
    const days = named.get(rigId);
    const lost = named.has(rigId)
      ? isDayKey(key) && days !== undefined && !days.has(key)
      : !(isPhotoKey(key) && held.rigs.has(rigId));
    if (lost && !held.keys.has(key)) await database.removeItem(key);
  }
}

/** One writer at a time over the whole book, in all tabs; what an earlier one left undone comes first. */
export function writing<T>(work: () => Promise<Stored<T>>): Promise<Stored<T>> {
  return guarded(async () => {
    await openBook();
    return withLock("book", async () => {
      await settle();
      return work();
    });
  });
}

/** @returns in words why nothing can be read or kept, or nothing where the book opens */
export async function bookClosed(): Promise<string | undefined> {
  const opens = await guarded(async () => {
    await openBook();
    return stored(null);
  });
  return opens.ok ? undefined : opens.problem.message;
}

/** @returns the ids of all rigs of the book, readable or not */
export async function localRigs(): Promise<string[]> {
  await openBook();
  return rigIds();
}

export interface Shelf {
  readonly headers: readonly Header[];
  /** rigs whose header cannot be read: they are shown, not dropped */
  readonly unreadable: readonly string[];
}

/** @returns all rigs of the book, by name */
export function listRigs(): Promise<Stored<Shelf>> {
  return guarded(async () => {
    await openBook();
    const ids = await rigIds();
    const raw = await Promise.all(ids.map((id) => database.getItem(headerKey(id))));
    const read = raw.map((value) => Header.safeParse(value));
    const headers = read.flatMap(({ data }) => data ?? []);
    return stored({
      headers: headers.sort((a, b) => a.name.localeCompare(b.name)),
      unreadable: ids.filter((_, i) => read[i]?.success !== true),
    });
  });
}

/** One write takes the rigs out of the book; what is left of them is swept up now or at the next visit. */
export function removeRigs(which: (rigId: string) => boolean): Promise<Stored<null>> {
  return writing(async () => {
    const gone = new Set((await rigIds()).filter(which));
    const left = bookOf((await rigIds()).filter((id) => !gone.has(id)));
    await commit([...(await withoutRigs(gone)), left]);
    const theirs = (await database.keys()).filter((key) => gone.has(rigOfKey(key) ?? ""));
    await removeKeys(theirs).catch(() => undefined);
    return stored(null);
  });
}

export const removeRig = (rigId: string): Promise<Stored<null>> => removeRigs((id) => id === rigId);
