/** Simulated engine at idle: speed from screw, idle stop and hidden mixture. */
import type { HumidAir } from "../air/humid-air.ts";
import type { Setting } from "../log/schema.ts";
import type { Random } from "../numbers/random.ts";
import { requireRange } from "../units/guard.ts";
import { trueError, type HiddenEngine } from "./hidden-engine.ts";
import { idleShare } from "./idle-share.ts";

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
