/** Worker: reads, checks, imports and writes book files. */
import "#app/workers/strict.ts";
import * as Comlink from "comlink";
import { failed, guarded, type Stored } from "../failure.ts";
import { bringIn, lookInto, type Bringing, type Brought, type Coming } from "./keep.ts";
import { openFile, type OpenFile } from "./open.ts";
import { syncFolder } from "./sync-folder.ts";
import type { Told } from "./told.ts";
import { writeBook } from "./write.ts";

/** One file a worker: it goes with it. */
let opened: OpenFile | undefined;

const api = {
  look: (file: Blob, told: Told): Promise<Stored<Coming>> =>
    guarded(async () => {
      opened = await openFile(file, told);
      return lookInto(opened, told);
    }),
  bringIn: (bringing: Bringing, told: Told): Promise<Stored<Brought>> =>
    guarded(async () =>
      opened ? bringIn(opened, bringing, told) : failed("missing", "Choose the file again."),
    ),
  syncFolder,
  writeBook,
};
export type BookFileApi = typeof api;

Comlink.expose(api);
