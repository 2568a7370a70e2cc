/** Validates every build and setting of an imported file with the model. */
import type { FileProblem } from "../log/read-file.ts";
import type { LogFile } from "../log/schema.ts";
import { foldPossible, impossibleEntries } from "./check-log.ts";

/** @returns the first entry of a file that its rig cannot have, with where it stands */
export function fileProblem(file: Pick<LogFile, "rigs">): FileProblem | undefined {
  for (const [r, { entries }] of file.rigs.entries()) {
    const [first] = impossibleEntries(foldPossible(entries));
    if (!first) continue;
    const where = `rigs[${r}].entries[${entries.indexOf(first.entry)}]`;
    const message = `${where}: ${first.why}. Nothing was imported; strike that entry where it was logged, or correct the file.`;
    return { reason: "badEntry", where, message };
  }
  return undefined;
}
