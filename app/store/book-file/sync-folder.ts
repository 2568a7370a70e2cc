/**
 * A folder that is kept up to date, where the browser gives one: a folder that a cloud carries brings the book to the
 * laptop and back. Each device writes one file of its own there and reads those of the others, so that two never write
 * the same file; what they bring is merged by its ids.
 */
import {
  keepFolderState,
  readFolderState,
  readGone,
  type Folder,
  MOST_SAID,
  type FolderState,
} from "../backup-folder.ts";
import { wordsOf } from "#app/workers/on-demand.ts";
import { noteBackup } from "../backups.ts";
import { localRigs } from "../book.ts";
import { database, indexKey } from "../database.ts";
import { isDemo } from "../demo-rigs.ts";
import { withLock } from "../locks.ts";
import { importFile } from "./keep.ts";
import { writeBook } from "./write.ts";

export const fileOf = (device: string): string => `tamis-${device}.zip`;
const THEIRS = /^tamis-[a-z0-9]{2,30}\.zip$/;

const versionOf = (file: File): string => `${file.lastModified} ${file.size}`;

/** What the other devices have written since. */
async function readOthers(
  folder: Folder,
  kept: FolderState,
  now: string,
): Promise<{ read: FolderState["read"]; troubles: string[] }> {
  const read = { ...kept.read };
  const troubles: string[] = [];
  let brings = false;
  for await (const { kind, name } of folder.values()) {
    if (kind !== "file" || !THEIRS.test(name) || name === fileOf(kept.device)) continue;
    const file = await (await folder.getFileHandle(name)).getFile();
    // Begun and not written to its end: there will be more of it.
    if (file.size === 0 || read[name] === versionOf(file)) continue;
    // As it was before the folder brought anything: one snapshot, whatever the number of its files.
    const snapshot = brings ? undefined : { at: now, why: `Before the folder ${folder.name}`.slice(0, 300) };
    const brought = await importFile(file, {
      without: await readGone(),
      only: "own",
      ...(snapshot && { snapshot }),
    });
    brings ||= brought.ok && brought.value.entries > 0;
    // One that cannot be read is read again next time: it may be half carried over.
    if (brought.ok) read[name] = versionOf(file);
    else troubles.push(`${name}: ${brought.problem.message}`);
  }
  return { read, troubles };
}

async function revisions(rigIds: readonly string[]): Promise<Record<string, string>> {
  const found: Record<string, string> = {};
  for (const id of rigIds) {
    const index = await database.getItem<{ token?: unknown; revision?: unknown }>(indexKey(id));
    found[id] = `${String(index?.token)} ${String(index?.revision)}`;
  }
  return found;
}

/** Somebody may have cleared the folder up. */
const isThere = (folder: Folder, name: string): Promise<boolean> =>
  folder.getFileHandle(name).then(
    async (handle) => (await handle.getFile()).size > 0,
    () => false,
  );

async function writeOwn(folder: Folder, kept: FolderState, now: string): Promise<FolderState["written"]> {
  const own = (await localRigs()).filter((id) => !isDemo(id));
  const wanted = await revisions(own);
  const name = fileOf(kept.device);
  const isUpToDate = JSON.stringify(wanted) === JSON.stringify(kept.written);
  if (isUpToDate && (await isThere(folder, name))) return kept.written;
  const { blob, counts } = await writeBook(own, now);
  const file = await (await folder.getFileHandle(name, { create: true })).createWritable();
  try {
    await file.write(blob);
    await file.close();
  } catch (error) {
    await file.abort().catch(() => undefined);
    throw error;
  }
  await noteBackup(counts, now);
  return wanted;
}

/**
 * Both ways: what other devices wrote comes in, then this book goes out, if anything in it has changed.
 * @param now - with the offset of the place
 * @returns in words what went wrong, nothing when all is well
 */
export function syncFolder(folder: Folder, now: string): Promise<string | undefined> {
  return withLock("backup-folder", async () => {
    const kept = await readFolderState();
    let next: FolderState = { ...kept, at: now, trouble: undefined };
    try {
      const { read, troubles } = await readOthers(folder, kept, now);
      next = { ...next, read, written: await writeOwn(folder, kept, now) };
      if (troubles.length > 0) next = { ...next, trouble: troubles.join(" ").slice(0, MOST_SAID) };
    } catch (error) {
      next = { ...kept, trouble: wordsOf(error).slice(0, MOST_SAID) };
    }
    await keepFolderState(next).catch(() => undefined);
    return next.trouble;
  });
}
