/** Simulated engine at idle: speed from screw, idle stop and hidden mixture. */
import type { HumidAir } from "../air/humid-air.ts";
import type { Setting } from "../log/schema.ts";
import type { Random } from "../numbers/random.ts";
import { requireRange } from "../units/guard.ts";
import { trueError, type HiddenEngine } from "./hidden-engine.ts";

/** Half the width between the fall-offs, as mixture error: 2 % of rpm are lost there. */
export const HALF_WIDTH = 0.11;
/** The crest stands a little to the lean side of the middle. */
const SKEW = 0.02;
const FALL = 0.02;
/** An idle this far off stalls. */
const STALLED_SHARE = 0.62;

/** @returns share of the crest's rpm that is left at a mixture error; 0 when the engine has stalled */
export function idleShare(error: number): number {
  const x = error - SKEW;
  const width = x > 0 ? HALF_WIDTH - SKEW : HALF_WIDTH + SKEW;
  const share = 1 - FALL * (x / width) ** 2;
  return share < STALLED_SHARE ? 0 : share;
}

export interface IdleReader {
  /** scatter of one settled reading, as a share */
  readonly scatter: number;
}

/**
 * @param crestRpm - at the best mixture with this idle stop
 * @returns a settled reading
 */
export function readIdle(
  engine: HiddenEngine,
  setting: Setting,
  air: HumidAir,
  crestRpm: number,
  { scatter }: IdleReader,
  random: Random,
): number {
  requireRange("crest", crestRpm, 300, 8000, "rpm");
  const settled = crestRpm * idleShare(trueError(engine, setting, air, "idle"));
  return Math.max(0, settled * (1 + scatter * random.normal()));
}
