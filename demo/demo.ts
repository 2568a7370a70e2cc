/** All rigs of the demo, told up to a day. */
import { TOLD_DAY, TOLD_OFFSET } from "./told-day.ts";
import { enduroDemo } from "./enduro-log.ts";
import { ATV, KART, RACER, TWIN } from "./other-rigs.ts";
import { tell, type DemoRig } from "./story.ts";

/**
 * @param lastDay - the calendar day the stories end on, `2026-05-23`
 * @param offset - of the place's clock, `+02:00`
 */
export function allDemos(lastDay: string, offset: string): DemoRig[] {
  const others = [KART, ATV, TWIN, RACER].map((plan) => tell(plan, lastDay, offset));
  return [enduroDemo(lastDay, offset), ...others];
}

/** @returns the text of demo/told.json: all of it, told for one day */
export const toldDemo = (): string => `${JSON.stringify(allDemos(TOLD_DAY, TOLD_OFFSET))}\n`;
