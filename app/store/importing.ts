/** The screen's side of an import: it runs in a worker of its own, which goes when it is done. */
import { startOnDemand } from "#app/workers/on-demand.ts";
import type { importFile } from "./import-file.ts";

const importer = startOnDemand<{ importFile: typeof importFile }>(
  () => new Worker(new URL("./import.worker.ts", import.meta.url), { type: "module", name: "import" }),
);

/** A phone takes its time over ten years. */
const LIMIT_MS = 300_000;

export const importInWorker = (file: Blob): ReturnType<typeof importFile> =>
  importer.alone(async (remote) => await remote.importFile(file), LIMIT_MS);
