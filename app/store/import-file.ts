/** A file of logs, from its bytes into the book: all of it or nothing. */
import { readFile } from "#app/workers/files.ts";
import { guarded, stored, type Stored } from "./failure.ts";
import { keepBrought } from "./instruments.ts";
import { importRigs, type Added } from "./merge.ts";

/** @returns what came in, or in words why nothing did */
export function importFile(file: Blob): Promise<Stored<Added>> {
  return guarded(async () => {
    const read = await readFile(file);
    if (!read.ok) return { ok: false, problem: { reason: "refused", message: read.problem.message } };
    const merged = await importRigs(read.file.rigs, read.photos);
    if (!merged.ok) return merged;
    for (const { header, instruments } of read.file.rigs)
      if (instruments) await keepBrought(header.id, instruments);
    return stored(merged.value);
  });
}
