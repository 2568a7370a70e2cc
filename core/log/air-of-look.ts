/** Chooses the air reading that belongs to a look: one of its own day, else the nearest in time. */
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
  const timed = airs.map((air) => ({ air, instant: Date.parse(air.at) }));
  const days = new Map<string, typeof timed>();
  for (const one of timed) {
    const day = dayOf(one.air.at);
    const same = days.get(day);
    if (same) same.push(one);
    else days.set(day, [one]);
  }
  return (at) => {
    const instant = Date.parse(at);
    const sameDay = days.get(dayOf(at)) ?? [];
    const own = sameDay.findLast((one) => one.instant <= instant) ?? sameDay[0];
    if (own) return { air: own.air };
    const [first] = timed;
    if (!first) return { air: undefined };
    const off = (one: { instant: number }) => Math.abs(one.instant - instant);
    const nearest = timed.reduce((best, one) => (off(one) < off(best) ? one : best), first);
    return { air: nearest.air, airDaysOff: Math.max(1, Math.round(off(nearest) / DAY_MS)) };
  };
}
