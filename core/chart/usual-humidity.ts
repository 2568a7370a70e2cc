/** The usual humidity of the place where a rig is: the mean of its climate table, else of the airs that were read there. */
import { airsRead } from "../log/airs-read.ts";
import { placeKey } from "../log/day-schema.ts";
import type { Present } from "../log/present.ts";
import { humidAirFromLog } from "../rig/from-build.ts";

/** Where nothing is known of a place. */
const MIDDLE = 0.5;

/** @returns relative humidity, 0 to 1, at the place of the newest air */
export function usualHumidity(present: Present): number {
  const here = placeKey(present.air?.place ?? "");
  const climate = present.ahead.climates.findLast(({ place }) => placeKey(place) === here);
  const shares = climate
    ? climate.months.map(({ humidity }) => humidity)
    : airsRead(present)
        .filter(({ place }) => placeKey(place) === here)
        .map((air) => humidAirFromLog(air).relativeHumidity);
  return shares.length === 0 ? MIDDLE : shares.reduce((sum, share) => sum + share, 0) / shares.length;
}
