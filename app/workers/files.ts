/** Reading and writing files of many megabytes, away from the screen. */
import { checkFileSize, readLogFile } from "#core/log/read-file.ts";
import { LogFile } from "#core/log/schema.ts";
import { fileProblem } from "#core/rig/check-file.ts";
import type { Photo } from "./protocol.ts";
import { fromBase64, toBase64 } from "./photo.ts";
import type { Answer, LogRead } from "./protocol.ts";

export async function readFile(file: Blob): Promise<LogRead> {
  const tooLarge = checkFileSize(file.size);
  if (tooLarge) return { ok: false, problem: tooLarge };
  const read = readLogFile(await file.text());
  if (!read.ok) return read;
  const { photos = [], ...rest } = read.file;
  const problem = fileProblem(rest);
  if (problem) return { ok: false, problem };
  return {
    ok: true,
    file: rest,
    photos: photos.map(({ jpeg, ...photo }) => ({ ...photo, bytes: fromBase64(jpeg) })),
  };
}

export function writeFile(file: LogFile, photos: readonly Photo[] = []): Answer<Blob> {
  const carried = photos.map(({ rigId, id, bytes }) => ({ rigId, id, jpeg: toBase64(bytes) }));
  const parsed = LogFile.safeParse(carried.length > 0 ? { ...file, photos: carried } : file);
  if (!parsed.success) return { ok: false, name: "ZodError", message: parsed.error.message };
  return { ok: true, value: new Blob([JSON.stringify(parsed.data, null, 1)], { type: "application/json" }) };
}
