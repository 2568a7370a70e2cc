import * as Comlink from "comlink";
import { enduroDemo } from "#demo/enduro-log.ts";
import { readFile, writeFile } from "./files.ts";
import type { FilesApi } from "./protocol.ts";

const api: FilesApi = {
  readLog: readFile,
  writeLog: writeFile,
  makeDemo: (lastDay, offset) => [enduroDemo(lastDay, offset)],
};

Comlink.expose(api);
