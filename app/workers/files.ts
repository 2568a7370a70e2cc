/** Reading and writing files of many megabytes, away from the screen. */
import { checkFileSize, readLogFile, type FileRead } from "#core/log/read-file.ts";
import { LogFile } from "#core/log/schema.ts";
import { checkBuild } from "#core/rig/check-build.ts";
import { checkSettingOn } from "#core/rig/check-setting.ts";
import { applyFit } from "#core/log/fold.ts";
import type { Answer } from "./protocol.ts";

/** The model must be able to work with every build and every setting, or the rig could never be opened. */
function checkMachines(file: LogFile): FileRead {
  for (const [r, rig] of file.rigs.entries()) {
    let build: Parameters<typeof checkBuild>[0] | undefined;
    for (const [e, entry] of rig.entries.entries()) {
      try {
        if (entry.kind === "build") checkBuild((build = entry.build));
        if (entry.kind === "fit" && build) checkSettingOn(build, applyFit(build.baseline.setting, entry));
      } catch (error) {
        if (!(error instanceof RangeError)) throw error;
        const where = `rigs[${r}].entries[${e}]`;
        return {
          ok: false,
          problem: {
            reason: "badEntry",
            where,
            message: `${where}: ${error.message}. Nothing was imported.`,
          },
        };
      }
    }
  }
  return { ok: true, file };
}

export async function readFile(file: Blob): Promise<FileRead> {
  const tooLarge = checkFileSize(file.size);
  if (tooLarge) return { ok: false, problem: tooLarge };
  const read = readLogFile(await file.text());
  return read.ok ? checkMachines(read.file) : read;
}

export function writeFile(file: LogFile): Answer<Blob> {
  const parsed = LogFile.safeParse(file);
  if (!parsed.success) return { ok: false, name: "ZodError", message: parsed.error.message };
  return { ok: true, value: new Blob([JSON.stringify(parsed.data, null, 1)], { type: "application/json" }) };
}
