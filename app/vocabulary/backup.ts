/** How safe the book is, in words. */
import { agoWords } from "./days.ts";
import { countWords } from "./counts.ts";

export interface BackupTold {
  /** of the rig whose last backup is the oldest; nothing where one was never in any */
  readonly at: string | undefined;
  /** entries of the tuner's own rigs that are in no backup */
  readonly unsaved: number;
  readonly rigs: number;
}

/** A morning's work is worth a reminder, but not on the same day. */
const WORTH_A_WORD = 30;
const LONG_MS = 7 * 24 * 3600 * 1000;

/** @returns is the tuner to be reminded? */
export const isBackupDue = ({ at, unsaved }: BackupTold, now: Date): boolean =>
  unsaved >= WORTH_A_WORD && (at === undefined || now.getTime() - Date.parse(at) > LONG_MS);

/** Ago as a sentence has it: `just now`, `3 days ago`. */
const ago = (at: string, now: Date): string => {
  const words = agoWords(at, now);
  return words === "just now" ? words : `${words} ago`;
};

/** When the last backup was, and what is in none. */
export function backupWords({ at, unsaved, rigs }: BackupTold, now: Date): string {
  if (rigs === 0) return "There is nothing of your own here yet: the demo needs no backup.";
  const last = at === undefined ? "No backup of all your rigs yet" : `Last backup ${ago(at, now)}`;
  return unsaved === 0
    ? `${last}: nothing has been logged since.`
    : `${last}: ${countWords(unsaved, "entry is", "entries are")} in no backup.`;
}

/** What happened with the kept folder the last time. */
export function folderWords(at: string | undefined, now: Date): string {
  return at === undefined ? "Nothing was written there yet." : `Looked after ${ago(at, now)}.`;
}
