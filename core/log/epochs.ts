/** Work on the machine and the model parameters whose uncertainty each kind resets. */
import * as z from "zod/mini";
import type { PathName } from "./parts.ts";

type Path = z.infer<typeof PathName>;

/**
 * A path is reopened when the work could have changed its fuel; the zones when it could have changed the
 * shape of the engine's breathing. A new plug changes no fuel: it reopens nothing.
 */
export const WORK = {
  pilotCleaned: ["pilot"],
  pilotDrilled: ["pilot"],
  needleReplaced: ["needle"],
  needleJetReplaced: ["needle"],
  mainCleaned: ["main"],
  mainDrilled: ["main"],
  allCleaned: ["pilot", "needle", "main"],
  floatSet: ["pilot", "needle", "main"],
  slideReplaced: ["needle", "zones"],
  leakCured: ["pilot", "zones"],
  pipeChanged: ["pilot", "needle", "main", "zones"],
  filterChanged: ["pilot", "needle", "main", "zones"],
  lidChanged: ["pilot", "needle", "main", "zones"],
  engineRebuilt: ["pilot", "needle", "main", "zones", "air"],
  plugReplaced: [],
} as const satisfies Readonly<Record<string, readonly Path[]>>;

export type WorkName = keyof typeof WORK;
export const WORK_NAMES = Object.keys(WORK) as [WorkName, ...WorkName[]];
export const WorkNameSchema = z.enum(WORK_NAMES);

/** @returns the paths whose doubt this work brings back */
export const reopenedBy = (what: WorkName): readonly Path[] => WORK[what];
