/** Methods of setting the mixture screw, and each one's criterion for a wrong pilot jet. */
import type { ScrewSchool } from "../log/schools.ts";
import type { BestIdle } from "./best-idle.ts";

/** Which way is richer: an air screw in, a fuel screw out. */
export const richerSign = (screw: "air" | "fuel"): 1 | -1 => (screw === "air" ? -1 : 1);

const TOUCH_TURNS = 0.125;

/**
 * @returns where this school sets the screw, turns out, never below its seat. By feel starts from the middle:
 *   the hand decides from there
 */
export function targetTurns(school: ScrewSchool, fit: BestIdle, screw: "air" | "fuel"): number {
  const wanted = {
    middle: fit.middleTurns,
    highest: fit.crestTurns,
    touchRich: fit.crestTurns + richerSign(screw) * TOUCH_TURNS,
    byFeel: fit.middleTurns,
  }[school];
  return Math.max(0, wanted);
}
