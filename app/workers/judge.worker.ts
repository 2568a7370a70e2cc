import "./strict.ts";
import * as Comlink from "comlink";
import { judgeApi } from "./judge.ts";

Comlink.expose(judgeApi());
