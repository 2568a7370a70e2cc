/** A file of logs, looked at before it comes in, and from its bytes into the book: all of it or nothing. */
import { dayOf } from "#core/log/schema.ts";
import type { Photo } from "#app/workers/protocol.ts";
import { isDemo } from "../demo-rigs.ts";
import { guarded, stored, type Stored } from "../failure.ts";
import { keepBrought } from "../instruments.ts";
import { importRigs, whatComes, type Added } from "../merge.ts";
import { asBadFile, openFile, type OpenFile } from "./open.ts";

/** One rig of a file, and what it would add to the book. */
export interface RigComing {
  readonly id: string;
  readonly name: string;
  readonly plate: string;
  /** not in this book yet */
  readonly isNew: boolean;
  readonly fresh: number;
  readonly already: number;
  /** first and last day of what is new */
  readonly from: string | undefined;
  readonly to: string | undefined;
}

export interface Coming {
  readonly savedAt: string;
  readonly rigs: readonly RigComing[];
  readonly photos: number;
  /** rigs that could not be read where the file was made */
  readonly raw: readonly string[];
  /** keys of a newer Tamis: kept, not understood */
  readonly unknown: readonly string[];
}

/** Opened, used and closed, whatever happens. */
function withFile<T>(file: Blob, work: (open: OpenFile) => Promise<Stored<T>>): Promise<Stored<T>> {
  return guarded(async () => {
    const open = await openFile(file);
    try {
      return await work(open);
    } finally {
      await open.close().catch(() => undefined);
    }
  });
}

/** @returns what a file would bring, or in words why it cannot come in; nothing is changed */
export function lookAtFile(file: Blob): Promise<Stored<Coming>> {
  return withFile(file, async ({ savedAt, rigs, photoCount, raw, unknown }) => {
    const coming: RigComing[] = [];
    for (const rig of rigs) {
      const comes = await whatComes(rig);
      if (!comes.ok) return comes;
      const { fresh, before } = comes.value;
      const days = fresh.map(({ at }) => dayOf(at)).sort();
      const { id, name, plate } = rig.header;
      coming.push({
        id,
        name,
        plate,
        isNew: before === undefined,
        fresh: fresh.length,
        already: rig.entries.length + (rig.setAside?.length ?? 0) - fresh.length,
        from: days[0],
        to: days.at(-1),
      });
    }
    return stored({ savedAt, rigs: coming, photos: photoCount, raw, unknown });
  });
}

/** A photo that cannot be read stops the import: its words are about the file, not about the storage. */
async function* readable(photos: Iterable<Photo> | AsyncIterable<Photo>): AsyncGenerator<Photo> {
  try {
    yield* photos;
  } catch (error) {
    throw asBadFile(error);
  }
}

export interface Bringing {
  /** what is to be put back if it was the wrong file; without it no snapshot is taken */
  readonly snapshot?: { readonly at: string; readonly why: string };
  /** rigs of the file that are not wanted */
  readonly without?: readonly string[];
  /** the demo's rigs stay where they are */
  readonly only?: "own";
}

export interface Brought extends Added {
  /** all that were wanted of the file */
  readonly rigIds: readonly string[];
}

/** @returns what came in, or in words why nothing did */
export function importFile(
  file: Blob,
  { snapshot, without = [], only }: Bringing = {},
): Promise<Stored<Brought>> {
  return withFile(file, async ({ rigs: all, photos }) => {
    const rigs = all.filter(({ header: { id } }) => !without.includes(id) && !(only === "own" && isDemo(id)));
    const wanted = new Set(rigs.map(({ header }) => header.id));
    const merged = await importRigs(rigs, readable(photosOf(photos(), wanted)), snapshot);
    if (!merged.ok) return merged;
    for (const { header, instruments } of rigs) if (instruments) await keepBrought(header.id, instruments);
    return stored({ ...merged.value, rigIds: [...wanted] });
  });
}

async function* photosOf(
  photos: Iterable<Photo> | AsyncIterable<Photo>,
  rigIds: ReadonlySet<string>,
): AsyncGenerator<Photo> {
  for await (const photo of photos) if (rigIds.has(photo.rigId)) yield photo;
}
