import { backupWords, folderWords, isBackupDue } from "./backup.ts";

const now = new Date("2026-05-23T18:00:00Z");
const state = (at: string | undefined, unsaved: number, rigs = 2) => ({ at, unsaved, rigs });

it.each([
  [state(undefined, 0, 0), "There is nothing of your own here yet: the demo needs no backup."],
  [state(undefined, 1), "No backup of all your rigs yet: 1 entry is in no backup."],
  [state("2026-05-20T18:00:00Z", 12), "Last backup 3 days ago: 12 entries are in no backup."],
  [state("2026-05-23T17:59:30Z", 0), "Last backup just now: nothing has been logged since."],
])("%j: %s", (told, words) => expect(backupWords(told, now)).toBe(words));

it("reminds of a day's work that is a week old, not of a note, and not of yesterday", () => {
  expect(isBackupDue(state(undefined, 30), now)).toBe(true);
  expect(isBackupDue(state(undefined, 29), now)).toBe(false);
  expect(isBackupDue(state("2026-05-15T18:00:00Z", 40), now)).toBe(true);
  expect(isBackupDue(state("2026-05-22T18:00:00Z", 400), now)).toBe(false);
});

it("says when the folder was looked after", () => {
  expect(folderWords(undefined, now)).toBe("Nothing was written there yet.");
  expect(folderWords("2026-05-23T17:00:00Z", now)).toBe("Looked after 60 min ago.");
});
