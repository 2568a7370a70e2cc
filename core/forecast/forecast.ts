/**
 * Interpolates a forecast to any moment and height. Between its hours it goes in dew point and sea-level pressure,
 * which change evenly; relative humidity swings with the temperature of each hour.
 */
import {
  LAPSE_K_M,
  meanSeaLevelPressure,
  standardPressure,
  stationPressureFromMean,
} from "../air/barometer.ts";
import { dewPointOf } from "../air/humidity.ts";
import type { ForecastEntry } from "../log/schema.ts";
import {
  ELEVATION_DOMAIN_M,
  PRESSURE_DOMAIN_PA,
  SEA_LEVEL_DOMAIN_PA,
  TEMPERATURE_DOMAIN_K,
} from "../units/domains.ts";
import { requireFinite, requireRange } from "../units/guard.ts";

/** The three that fix an air and change evenly. */
export interface Weather {
  readonly temperatureK: number;
  readonly dewPointK: number;
  /** of the place itself */
  readonly pressurePa: number;
}

export interface Forecast {
  readonly fromMs: number;
  readonly toMs: number;
  /** when it was made: what lies far from there is less sure */
  readonly madeMs: number;
  readonly elevationM: number;
  /** @returns the weather then and there, and how many hours that moment lies from the nearest row */
  readonly at: (ms: number, elevationM: number) => Weather & { readonly hoursOff: number };
}

interface Row {
  readonly ms: number;
  readonly temperatureK: number;
  readonly dewPointK: number;
  readonly seaLevelPa: number;
}

/** Dew points fall slower with height than temperatures: vapour that rises stays the same share. */
const DEW_LAPSE_K_M = 0.0018;

const clamp = (value: number, { min, max }: { min: number; max: number }): number =>
  Math.min(max, Math.max(min, value));

function rowOf(hour: ForecastEntry["hours"][number], elevationM: number): Row {
  const { temperatureK, humidity, pressure } = hour;
  const dewPointK =
    humidity.kind === "dewPoint"
      ? Math.max(TEMPERATURE_DOMAIN_K.min, Math.min(humidity.temperatureK, temperatureK))
      : dewPointOf(temperatureK, humidity.fraction);
  const seaLevelPa =
    pressure?.kind === "seaLevel"
      ? pressure.pressurePa
      : meanSeaLevelPressure(pressure?.pressurePa ?? standardPressure(elevationM), elevationM, temperatureK);
  // A pressure that belongs to another height was told to the tuner when it was read; here nothing stops for it.
  return {
    ms: Date.parse(hour.at),
    temperatureK,
    dewPointK,
    seaLevelPa: clamp(seaLevelPa, SEA_LEVEL_DOMAIN_PA),
  };
}

/**
 * @param entry - hours in any order
 * @returns what it tells; before its first hour and after its last it stays as they are
 * @throws {RangeError} for a height no wheel can reach, or a moment that is no number
 */
export function forecastOf(entry: Pick<ForecastEntry, "at" | "hours" | "elevationM">): Forecast {
  const own = entry.elevationM;
  const rows = entry.hours.map((hour) => rowOf(hour, own)).sort((a, b) => a.ms - b.ms);
  const [first, last] = [rows[0], rows.at(-1)];
  if (!first || !last) throw new RangeError("a forecast must have hours, got none");
  const at = (ms: number, elevationM: number) => {
    requireFinite("moment", ms);
    requireRange("elevation", elevationM, ELEVATION_DOMAIN_M.min, ELEVATION_DOMAIN_M.max, "m");
    const after = rows.findIndex((row) => row.ms >= ms);
    const to = (after === -1 ? last : rows[after]) ?? last;
    const from = rows[after - 1] ?? to;
    const share = to.ms > from.ms ? clamp((ms - from.ms) / (to.ms - from.ms), { min: 0, max: 1 }) : 1;
    const between = (of: (row: Row) => number) => of(from) + share * (of(to) - of(from));
    const rise = elevationM - own;
    const temperatureK = clamp(between((row) => row.temperatureK) - LAPSE_K_M * rise, TEMPERATURE_DOMAIN_K);
    const dewPointK = between((row) => row.dewPointK) - DEW_LAPSE_K_M * rise;
    const pressurePa = stationPressureFromMean(
      between((row) => row.seaLevelPa),
      elevationM,
      temperatureK,
    );
    return {
      temperatureK,
      dewPointK: clamp(dewPointK, { min: TEMPERATURE_DOMAIN_K.min, max: temperatureK }),
      pressurePa: clamp(pressurePa, PRESSURE_DOMAIN_PA),
      hoursOff: Math.min(Math.abs(ms - from.ms), Math.abs(ms - to.ms)) / 3_600_000,
    };
  };
  return { fromMs: first.ms, toMs: last.ms, madeMs: Date.parse(entry.at), elevationM: own, at };
}
