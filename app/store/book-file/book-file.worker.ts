/** Files of many years, read, checked, kept and written without a single moment of the screen's time. */
import "#app/workers/strict.ts";
import * as Comlink from "comlink";
import { syncFolder } from "./sync-folder.ts";
import { importFile, lookAtFile } from "./keep.ts";
import { writeBook } from "./write.ts";

Comlink.expose({ importFile, lookAtFile, syncFolder, writeBook });
