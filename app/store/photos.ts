/** Photos beside the log: entries name them by id, the bytes stand under keys of their own. */
import * as z from "zod/mini";
import type { Entry, PhotoRef } from "#core/log/schema.ts";
import type { Photo } from "#app/workers/protocol.ts";
import { database, removeKeys } from "./database.ts";
import { storageFailure, stored, type Stored } from "./failure.ts";

const Bytes = z.custom<Uint8Array<ArrayBuffer>>(
  (value) => Object.prototype.toString.call(value) === "[object Uint8Array]",
);

export const photoKey = (rigId: string, id: string): string => `${rigId}/${id}`;
export const isPhotoKey = (key: string): boolean => /^rig:[^/]+\/photo:/.test(key);

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
