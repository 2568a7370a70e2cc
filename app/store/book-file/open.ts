/** A file of logs, zip or JSON, opened and checked before anything of it is kept; photos come one by one. */
import {
  BlobReader,
  ZipReader,
  type Entry as ZipEntry,
  type FileEntry,
} from "@zip.js/zip.js/lib/zip-core-native.js";
import { checkFileSize, readLogFile } from "#core/log/read-file.ts";
import type { LogFile } from "#core/log/schema.ts";
import { fileProblem } from "#core/rig/check-file.ts";
import { wordsOf } from "#app/workers/on-demand.ts";
import { fromBase64 } from "#app/workers/photo.ts";
import type { Photo } from "#app/workers/protocol.ts";
import { BadFile } from "../failure.ts";
import { photosIn } from "../photos.ts";
import { photoPath, readPath } from "./names.ts";
import { stepsTold, type Told } from "./told.ts";

export interface OpenFile {
  readonly savedAt: string;
  readonly rigs: LogFile["rigs"];
  /** those that the logs name */
  readonly photos: () => AsyncGenerator<Photo> | Generator<Photo>;
  readonly photoCount: number;
  /** rigs that could not be read where the file was made */
  readonly raw: readonly string[];
  /** where keys of a newer Tamis stand */
  readonly unknown: readonly string[];
  readonly close: () => Promise<void>;
}

/** What is packed so well that it grows more than this was made to fill a device. */
const MOST_GROWTH = 60;
const GROWTH_FREE_BYTES = 32 * 1024 * 1024;
/** Of one rig; more than a hundred thousand entries. */
const LARGEST_RIG_BYTES = 256 * 1024 * 1024;
/** Tamis makes them a tenth of this. */
const LARGEST_PHOTO_BYTES = 4 * 1024 * 1024;
const MOST_RIGS = 1000;
/** A file a rig and a file a photo: more was made to keep a device busy. */
const MOST_FILES = 20_000;

const NOTHING = "Nothing was imported.";
const megabytes = (bytes: number): string => `${(bytes / 1024 / 1024).toFixed(0)} MB`;

const isFile = (entry: ZipEntry): entry is FileEntry => !entry.directory;

/** What a zip says of itself may be a lie: the bytes are counted as they come. */
async function bytesOf(entry: FileEntry, most: number): Promise<Uint8Array<ArrayBuffer>> {
  const tooLarge = () =>
    new BadFile(`${entry.filename} has over ${megabytes(most)}, more than Tamis writes. ${NOTHING}`);
  if (entry.uncompressedSize > most) throw tooLarge();
  if (entry.encrypted)
    throw new BadFile(`This zip has a password. Unpack it, then import the rigs. ${NOTHING}`);
  const parts: Uint8Array<ArrayBuffer>[] = [];
  let size = 0;
  await entry.getData(
    new WritableStream<Uint8Array<ArrayBuffer>>({
      write: (part) => {
        size += part.length;
        if (size > most) throw tooLarge();
        parts.push(part);
      },
    }),
    { checkSignature: true, useWebWorkers: false },
  );
  return new Uint8Array(await new Blob(parts).arrayBuffer());
}

async function listed(zip: ZipReader<Blob>, fileBytes: number): Promise<FileEntry[]> {
  const found: FileEntry[] = [];
  let unpacked = 0;
  for await (const entry of zip.getEntriesGenerator()) {
    if (!isFile(entry) || !readPath(entry.filename)) continue;
    found.push(entry);
    unpacked += entry.uncompressedSize;
    if (found.length > MOST_FILES || unpacked > MOST_GROWTH * fileBytes + GROWTH_FREE_BYTES)
      throw new BadFile(
        `Unpacked this zip would have over ${megabytes(unpacked)}: it was made to fill a device. ${NOTHING}`,
      );
  }
  return found;
}

const isJpeg = (bytes: Uint8Array): boolean => bytes[0] === 0xff && bytes[1] === 0xd8 && bytes[2] === 0xff;

function checkedPhoto(photo: Photo): Photo {
  if (isJpeg(photo.bytes)) return photo;
  throw new BadFile(`The photo ${photo.id} is no JPEG. ${NOTHING}`);
}

/** @throws {BadFile} with where and what to do */
function checkedLog(text: string, where: string): { file: LogFile; unknown: readonly string[] } {
  const told = (message: string) => new BadFile(where === "" ? message : `${where}: ${message}`);
  const read = readLogFile(text);
  if (!read.ok) throw told(read.problem.message);
  const problem = fileProblem(read.file);
  if (problem) throw told(problem.message);
  return { file: read.file, unknown: read.unknown.map((key) => (where === "" ? key : `${where}: ${key}`)) };
}

async function openJson(file: Blob): Promise<OpenFile> {
  const tooLarge = checkFileSize(file.size);
  if (tooLarge) throw new BadFile(tooLarge.message);
  const { file: log, unknown } = checkedLog(await file.text(), "");
  const photos = log.photos ?? [];
  return {
    savedAt: log.savedAt,
    rigs: log.rigs,
    photos: function* () {
      for (const { jpeg, ...photo } of photos) yield checkedPhoto({ ...photo, bytes: fromBase64(jpeg) });
    },
    photoCount: photos.length,
    raw: [],
    unknown,
    close: () => Promise.resolve(),
  };
}

function onceEach(rigs: LogFile["rigs"]): LogFile["rigs"] {
  const seen = new Set<string>();
  for (const { header } of rigs) {
    if (seen.has(header.id)) throw new BadFile(`The rig ${header.id} is in this zip twice. ${NOTHING}`);
    seen.add(header.id);
  }
  return rigs;
}

/** Where the end of a zip's directory begins, at most this far from the end of the file. */
const END_OF_DIRECTORY = { signature: 0x06054b50, bytes: 22, comment: 0xffff } as const;

/** By its directory alone, before any of it is gone through: a number that does not fit there says as much. */
async function refuseCrowds(file: Blob): Promise<void> {
  const { signature, bytes, comment } = END_OF_DIRECTORY;
  const tail = new DataView(await file.slice(-(bytes + comment)).arrayBuffer());
  for (let at = tail.byteLength - bytes; at >= 0; at -= 1) {
    if (tail.getUint32(at, true) !== signature) continue;
    const files = tail.getUint16(at + 10, true);
    if (files > MOST_FILES)
      throw new BadFile(
        `This zip has over ${MOST_FILES} files: Tamis writes one a rig and one a photo. ${NOTHING}`,
      );
    return;
  }
}

async function openZip(file: Blob, told: Told | undefined): Promise<OpenFile> {
  await refuseCrowds(file);
  const zip = new ZipReader(new BlobReader(file), { useWebWorkers: false, checkOverlappingEntry: true });
  const entries = await listed(zip, file.size);
  const rigs: LogFile["rigs"] = [];
  const unknown: string[] = [];
  const raw: string[] = [];
  const photos = new Map<string, FileEntry>();
  let savedAt = "";
  const oneRead = stepsTold(
    told,
    entries.filter(({ filename }) => readPath(filename)?.kind === "rig").length,
    0,
    0.5,
  );
  for (const entry of entries) {
    const path = readPath(entry.filename);
    if (path?.kind === "raw") raw.push(path.rigId);
    if (path?.kind === "photo") photos.set(photoPath(path.rigId, path.id), entry);
    if (path?.kind !== "rig") continue;
    const bytes = await bytesOf(entry, LARGEST_RIG_BYTES);
    const read = checkedLog(new TextDecoder().decode(bytes), entry.filename);
    rigs.push(...read.file.rigs);
    unknown.push(...read.unknown);
    if (read.file.savedAt > savedAt) ({ savedAt } = read.file);
    if (rigs.length > MOST_RIGS) throw new BadFile(`This zip has over ${MOST_RIGS} rigs. ${NOTHING}`);
    await oneRead();
  }
  if (rigs.length === 0)
    throw new BadFile(
      raw.length === 0
        ? "This zip holds no log of Tamis. Choose a file that Tamis exported."
        : `No rig in this zip could be read where it was made: ${raw.join(", ")} came as it was stored. ${NOTHING}`,
    );
  const named = onceEach(rigs).flatMap(({ header, entries: log, setAside = [] }) =>
    photosIn([...log, ...setAside]).flatMap(({ id }) => {
      const entry = photos.get(photoPath(header.id, id));
      return entry ? [{ rigId: header.id, id, entry }] : [];
    }),
  );
  return {
    savedAt,
    rigs,
    photos: async function* () {
      for (const { rigId, id, entry } of named)
        yield checkedPhoto({ rigId, id, bytes: await bytesOf(entry, LARGEST_PHOTO_BYTES) });
    },
    photoCount: named.length,
    raw,
    unknown,
    close: () => zip.close(),
  };
}

const isZip = async (file: Blob): Promise<boolean> => {
  const [p, k] = new Uint8Array(await file.slice(0, 2).arrayBuffer());
  return p === 0x50 && k === 0x4b;
};

/**
 * @param file - a zip as Tamis exports it, or a log as JSON
 * @param told - is told of the first half of the way to a preview
 * @throws {BadFile} in words, where anything is wrong with it
 */
export async function openFile(file: Blob, told?: Told): Promise<OpenFile> {
  if (!(await isZip(file))) return openJson(file);
  try {
    return await openZip(file, told);
  } catch (error) {
    throw asBadFile(error);
  }
}

/** What the zip's reader throws is about bytes: a tuner needs to know what to do. */
export function asBadFile(error: unknown): Error {
  if (error instanceof BadFile) return error;
  return new BadFile(`This zip is cut short or damaged (${wordsOf(error)}). Export it again. ${NOTHING}`);
}
