/** Reading, checking and keeping a file of many years, without a single moment of the screen's time. */
import "#app/workers/strict.ts";
import * as Comlink from "comlink";
import { importFile } from "./import-file.ts";

Comlink.expose({ importFile });
