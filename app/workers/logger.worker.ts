import * as Comlink from "comlink";
import { cancelLog, lookAtLog, reduceLog, simulateLog } from "./logger.ts";
import type { LoggerApi } from "./protocol.ts";

const api: LoggerApi = { lookAtLog, reduceLog, cancelLog, simulateLog };

Comlink.expose(api);
