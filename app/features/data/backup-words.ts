import type { BackupState } from "#app/store/backups.ts";
import { agoWords } from "#app/vocabulary/days.ts";
import { countWords } from "./coming-words.ts";

/** Ago as a sentence has it: `just now`, `3 days ago`. */
const ago = (at: string, now: Date): string => {
  const words = agoWords(at, now);
  return words === "just now" ? words : `${words} ago`;
};

/** When the last backup was, and what is in none. */
export function backupWords({ at, unsaved, rigs }: BackupState, now: Date): string {
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
