/** Whole rigs brought in with a file, all of them or none. */
import type { Entry, Header } from "#core/log/schema.ts";
import { checkEntries } from "#core/rig/check-log.ts";
import type { Photo } from "#app/workers/protocol.ts";
import { writing } from "./book.ts";
import { tellOtherTabs } from "./changes.ts";
import { headerKey, indexKey, removeKeys } from "./database.ts";
import { newIndex, replaced, writeDays } from "./days.ts";
import { failed, stored, type Stored } from "./failure.ts";
import { markComing, putPhotos } from "./photos.ts";
import { bookOf, commit, rigIds, type Change, type RigIndex } from "./records.ts";
import { loadForMerge, newEntries } from "./rig-log.ts";
import { letGo, takeSnapshot } from "./snapshot-records.ts";

export interface RigEntries {
  readonly header: Header;
  readonly entries: readonly Entry[];
  /** kept although this rig cannot have them: they lose nothing by a journey */
  readonly setAside?: readonly Entry[] | undefined;
}

export interface Added {
  /** how many of them are new */
  readonly rigs: number;
  readonly entries: number;
}

/** What one rig of a file would add. */
interface Merge {
  readonly rigId: string;
  readonly header: Header | undefined;
  readonly before: RigIndex | undefined;
  readonly fresh: readonly Entry[];
}

/** What one rig of the file would add; two logs sound each may clash together. Nothing is written. */
export async function whatComes({ header, entries, setAside = [] }: RigEntries): Promise<Stored<Merge>> {
  const loaded = await loadForMerge(header.id);
  if (!loaded.ok) return loaded;
  const kept = loaded.value?.log.entries ?? [];
  const fresh = newEntries(kept, [...entries, ...setAside]);
  if (!fresh.ok) return failed("conflict", `${header.name}: ${fresh.problem.message}`);
  const aside = new Set(setAside.map(({ id }) => id));
  const sound = fresh.value.filter(({ id }) => !aside.has(id));
  // A needle of three grooves here, the fourth groove there. The door of the file has read it by itself.
  const clash = kept.length > 0 && sound.length > 0 ? checkEntries(kept, sound) : undefined;
  if (clash)
    return failed(
      "conflict",
      `Together with what is here, the ${clash.entry.kind} of ${clash.entry.at.slice(0, 10)} (${clash.entry.id}) cannot be: ${clash.why}. Nothing was imported; strike that entry through on the device it came from, then export again.`,
    );
  const before = loaded.value?.index;
  return stored({ rigId: header.id, header: before ? undefined : header, before, fresh: fresh.value });
}

interface Merging {
  /** keeps the book as it was, to be put back: when that was, and before what */
  readonly snapshot?: { readonly at: string; readonly why: string } | undefined;
  /** called after each rig that is written beside the book; what it throws leaves all as it was */
  readonly oneDone?: () => Promise<void>;
}

/**
 * Merges whole rigs: entries that are there already are passed over. Anything wrong with one rig (a clash, a full
 * device, a browser that is closed) leaves all of them as they were.
 */
export async function importRigs(
  rigs: readonly RigEntries[],
  photos: Iterable<Photo> | AsyncIterable<Photo> = [],
  { snapshot, oneDone }: Merging = {},
): Promise<Stored<Added>> {
  const told: string[] = [];
  const added = await writing(async () => {
    const merges: Merge[] = [];
    for (const rig of rigs) {
      const merge = await whatComes(rig);
      if (!merge.ok) return merge;
      merges.push(merge.value);
    }
    const written: string[] = [];
    let switching = false;
    const withPhotos = !Array.isArray(photos) || photos.length > 0;
    const allCame = withPhotos ? await markComing(merges.map(({ rigId }) => rigId)) : undefined;
    try {
      const kept = await putPhotos(photos);
      if (!kept.ok) {
        await allCame?.().catch(() => undefined);
        return kept;
      }
      written.push(...kept.value);
      const changes: Change[] = [];
      const old: string[] = [];
      for (const merge of merges) {
        const { rigId, header, before, fresh } = merge;
        if (fresh.length === 0 && before) continue;
        const index = await writeDays(rigId, before ?? newIndex(), fresh);
        written.push(...replaced(index, before));
        await oneDone?.();
        old.push(...replaced(before, index));
        if (header) changes.push({ key: headerKey(rigId), value: header });
        changes.push({ key: indexKey(rigId), value: index });
        told.push(rigId);
      }
      if (merges.some(({ header }) => header)) changes.push(bookOf([...(await rigIds()), ...told]));
      if (snapshot && changes.length > 0) changes.unshift(...(await takeSnapshot(snapshot.at, snapshot.why)));
      switching = true;
      await commit(changes);
      await letGo(old);
      await allCame?.().catch(() => undefined);
    } catch (error) {
      // Only to give room back at once: what no index names is swept up anyway. Once the records are being switched
      // the journal may name it: then it is left to the next visit to say what counts.
      if (!switching)
        await removeKeys(written)
          .then(allCame)
          .catch(() => undefined);
      throw error;
    }
    return stored({
      rigs: merges.filter(({ header }) => header).length,
      entries: merges.reduce((sum, { fresh }) => sum + fresh.length, 0),
    });
  });
  if (added.ok) for (const rigId of told) tellOtherTabs(rigId);
  return added;
}
