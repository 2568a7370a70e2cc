/**
 * Ranks past days by similarity for jetting: the air that burns and the water in it first, then the place, then
 * whether the machine is still the same. A setting that was seen on such a day is the best beginning there is.
 */
import { frameOf } from "../belief/frame.ts";
import { PROBES, perZone, ZONES, type PerZone } from "../carburettor/zones.ts";
import { prepareShift, shiftAt } from "../carburettor/mixture-shift.ts";
import type { Present, SeenLook, SeenProven, SeenRun } from "../log/present.ts";
import { dayOf, type AirEntry, type Build, type Setting } from "../log/schema.ts";
import { humidAirFromLog, settingFromLog } from "../rig/from-build.ts";

export interface PastDay {
  /** as the tuner's calendar had it */
  readonly day: string;
  /** the last that was read on it */
  readonly air: AirEntry;
  /** one a carburettor, as it was when something was last seen that day */
  readonly settings: readonly Setting[];
  readonly looks: readonly SeenLook[];
  readonly runs: number;
  /** the tuner said that it was right */
  readonly proven: boolean;
  /** ln of today's dry air over that day's: + there is more to burn today */
  readonly denser: number;
  /** today's vapour less that day's, Pa */
  readonly damperPa: number;
  readonly samePlace: boolean;
  /** parts were changed, or paths opened, since */
  readonly worked: boolean;
  /** 0 is the same day over again */
  readonly distance: number;
}

/** What counts as far as one unit: a per cent of air, six hectopascals of vapour. */
const FAR = { denser: 0.01, damperPa: 600 };
const OTHER_PLACE = 0.5;
/** A machine that was worked on is another one in part. */
const WORKED = 1.5;

type Seen = SeenLook | SeenProven | SeenRun;

interface Gathered {
  readonly looks: SeenLook[];
  runs: number;
  proven: boolean;
  last: Seen;
}

/** Only what was seen in an air of its own day can be held against another day. */
function gathered({ looks, proven, runs }: Present): Map<string, Gathered> {
  const days = new Map<string, Gathered>();
  const add = (seen: Seen): Gathered | undefined => {
    if (!seen.air || seen.airDaysOff !== undefined) return undefined;
    const day = dayOf(seen.entry.at);
    const known = days.get(day);
    if (!known) {
      const fresh: Gathered = { looks: [], runs: 0, proven: false, last: seen };
      days.set(day, fresh);
      return fresh;
    }
    if (seen.entry.at >= known.last.entry.at) known.last = seen;
    return known;
  };
  for (const look of looks) add(look)?.looks.push(look);
  for (const run of runs) {
    const day = add(run);
    if (day) day.runs += 1;
  }
  for (const right of proven) {
    const day = add(right);
    if (day) day.proven = true;
  }
  return days;
}

const samePlace = (a: AirEntry, b: AirEntry): boolean =>
  a.place !== "" && a.place.toLowerCase() === b.place.toLowerCase();

/**
 * @param now - the air to compare with; its own day is no past day
 * @param most - so many at most, 1 or more
 * @returns the nearest first; of two alike the newer one
 * @throws {RangeError} for fewer than one
 */
export function daysLike(present: Present, now: AirEntry, most: number): PastDay[] {
  if (!(Number.isInteger(most) && most >= 1)) throw new RangeError(`days must be 1 or more, got ${most}`);
  const today = humidAirFromLog(now);
  const days = [...gathered(present)].flatMap(([day, { looks, runs, proven, last }]): PastDay[] => {
    const { air } = last;
    if (!air || day >= dayOf(now.at)) return [];
    const then = humidAirFromLog(air);
    const denser = Math.log(today.dryDensityKgM3 / then.dryDensityKgM3);
    const damperPa = today.vapourPressurePa - then.vapourPressurePa;
    const here = samePlace(now, air);
    const worked =
      last.build !== present.knownBuilds.length - 1 || last.reopenings !== present.reopenings.length;
    const distance =
      Math.hypot(denser / FAR.denser, damperPa / FAR.damperPa) +
      (here ? 0 : OTHER_PLACE) +
      (worked ? WORKED : 0);
    return [
      {
        day,
        air,
        settings: last.settings,
        looks,
        runs,
        proven,
        denser,
        damperPa,
        samePlace: here,
        worked,
        distance,
      },
    ];
  });
  return days.sort((a, b) => a.distance - b.distance || b.day.localeCompare(a.day)).slice(0, most);
}

/**
 * What the air alone does to a setting from one air to another, by zone: + leaner.
 * @param build - the machine as it is now
 */
export function movedByAir(build: Build, setting: Setting, from: AirEntry, to: AirEntry): PerZone<number> {
  const { model } = frameOf(build);
  const probes = ZONES.map((zone) => PROBES[zone]);
  const [before, after] = [from, to].map((air) =>
    prepareShift(model, humidAirFromLog(air), probes).map(
      (point) => shiftAt(model, settingFromLog(setting), point).shift,
    ),
  );
  return perZone((zone) => {
    const place = ZONES.indexOf(zone);
    return (after?.[place] ?? 0) - (before?.[place] ?? 0);
  });
}
