import "./strict.ts";
import * as Comlink from "comlink";
import { after, begin, debriefed, prepare, view } from "./practice.ts";

const api = { begin, view, after, prepare, debriefed };
export type PracticeApi = typeof api;

Comlink.expose(api);
