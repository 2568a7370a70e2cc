/** Reading and writing files of many megabytes, away from the screen. */
import { applyFit, fold, type LogLine } from "#core/log/fold.ts";
import { checkFileSize, readLogFile, type FileRead } from "#core/log/read-file.ts";
import { LogFile } from "#core/log/schema.ts";
import { buildOfCarburettor, carburettorCount } from "#core/rig/carburettors.ts";
import { checkBuild } from "#core/rig/check-build.ts";
import { checkSettingOn } from "#core/rig/check-setting.ts";
import { requireWhole } from "#core/units/guard.ts";
import type { Photo } from "#app/store/photos.ts";
import { fromBase64, toBase64 } from "./photo.ts";
import type { Answer, LogRead } from "./protocol.ts";

/** What is fitted at a time must suit the machine of that time, or the rig could never be opened. */
function checkLine({ entry, struck, befores, build }: LogLine): void {
  if (struck) return;
  if (entry.kind === "look" && build && entry.cylinder !== undefined)
    requireWhole("cylinder", entry.cylinder, 1, build.engine.cylinders);
  if (entry.kind !== "build" && entry.kind !== "fit") return;
  if (entry.kind === "build") checkBuild(entry.build);
  const now = entry.kind === "build" ? entry.build : build;
  for (let i = 0; now && i < carburettorCount(now); i += 1) {
    const one = buildOfCarburettor(now, i);
    const setting = befores[i] ?? one.baseline.setting;
    checkSettingOn(one, entry.kind === "fit" ? applyFit(setting, entry, i + 1) : setting);
  }
}

/** The model must be able to work with every build and every setting that ever stood together. */
function checkMachines(file: LogFile): FileRead {
  for (const [r, rig] of file.rigs.entries()) {
    for (const line of fold(rig.entries).lines) {
      try {
        checkLine(line);
      } catch (error) {
        if (!(error instanceof RangeError)) throw error;
        const where = `rigs[${r}].entries[${rig.entries.indexOf(line.entry)}]`;
        const message = `${where}: ${error.message}. Nothing was imported.`;
        return { ok: false, problem: { reason: "badEntry", where, message } };
      }
    }
  }
  return { ok: true, file };
}

export async function readFile(file: Blob): Promise<LogRead> {
  const tooLarge = checkFileSize(file.size);
  if (tooLarge) return { ok: false, problem: tooLarge };
  const read = readLogFile(await file.text());
  if (!read.ok) return read;
  const { photos = [], ...rest } = read.file;
  const checked = checkMachines(rest);
  return { ...checked, photos: photos.map(({ jpeg, ...photo }) => ({ ...photo, bytes: fromBase64(jpeg) })) };
}

export function writeFile(file: LogFile, photos: readonly Photo[] = []): Answer<Blob> {
  const carried = photos.map(({ rigId, id, bytes }) => ({ rigId, id, jpeg: toBase64(bytes) }));
  const parsed = LogFile.safeParse(carried.length > 0 ? { ...file, photos: carried } : file);
  if (!parsed.success) return { ok: false, name: "ZodError", message: parsed.error.message };
  return { ok: true, value: new Blob([JSON.stringify(parsed.data, null, 1)], { type: "application/json" }) };
}
