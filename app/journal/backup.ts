/** Background backup into the chosen folder, some seconds after the last save. */
import { keepFolder, readFolder, readFolderState, type Folder } from "#app/store/backup-folder.ts";
import { syncInWorker } from "#app/store/book-file/in-worker.ts";
import { onChangeHere } from "#app/store/changes.ts";
import { wordsOf } from "#app/workers/on-demand.ts";
import { localInstant } from "./clock.ts";

type Permission = "granted" | "prompt" | "denied";
interface Asked extends Folder {
  readonly queryPermission?: (how: { mode: "readwrite" }) => Promise<Permission>;
  readonly requestPermission?: (how: { mode: "readwrite" }) => Promise<Permission>;
}
interface Picker {
  readonly showDirectoryPicker?: (how: { id: string; mode: "readwrite" }) => Promise<Asked>;
}

const picker = (): Picker => globalThis as Picker;
const HOW = { mode: "readwrite" } as const;

export const canKeepFolder = (): boolean => typeof picker().showDirectoryPicker === "function";

export interface FolderSeen {
  readonly name: string;
  /** whether the browser lets Tamis write there without being asked again */
  readonly allowed: boolean;
  readonly at: string | undefined;
  readonly trouble: string | undefined;
}

/** @returns the folder that is kept, nothing where none was chosen */
export async function folderSeen(): Promise<FolderSeen | undefined> {
  const folder: Asked | undefined = await readFolder();
  if (!folder) return undefined;
  const { at, trouble } = await readFolderState();
  const allowed = (await folder.queryPermission?.(HOW).catch(() => "denied")) ?? "granted";
  return { name: folder.name, allowed: allowed === "granted", at, trouble };
}

/**
 * Asks for a folder; to be called from a tap.
 * @returns in words what went wrong; nothing when all is well, or when the tuner thought better of it
 */
export async function chooseFolder(): Promise<string | undefined> {
  try {
    const folder = await picker().showDirectoryPicker?.({ id: "tamis", ...HOW });
    if (!folder) return undefined;
    await keepFolder(folder);
    return await syncInWorker(folder, localInstant());
  } catch (error) {
    if (error instanceof DOMException && error.name === "AbortError") return undefined;
    return wordsOf(error);
  }
}

/** Asks for leave again where the browser has taken it back; to be called from a tap. */
export async function backUpNow(): Promise<string | undefined> {
  const folder: Asked | undefined = await readFolder();
  if (!folder) return "No folder is chosen any more. Choose it again.";
  const allowed = (await folder.requestPermission?.(HOW).catch(() => "denied")) ?? "granted";
  if (allowed !== "granted") return "The browser does not let Tamis write there. Choose the folder again.";
  return syncInWorker(folder, localInstant()).catch(wordsOf);
}

const REST_MS = 15_000;

/** After a visit's first screen, and when nothing has been saved for a while: quietly, and only where it is allowed. */
export function keepBackups(): () => void {
  let timer: ReturnType<typeof setTimeout> | undefined;
  const write = async () => {
    const seen = await folderSeen();
    const folder = seen?.allowed === true ? await readFolder() : undefined;
    if (folder) await syncInWorker(folder, localInstant());
  };
  const later = () => {
    clearTimeout(timer);
    // What went wrong is kept with the folder's state and said on Data.
    timer = setTimeout(() => void write().catch(() => undefined), REST_MS);
  };
  later();
  const stop = onChangeHere(later);
  return () => {
    clearTimeout(timer);
    stop();
  };
}
