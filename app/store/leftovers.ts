/**
 * Recovers data that an earlier version stored in localStorage. Until Tamis named its driver, localForage kept
 * things in the page's own small storage whenever IndexedDB failed it: acknowledged then, and out of sight ever
 * since. It is found and brought in.
 */
import { inOrder } from "#core/log/in-order.ts";
import { Header } from "#core/log/schema.ts";
import { anythingLeft, fallbackPlace, headerKey, indexKey, rigOfKey } from "./database.ts";
import { parseDay } from "./days.ts";
import { isDemo } from "./demo-rigs.ts";
import type { Photo } from "#app/workers/protocol.ts";
import { guarded, stored, type Stored } from "./failure.ts";
import { importRigs, type Added, type RigEntries } from "./merge.ts";
import { photoKey, photosIn } from "./photos.ts";
import { RigIndex } from "./records.ts";
import { loadForMerge } from "./rig-log.ts";

async function rigLeft(place: LocalForage, rigId: string): Promise<RigEntries | undefined> {
  const header = Header.safeParse(await place.getItem(headerKey(rigId)));
  const index = RigIndex.safeParse(await place.getItem(indexKey(rigId)));
  if (!header.success || !index.success) return undefined;
  const entries = new Map<string, RigEntries["entries"][number]>();
  for (const { day, key } of index.data.days) {
    const read = parseDay(rigId, day, await place.getItem(key));
    if (!read.ok) return undefined;
    for (const entry of read.value) entries.set(entry.id, entry);
  }
  return { header: header.data, entries: inOrder([...entries.values()]) };
}

/** Of a rig that is here, what it has not got; the demo that was loaded anew there is no rig of anybody's. */
async function newHere({ header, entries }: RigEntries): Promise<RigEntries[]> {
  const here = await loadForMerge(header.id);
  if (!here.ok) return [];
  if (!here.value) return isDemo(header.id) ? [] : [{ header, entries }];
  const known = new Set(here.value.log.entries.map(({ id }) => id));
  const fresh = entries.filter(({ id }) => !known.has(id));
  return fresh.length === 0 ? [] : [{ header, entries: fresh }];
}

/** @returns what lies there and not in the book, rig by rig; nothing is changed */
export async function leftElsewhere(): Promise<readonly RigEntries[]> {
  if (!anythingLeft()) return [];
  const place = fallbackPlace();
  const ids = new Set((await place.keys()).flatMap((key) => rigOfKey(key) ?? []));
  const rigs = await Promise.all([...ids].map((id) => rigLeft(place, id)));
  const fresh = await Promise.all(rigs.flatMap((rig) => (rig ? [newHere(rig)] : [])));
  return fresh.flat();
}

async function photosLeft(place: LocalForage, { header, entries }: RigEntries): Promise<Photo[]> {
  const found = await Promise.all(
    photosIn(entries).map(async ({ id }) => {
      const bytes = await place.getItem(photoKey(header.id, id));
      return bytes instanceof Uint8Array ? [{ rigId: header.id, id, bytes: new Uint8Array(bytes) }] : [];
    }),
  );
  return found.flat();
}

/** Into the book, all of it or nothing. Only what came in is cleared away there: a rig that cannot be read stays. */
export function bringIn(at: string): Promise<Stored<Added>> {
  return guarded(async () => {
    const place = fallbackPlace();
    const rigs = await leftElsewhere();
    const photos = (await Promise.all(rigs.map((rig) => photosLeft(place, rig)))).flat();
    const why = "Before what an earlier visit kept elsewhere was brought in";
    const added = await importRigs(rigs, photos, { snapshot: { at, why } });
    if (!added.ok) return added;
    const came = new Set(rigs.map(({ header }) => header.id));
    for (const key of await place.keys()) if (came.has(rigOfKey(key) ?? "")) await place.removeItem(key);
    return stored(added.value);
  });
}

/** For the raw data: as it lies there. */
export async function rawLeft(): Promise<Readonly<Record<string, unknown>>> {
  if (!anythingLeft()) return {};
  const place = fallbackPlace();
  const keys = await place.keys();
  const values = await Promise.all(keys.map((key) => place.getItem(key)));
  return Object.fromEntries(keys.map((key, i) => [key, values[i]]));
}
