/** From the browser's book to a file in the tuner's hands. */
import { noteBackup } from "#app/store/backups.ts";
import { fileNameOf } from "#app/store/book-file/names.ts";
import { writeInWorker } from "#app/store/book-file/in-worker.ts";
import { localInstant } from "./clock.ts";

export interface NamedFile {
  readonly name: string;
  readonly blob: Blob;
}

export interface Exported extends NamedFile {
  /** rigs that could not be read: they went in as they are stored */
  readonly raw: readonly string[];
  readonly lostPhotos: number;
}

/** @returns a zip of these rigs; one that cannot be read does not stop the others */
export async function exportRigs(rigIds: readonly string[]): Promise<Exported> {
  const savedAt = localInstant();
  const { blob, rigs, raw, counts, lostPhotos } = await writeInWorker(rigIds, savedAt);
  await noteBackup(counts, savedAt);
  const [only] = rigs;
  const what = only && rigIds.length === 1 ? fileNameOf(only.name) : "all-rigs";
  return { name: `tamis-${what}-${savedAt.slice(0, 10)}.zip`, blob, raw, lostPhotos };
}

export function saveFile({ name, blob }: NamedFile): void {
  const address = URL.createObjectURL(blob);
  const link = document.createElement("a");
  link.href = address;
  link.download = name;
  link.click();
  // Revoked later: some browsers read the blob only after this turn.
  setTimeout(() => URL.revokeObjectURL(address), 10_000);
}
