/** Imports a file of logs: preview first, then all of it or nothing. */
import { dayOf } from "#core/log/schema.ts";
import type { Photo } from "#app/workers/protocol.ts";
import { isDemo } from "../demo-rigs.ts";
import { guarded, stored, type Stored } from "../failure.ts";
import { keepBrought } from "../instruments.ts";
import { importRigs, whatComes, type Added } from "../merge.ts";
import { asBadFile, openFile, type OpenFile } from "./open.ts";
import { stepsTold, type Told } from "./told.ts";

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

/** @returns what an opened file would bring, or in words why it cannot come in; nothing is changed */
export async function lookInto(
  { savedAt, rigs, photoCount, raw, unknown }: OpenFile,
  told?: Told,
): Promise<Stored<Coming>> {
  const coming: RigComing[] = [];
  const oneLooked = stepsTold(told, rigs.length, 0.5, 1);
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
    await oneLooked();
  }
  return stored({ savedAt, rigs: coming, photos: photoCount, raw, unknown });
}

export const lookAtFile = (file: Blob): Promise<Stored<Coming>> => withFile(file, lookInto);

/** A photo that cannot be read stops the import: its words are about the file, not about the storage. */
async function* wantedOf(
  photos: Iterable<Photo> | AsyncIterable<Photo>,
  rigIds: ReadonlySet<string>,
  oneDone: () => Promise<void>,
): AsyncGenerator<Photo> {
  try {
    for await (const photo of photos) {
      if (rigIds.has(photo.rigId)) yield photo;
      await oneDone();
    }
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

/** @returns what came in of an opened file, or in words why nothing did */
export async function bringIn(
  { rigs: all, photos, photoCount }: OpenFile,
  { snapshot, without = [], only }: Bringing = {},
  told?: Told,
): Promise<Stored<Brought>> {
  const rigs = all.filter(({ header: { id } }) => !without.includes(id) && !(only === "own" && isDemo(id)));
  const wanted = new Set(rigs.map(({ header }) => header.id));
  const oneDone = stepsTold(told, photoCount + rigs.length);
  const merged = await importRigs(rigs, wantedOf(photos(), wanted, oneDone), { snapshot, oneDone });
  if (!merged.ok) return merged;
  for (const { header, instruments } of rigs) if (instruments) await keepBrought(header.id, instruments);
  return stored({ ...merged.value, rigIds: [...wanted] });
}

export const importFile = (file: Blob, bringing?: Bringing): Promise<Stored<Brought>> =>
  withFile(file, (open) => bringIn(open, bringing));
