/** The screen's side of files: each is the work of a worker of its own, which goes when it is done. */
import { startOnDemand } from "#app/workers/on-demand.ts";
import address from "./book-file.worker.ts?worker&url";
import type { syncFolder } from "./sync-folder.ts";
import type { importFile, lookAtFile } from "./keep.ts";
import type { writeBook } from "./write.ts";

interface BookFileApi {
  readonly importFile: typeof importFile;
  readonly lookAtFile: typeof lookAtFile;
  readonly syncFolder: typeof syncFolder;
  readonly writeBook: typeof writeBook;
}

const filing = startOnDemand<BookFileApi>(() => new Worker(address, { type: "module", name: "book-file" }));

/** A phone takes its time over ten years. */
const LIMIT_MS = 300_000;

export const importInWorker: typeof importFile = (file, bringing) =>
  filing.alone(async (remote) => await remote.importFile(file, bringing), LIMIT_MS);
export const lookAtInWorker: typeof lookAtFile = (file) =>
  filing.alone(async (remote) => await remote.lookAtFile(file), LIMIT_MS);
export const syncInWorker: typeof syncFolder = (folder, now) =>
  filing.alone(async (remote) => await remote.syncFolder(folder, now), LIMIT_MS);
export const writeInWorker: typeof writeBook = (rigIds, savedAt) =>
  filing.alone(async (remote) => await remote.writeBook(rigIds, savedAt), LIMIT_MS);
