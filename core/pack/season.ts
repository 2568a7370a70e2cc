/** Monthly air of a place: from readings, else a climate table, else the standard atmosphere. */
import type { HumidAir } from "../air/humid-air.ts";
import { weatherOf } from "../forecast/air-ahead.ts";
import type { Weather } from "../forecast/forecast.ts";
import { placeKey } from "../log/day-schema.ts";
import type { AirEntry, ClimateMonth } from "../log/schema.ts";
import { seededRandom } from "../numbers/random.ts";
import { airStateFromLog } from "../rig/from-build.ts";
import { airsBetween, airsLike } from "./airs.ts";

export type SeasonSource = "readings" | "climate" | "standard";

export interface MonthOfAir {
  /** 1 is January */
  readonly month: number;
  readonly source: SeasonSource;
  readonly readings: number;
  readonly airs: readonly HumidAir[];
}

/** Fewer readings say nothing of a month. */
const LEAST_READINGS = 3;
const AIRS_A_MONTH = 16;
const SEED = 1207;
/** Without a word on it: as warm as the standard atmosphere, a year's swing about it, middling damp. */
const STANDARD = { seaK: 288.15, lapse: 0.0065, swingK: 10, humidity: 0.6 };

/** Height of the same place, told another way, is within this. */
const SAME_HEIGHT_M = 150;

export interface SeasonPlace {
  readonly name: string;
  readonly elevationM: number;
}

/** Readings far off in height under one name are another place's. */
function readThere(airs: readonly AirEntry[], { name, elevationM }: SeasonPlace): Map<number, Weather[]> {
  const months = new Map<number, Weather[]>();
  for (const air of airs) {
    if (placeKey(air.place) !== placeKey(name)) continue;
    if (air.elevationM !== undefined && Math.abs(air.elevationM - elevationM) > SAME_HEIGHT_M) continue;
    const month = Number(air.at.slice(5, 7));
    months.set(month, [...(months.get(month) ?? []), weatherOf(airStateFromLog(air))]);
  }
  return months;
}

/**
 * @param airs - all that were read
 * @returns twelve months
 * @throws {RangeError} for a height no wheel can reach
 */
export function seasonAt(
  place: SeasonPlace,
  airs: readonly AirEntry[],
  climate: readonly ClimateMonth[],
): MonthOfAir[] {
  const read = readThere(airs, place);
  const { elevationM } = place;
  return Array.from({ length: 12 }, (_, i): MonthOfAir => {
    const month = i + 1;
    const random = seededRandom(SEED + month);
    const readings = read.get(month) ?? [];
    const told = climate.find((one) => one.month === month);
    if (readings.length >= LEAST_READINGS)
      return {
        month,
        source: "readings",
        readings: readings.length,
        airs: airsLike(readings, Math.max(AIRS_A_MONTH, Math.min(40, readings.length)), random),
      };
    const middle = STANDARD.seaK - STANDARD.lapse * elevationM;
    const range = told ?? {
      lowK: middle - STANDARD.swingK,
      highK: middle + STANDARD.swingK,
      humidity: STANDARD.humidity,
    };
    const { lowK, highK, humidity } = range;
    return {
      month,
      source: told ? "climate" : "standard",
      readings: readings.length,
      airs: airsBetween({ lowK, highK, humidity, lowM: elevationM, highM: elevationM }, AIRS_A_MONTH, random),
    };
  });
}
