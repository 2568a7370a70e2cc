/** A folder in memory, as a browser hands one out. */
import type { Folder } from "#app/store/backup-folder.ts";

export interface MemoryFolder extends Folder {
  readonly files: Map<string, File>;
  /** the next file cannot be written to its end */
  breakNext: boolean;
}

export function memoryFolder(name = "Synced"): MemoryFolder {
  const files = new Map<string, File>();
  let written = 0;
  const folder: MemoryFolder = {
    name,
    files,
    breakNext: false,
    values: async function* () {
      await Promise.resolve();
      for (const one of files.keys()) yield { kind: "file", name: one };
    },
    getFileHandle: async (file, options) => {
      if (!files.has(file) && options?.create !== true) throw new Error("NotFoundError");
      return Promise.resolve({
        getFile: () => {
          const found = files.get(file);
          return found ? Promise.resolve(found) : Promise.reject(new Error("NotFoundError"));
        },
        createWritable: () => {
          const parts: Blob[] = [];
          return Promise.resolve({
            write: (blob: Blob) => Promise.resolve(void parts.push(blob)),
            close: () => {
              if (folder.breakNext) {
                folder.breakNext = false;
                return Promise.reject(new Error("The disk is full."));
              }
              written += 1;
              files.set(file, new File(parts, file, { lastModified: written }));
              return Promise.resolve();
            },
            abort: () => Promise.resolve(),
          });
        },
      });
    },
  };
  return folder;
}
