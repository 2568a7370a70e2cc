/** Photos beside the log: entries name them by id, the bytes stand under keys of their own. */
import * as z from "zod/mini";
import type { Entry, PhotoRef } from "#core/log/schema.ts";
import type { Photo } from "#app/workers/protocol.ts";
import { database, metaKey, removeKeys } from "./database.ts";
import { storageFailure, stored, type Stored } from "./failure.ts";
import { withLock } from "./locks.ts";

const Bytes = z.custom<Uint8Array<ArrayBuffer>>(
  (value) => Object.prototype.toString.call(value) === "[object Uint8Array]",
);

export const photoKey = (rigId: string, id: string): string => `${rigId}/${id}`;
export const isPhotoKey = (key: string): boolean => /^rig:[^/]+\/photo:/.test(key);

/** Rigs whose photos are coming in with a file: where that was cut off, some lie there that no log names. */
const COMING = metaKey("photos-coming");
const Coming = z.array(z.string());

/** Held while photos lie there whose entry is still to be written. */
export const withPhotos = <T>(work: () => Promise<T>): Promise<T> => withLock("photos", work);

/** @returns what takes the mark away again */
export async function markComing(rigIds: readonly string[]): Promise<() => Promise<void>> {
  const before = Coming.safeParse(await database.getItem(COMING));
  // What an earlier one has left is still to be swept.
  await database.setItem(COMING, [...new Set([...(before.data ?? []), ...rigIds])]);
  if (before.success) return () => Promise.resolve();
  return () => database.removeItem(COMING);
}

/**
 * Photos of an import that was cut off, in rigs that are in the book.
 * @param named - the photos that a rig's log names, or nothing where it cannot be read: then all of them stay
 */
export async function sweepPhotos(
  named: (rigId: string) => Promise<readonly Entry[] | undefined>,
): Promise<void> {
  const coming = Coming.safeParse(await database.getItem(COMING));
  if (!coming.success) return;
  const keys = (await database.keys()).filter(isPhotoKey);
  for (const rigId of coming.data) {
    const entries = await named(rigId);
    if (!entries) continue;
    const wanted = new Set(photosIn(entries).map(({ id }) => photoKey(rigId, id)));
    await removeKeys(keys.filter((key) => key.startsWith(`${rigId}/`) && !wanted.has(key)));
  }
  await database.removeItem(COMING);
}

/** So many are written at once: reading goes on while the device writes. */
const AT_ONCE = 8;

/** All or none: a full device keeps no half of them. They come one by one, so that a thousand need no room at once. */
export async function putPhotos(
  photos: Iterable<Photo> | AsyncIterable<Photo>,
): Promise<Stored<readonly string[]>> {
  const made: string[] = [];
  const writing = new Set<Promise<void>>();
  let failure: unknown;
  const write = async ({ rigId, id, bytes }: Photo) => {
    const key = photoKey(rigId, id);
    if ((await database.getItem(key)) !== null) return;
    made.push(key);
    await database.setItem(key, bytes);
  };
  try {
    for await (const photo of photos) {
      const one: Promise<void> = write(photo)
        .catch((error: unknown) => {
          failure ??= error;
        })
        .finally(() => writing.delete(one));
      writing.add(one);
      if (writing.size >= AT_ONCE) await Promise.race(writing);
      if (failure !== undefined) break;
    }
  } catch (error) {
    failure ??= error;
  }
  await Promise.all(writing);
  if (failure === undefined) return stored(made);
  await removeKeys(made).catch(() => undefined);
  return storageFailure(failure);
}

/** @returns the bytes, or nothing when this browser has not got that photo */
export async function readPhoto(rigId: string, id: string): Promise<Uint8Array<ArrayBuffer> | undefined> {
  const parsed = Bytes.safeParse(await database.getItem(photoKey(rigId, id)).catch(() => null));
  return parsed.success ? parsed.data : undefined;
}

export const photosIn = (entries: readonly Entry[]): PhotoRef[] =>
  entries.flatMap((entry) => (entry.kind === "teardown" ? entry.photos : []));

/** @returns those photos of a log that this browser has */
export async function photosOf(rigId: string, entries: readonly Entry[]): Promise<Photo[]> {
  const found: Photo[] = [];
  for (const { id } of photosIn(entries)) {
    const bytes = await readPhoto(rigId, id);
    if (bytes) found.push({ rigId, id, bytes });
  }
  return found;
}
