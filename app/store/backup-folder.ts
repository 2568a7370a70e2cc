/** The folder that is kept up to date: which it is, what was read and written there, and what shall not come back. */
import * as z from "zod/mini";
import { database, metaKey } from "./database.ts";
import { drawToken } from "./days.ts";
import { rigIds } from "./records.ts";

/** What this needs of a folder: the browser's own, or one that stands in for it. */
export interface Folder {
  readonly name: string;
  readonly values: () => AsyncIterable<{ readonly kind: string; readonly name: string }>;
  readonly getFileHandle: (name: string, options?: { create?: boolean }) => Promise<FolderFile>;
}
interface FolderFile {
  readonly getFile: () => Promise<File>;
  readonly createWritable: () => Promise<{
    readonly write: (blob: Blob) => Promise<void>;
    /** only now does the new content stand in place of the old */
    readonly close: () => Promise<void>;
    readonly abort: () => Promise<void>;
  }>;
}

/** Of what went wrong, in signs. */
export const MOST_SAID = 2000;

export const FolderState = z.strictObject({
  /** this browser's own file in the folder */
  device: z.string().check(z.regex(/^[a-z0-9]{2,30}$/)),
  /** what was read of the others' files, by name */
  read: z._default(z.record(z.string(), z.string()), {}),
  /** what its own file holds: revision by rig */
  written: z._default(z.record(z.string(), z.string()), {}),
  at: z.optional(z.string()),
  /** what went wrong the last time, in words */
  trouble: z.optional(z.string().check(z.maxLength(MOST_SAID))),
});
export type FolderState = z.infer<typeof FolderState>;

const STATE = metaKey("backup-folder-state");
const FOLDER = metaKey("backup-folder");
/** Rigs that were deleted here: a folder that still has them does not bring them back. */
const GONE = metaKey("rigs-gone");
const Gone = z.array(z.string()).check(z.maxLength(1000));

export async function readFolderState(): Promise<FolderState> {
  const parsed = FolderState.safeParse(await database.getItem(STATE).catch(() => null));
  return parsed.success ? parsed.data : { device: drawToken(), read: {}, written: {} };
}

/** @returns the folder that was chosen, if any */
export async function readFolder(): Promise<Folder | undefined> {
  const raw = await database.getItem<Folder>(FOLDER).catch(() => null);
  return typeof raw?.getFileHandle === "function" ? raw : undefined;
}

/** @throws whatever the storage throws */
export async function keepFolder(folder: Folder): Promise<void> {
  await database.setItem(FOLDER, folder);
  const { device } = await readFolderState();
  await database.setItem(STATE, FolderState.parse({ device }));
}

export const forgetFolder = (): Promise<void> => database.removeItem(FOLDER);

/** @throws whatever the storage throws */
export const keepFolderState = async (state: FolderState): Promise<void> => {
  await database.setItem(STATE, FolderState.parse(state));
};

async function notedGone(): Promise<readonly string[]> {
  const parsed = Gone.safeParse(await database.getItem(GONE).catch(() => null));
  return parsed.success ? parsed.data : [];
}

/** @returns the rigs that are not to come back; one whose deletion was broken off after it was noted is still here */
export async function readGone(): Promise<readonly string[]> {
  const here = new Set(await rigIds());
  return (await notedGone()).filter((id) => !here.has(id));
}

/** What cannot be noted comes back with the folder: better twice than lost. */
export async function noteGone(ids: readonly string[]): Promise<void> {
  const gone = [...new Set([...(await notedGone()), ...ids])].slice(-1000);
  await database.setItem(GONE, gone).catch(() => undefined);
}

/** A rig that the tuner brings in himself is wanted again; that cannot be noted, and it comes with its next file. */
export async function notGone(ids: readonly string[]): Promise<void> {
  const gone = await notedGone();
  if (!ids.some((id) => gone.includes(id))) return;
  const left = gone.filter((id) => !ids.includes(id));
  await database.setItem(GONE, left).catch(() => undefined);
}
