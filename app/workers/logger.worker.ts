import "./strict.ts";
import * as Comlink from "comlink";
import { lookAtLog, reduceLog, simulateLog, timeRun } from "./logger.ts";
import type { LoggerApi } from "./protocol.ts";

const api: LoggerApi = { lookAtLog, reduceLog, simulateLog, timeRun };

Comlink.expose(api);
