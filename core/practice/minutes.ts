/** What each thing takes of the minutes of a practice game, and what a look at the card costs. */
import type { Part } from "../log/parts.ts";
import type { Change } from "../log/schema.ts";
import type { CheckName } from "../log/walk-round-names.ts";
import type { Hold } from "./levels.ts";

export const POINTS_A_SHOW = 15;

export const RIDE_MINUTES: Readonly<Record<Hold, number>> = { idle: 6, low: 8, mid: 8, top: 8, lap: 12 };
export const LOOK_MINUTES = { plug: 3, crown: 2, header: 2 } as const;
export const MEND_MINUTES = 10;
export const BALANCE_MINUTES = 10;
export const CHANGE_MINUTES: Readonly<Record<Part, number>> = {
  screwTurns: 1,
  clip: 6,
  main: 8,
  pilot: 10,
  shimMm: 6,
};
/** A look with the eye and a hand at it, or the bowl off. */
const QUICK_CHECKS: ReadonlySet<CheckName> = new Set(["ignition", "choke", "cable", "breathing", "airLeaks"]);
export const checkMinutes = (check: CheckName): number => (QUICK_CHECKS.has(check) ? 2 : 4);
/** Two jets of one bowl come out together: each further part takes half as long. */
const ALONG_SHARE = 0.5;

export function changeMinutes(changes: readonly Change[]): number {
  const each = changes.map(({ part }) => CHANGE_MINUTES[part]).sort((a, b) => b - a);
  return each.reduce((sum, minutes, i) => sum + (i === 0 ? minutes : ALONG_SHARE * minutes), 0);
}
