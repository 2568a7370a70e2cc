/** Names of faults that no jet cures, and the parameters that become uncertain once one is mended. */
import * as z from "zod/mini";
import type { PathName } from "./parts.ts";

type Path = z.infer<typeof PathName>;

const FAULTS = {
  airLeak: ["pilot", "zones"],
  floatHigh: ["pilot", "needle", "main"],
  floatLow: ["pilot", "needle", "main"],
  chokeOpen: ["pilot", "zones"],
  pilotBlocked: ["pilot"],
  mainNotAsStamped: ["main"],
  needleJetWorn: ["needle"],
  fuelStarvation: ["main"],
  /** a new plug changes no fuel */
  plugDead: [],
  ignition: [],
  cylinderSeal: ["pilot", "needle", "main", "zones"],
  airJetsDead: ["pilot", "main"],
  partWithoutEffect: ["pilot", "needle", "main"],
} as const satisfies Readonly<Record<string, readonly Path[]>>;

export type FaultName = keyof typeof FAULTS;
export const FAULT_NAMES = Object.keys(FAULTS) as [FaultName, ...FaultName[]];
export const FaultNameSchema = z.enum(FAULT_NAMES);

/** @returns whether it made plugs look other than the mixture was */
export const isSeenOnPlugsAlone = (fault: FaultName): boolean => fault === "plugDead" || fault === "ignition";

/** @returns the paths whose doubt comes back when this fault was found and mended */
export const reopenedByMending = (fault: FaultName): readonly Path[] => FAULTS[fault];
