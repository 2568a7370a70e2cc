/** The book as a zip: rig by rig and photo by photo, so that ten years of it never stand in memory at once. */
import * as z from "zod/mini";
import { BlobReader, BlobWriter, TextReader, ZipWriter } from "@zip.js/zip.js/lib/zip-core-native.js";
import { LOG_VERSION, LogFile, type Entry, type Header } from "#core/log/schema.ts";
import { foldPossible, impossibleEntries } from "#core/rig/check-log.ts";
import { database, rigOfKey } from "../database.ts";
import { heardBy } from "../instruments.ts";
import { isPhotoKey, photosIn, readPhoto } from "../photos.ts";
import { readRig } from "../rig-log.ts";
import { chartPath, photoPath, rawPath, rigPath } from "./names.ts";

export interface Written {
  readonly blob: Blob;
  readonly rigs: readonly Header[];
  /** how many entries of each were written, by its id */
  readonly counts: Readonly<Record<string, number>>;
  /** rigs that could not be read: they went in as they are stored */
  readonly raw: readonly string[];
  /** photos that the log names and this browser has not got, or cannot read */
  readonly lostPhotos: number;
}

type RigOfFile = LogFile["rigs"][number];

/** What one rig is in a file: what it cannot have is carried beside. */
async function rigOfFile(header: Header, entries: readonly Entry[]): Promise<RigOfFile> {
  const aside = new Set(impossibleEntries(foldPossible(entries)).map(({ entry }) => entry));
  const instruments = await heardBy(header.id).catch(() => []);
  return {
    header,
    entries: entries.filter((entry) => !aside.has(entry)),
    ...(aside.size > 0 && { setAside: [...aside] }),
    // So that the file gives the same advice where the other rigs are not.
    ...(instruments.length > 0 && { instruments }),
  };
}

/** @returns the content of a log file of these rigs; those that cannot be read are left out */
export async function logFileOf(rigIds: readonly string[], savedAt: string): Promise<LogFile> {
  const rigs: RigOfFile[] = [];
  for (const id of rigIds) {
    const read = await readRig(id);
    if (read.ok) rigs.push(await rigOfFile(read.value.header, read.value.entries));
  }
  return { format: "tamis", version: LOG_VERSION, savedAt, rigs };
}

const schemaText = (): string =>
  JSON.stringify({
    title: "Tamis log",
    ...z.toJSONSchema(LogFile, { io: "input", target: "draft-2020-12" }),
  });

function readMe(written: Omit<Written, "blob" | "counts">, savedAt: string): string {
  const lines = [
    `Tamis, exported ${savedAt}.`,
    "",
    "Data, Import takes this zip as it is. Each file in rigs/ is a log by itself and can be imported alone;",
    "tamis-log.schema.json says what stands in it. photos/ holds what the logs name, as JPEG.",
    "charts/ holds the chart of a rig that was exported alone: what to fit in which air.",
    "",
    ...written.rigs.map((header) => `${header.plate}  ${header.name}  ${rigPath(header)}`),
  ];
  if (written.lostPhotos > 0) lines.push("", `${written.lostPhotos} photos were not in this browser.`);
  if (written.raw.length > 0)
    lines.push(
      "",
      "These rigs could not be read and are in raw/ as they are stored. Import passes them over:",
      ...written.raw,
    );
  return `${lines.join("\r\n")}\r\n`;
}

/** Whatever of one rig can be got at. */
async function rawRig(rigId: string): Promise<Record<string, unknown>> {
  const found: Record<string, unknown> = {};
  for (const key of await database.keys()) {
    if (rigOfKey(key) !== rigId || isPhotoKey(key)) continue;
    found[key] = await database
      .getItem(key)
      .catch((error: unknown) => ({ unreadable: error instanceof Error ? error.message : "unreadable" }));
  }
  return found;
}

/**
 * @param savedAt - now, with the offset of the place
 * @returns a zip of these rigs; one that cannot be read does not stop the others
 */
export async function writeBook(rigIds: readonly string[], savedAt: string): Promise<Written> {
  const zip = new ZipWriter(new BlobWriter("application/zip"), { useWebWorkers: false, zip64: false });
  const text = (path: string, content: string) => zip.add(path, new TextReader(content));
  const rigs: Header[] = [];
  const raw: string[] = [];
  const counts: Record<string, number> = {};
  let lostPhotos = 0;
  for (const id of rigIds) {
    const file = await logFileOf([id], savedAt);
    const [rig] = file.rigs;
    if (!rig) {
      raw.push(id);
      await text(rawPath(id), JSON.stringify(await rawRig(id), null, 1));
      continue;
    }
    rigs.push(rig.header);
    const all = [...rig.entries, ...(rig.setAside ?? [])];
    counts[id] = all.length;
    await text(rigPath(rig.header), JSON.stringify(file, null, 1));
    if (rigIds.length === 1) {
      const { chartFile } = await import("./chart-file.ts");
      const chart = chartFile(rig.entries, rig.instruments ?? []);
      if (chart !== undefined) await text(chartPath(rig.header), chart);
    }
    for (const photo of photosIn(all)) {
      const bytes = await readPhoto(id, photo.id);
      if (!bytes) lostPhotos += 1;
      // JPEG is as small as it gets.
      else await zip.add(photoPath(id, photo.id), new BlobReader(new Blob([bytes])), { level: 0 });
    }
  }
  await text("tamis-log.schema.json", schemaText());
  await text("READ ME.txt", readMe({ rigs, raw, lostPhotos }, savedAt));
  return { blob: await zip.close(), rigs, raw, counts, lostPhotos };
}
