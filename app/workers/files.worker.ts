import "./strict.ts";
import * as Comlink from "comlink";
import { openPhoto, readTone, shrinkPhoto } from "./photo.ts";
import type { FilesApi } from "./protocol.ts";

const api: FilesApi = {
  shrinkPhoto,
  openPhoto,
  readTone,
  drawPlug: async (scene, seed, sidePx) => {
    const { drawPlug } = await import("./pictures.ts");
    return drawPlug(scene, seed, sidePx);
  },
  drawWitness: async (of, scene, seed, sidePx) => {
    const { drawWitness } = await import("./pictures.ts");
    return drawWitness(of, scene, seed, sidePx);
  },
  readTable: async (file) => (await import("./tables.ts")).readTable(file),
  readGpx: async (file, speedMs, answers) => (await import("./gpx.ts")).readGpx(file, speedMs, answers),
};

Comlink.expose(api);
