/** Which air a look is held against: one of its own day, else the nearest that was read, however far. */
import { dayOf, type AirEntry } from "./schema.ts";

export interface AirOfLook {
  readonly air: AirEntry | undefined;
  /** days to that air, where none was read on the look's own day */
  readonly airDaysOff?: number;
}

export type AirFinder = (at: string) => AirOfLook;

const DAY_MS = 86_400_000;

/**
 * @param airs - in order
 * @returns from a moment to the newest air before it on its day, else the first after it on its day, else the
 *   nearest of all
 */
export function airFinder(airs: readonly AirEntry[]): AirFinder {
  const days = new Map<string, AirEntry[]>();
  for (const air of airs) days.set(dayOf(air.at), [...(days.get(dayOf(air.at)) ?? []), air]);
  return (at) => {
    const instant = Date.parse(at);
    const sameDay = days.get(dayOf(at)) ?? [];
    const air = sameDay.findLast((one) => Date.parse(one.at) <= instant) ?? sameDay[0];
    if (air) return { air };
    const off = (one: AirEntry) => Math.abs(Date.parse(one.at) - instant);
    const [first] = airs;
    if (!first) return { air: undefined };
    const nearest = airs.reduce((best, one) => (off(one) < off(best) ? one : best), first);
    return { air: nearest, airDaysOff: Math.max(1, Math.round(off(nearest) / DAY_MS)) };
  };
}
