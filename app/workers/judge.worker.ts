import "./strict.ts";
import * as Comlink from "comlink";
import { judgeApi } from "./judge.ts";

/** Long enough for the first card. */
const AFTER_MS = 3000;

Comlink.expose(judgeApi());

// The rarer queries come in while nobody waits for them; without signal they are asked for again when they are needed.
addEventListener(
  "message",
  () => setTimeout(() => void import("./asked.ts").catch(() => undefined), AFTER_MS),
  { once: true },
);
