/** From the browser's log to a file in the tuner's hands. */
import { LOG_VERSION, type LogFile } from "#core/log/schema.ts";
import { foldPossible, impossibleEntries } from "#core/rig/check-log.ts";
import { localInstant } from "./clock.ts";
import { files } from "#app/workers/client.ts";
import { heardBy } from "#app/store/instruments.ts";
import { photosOf } from "#app/store/photos.ts";
import { readRig } from "#app/store/rig-log.ts";

export interface NamedFile {
  readonly name: string;
  readonly blob: Blob;
}

/** @returns the file's content for these rigs; @throws {Error} with words if one cannot be read */
export async function gatherRigs(rigIds: readonly string[], savedAt: string): Promise<LogFile> {
  const rigs: LogFile["rigs"] = [];
  for (const id of rigIds) {
    const read = await readRig(id);
    if (!read.ok) throw new Error(read.problem.message);
    const { header, entries } = read.value;
    const aside = impossibleEntries(foldPossible(entries)).map(({ entry }) => entry);
    const sound = entries.filter((entry) => !aside.includes(entry));
    const instruments = await heardBy(id);
    rigs.push({
      header,
      entries: sound,
      ...(aside.length > 0 && { setAside: aside }),
      // So that the file gives the same advice where the other rigs are not.
      ...(instruments.length > 0 && { instruments }),
    });
  }
  return { format: "tamis", version: LOG_VERSION, savedAt, rigs };
}

export async function exportRigs(rigIds: readonly string[]): Promise<NamedFile> {
  const savedAt = localInstant();
  const file = await gatherRigs(rigIds, savedAt);
  const photos = (await Promise.all(file.rigs.map((rig) => photosOf(rig.header.id, rig.entries)))).flat();
  const [only] = file.rigs;
  const what =
    only && file.rigs.length === 1 ? only.header.name.replace(/[^\p{L}\p{N}]+/gu, "-") : "all-rigs";
  return { name: `tamis-${what}-${savedAt.slice(0, 10)}.json`, blob: await files.writeLog(file, photos) };
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
