/** Which zones the parts in this box can bring inside the tolerance, by the posterior. */
import { chanceRight, REACHED_ZONES, type Judged, type ReachedZone } from "../judge/judge-setting.ts";
import { movesFor } from "./moves.ts";
import type { PlanQuestion } from "./plan.ts";

/** A zone less likely right than this, with anything there is, is out of reach of the box. */
export const HOPELESS = 0.2;

/** @returns the zones that anything allowed brings, or leaves, within reach of right */
export function reachedZones({ judge, options, build }: PlanQuestion, card: Judged): ReachedZone[] {
  return REACHED_ZONES.filter((zone) =>
    [{}, ...movesFor(zone, options, build, card.setting)].some(
      (move) => chanceRight(judge.judge({ ...card.setting, ...move }).zones[zone]) >= HOPELESS,
    ),
  );
}
