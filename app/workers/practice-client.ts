/** The screens' side of practice: a worker that answers at once, and one that plays the other players meanwhile. */
import address from "./practice.worker.ts?worker&url";
import type { PracticeApi } from "./practice.worker.ts";
import { startOnDemand } from "./on-demand.ts";

const start = (name: string) =>
  startOnDemand<PracticeApi>(() => new Worker(address, { type: "module", name }));

/** Draws the engine, and answers each tap. */
export const practice = start("practice");
/** Plays the others, and advises at each stop. */
export const besidePractice = start("beside practice");
/** On a slow phone the others take a minute over a hard engine. */
export const BESIDE_LIMIT_MS = 180_000;
