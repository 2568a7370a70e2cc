/** Station pressure from QNH, QFF or a station's own reading (ICAO standard atmosphere; hypsometric reduction). */
import {
  ELEVATION_DOMAIN_M,
  PRESSURE_DOMAIN_PA,
  SEA_LEVEL_DOMAIN_PA,
  TEMPERATURE_DOMAIN_K,
} from "../units/domains.ts";
import { requireRange } from "../units/guard.ts";

/**
 * ISO 2533 standard atmosphere.
 * @param elevationM - height above the sea, -430..5500 m
 * @returns pressure in pascals
 * @throws {RangeError} outside that range
 */
export function standardPressure(elevationM: number): number {
  requireRange("elevation", elevationM, ELEVATION_DOMAIN_M.min, ELEVATION_DOMAIN_M.max, "m");
  return 101_325 * (1 - 2.25577e-5 * elevationM) ** 5.25588;
}

/**
 * From an altimeter setting or any other pressure reduced to sea level.
 * Source: the altimeter equation of the Smithsonian Meteorological Tables, 6th edition, table 65.
 * @param settingPa - sea-level pressure as reported, 85 000..110 000 Pa
 * @param elevationM - height of the place
 * @returns station pressure in pascals
 * @throws {RangeError} outside those ranges
 */
export function stationPressureFromSetting(settingPa: number, elevationM: number): number {
  requireRange("altimeter setting", settingPa, SEA_LEVEL_DOMAIN_PA.min, SEA_LEVEL_DOMAIN_PA.max, "Pa");
  requireRange("elevation", elevationM, ELEVATION_DOMAIN_M.min, ELEVATION_DOMAIN_M.max, "m");
  const exponent = 0.190263;
  return 100 * ((settingPa / 100) ** exponent - 8.417286e-5 * elevationM) ** (1 / exponent);
}

/** Kelvins a metre of the standard atmosphere, and its exponent g M / (R L). */
export const LAPSE_K_M = 0.0065;
const LAPSE_EXPONENT = 5.25588;

/**
 * Mean sea-level pressure as weather maps and forecasts give it: reduced with the temperature of the day, not with
 * the standard one's as an altimeter setting is. On a hot mountain the two differ by more than a per cent.
 * Source: the hypsometric equation at a constant lapse rate, WMO-No. 8, Guide to Instruments, annex 3.A.
 * @param seaLevelPa - 85 000..110 000 Pa
 * @param elevationM - height of the place
 * @param temperatureK - of the air at that place
 * @returns station pressure in pascals
 * @throws {RangeError} outside those ranges
 */
export function stationPressureFromMean(
  seaLevelPa: number,
  elevationM: number,
  temperatureK: number,
): number {
  requireRange("sea-level pressure", seaLevelPa, SEA_LEVEL_DOMAIN_PA.min, SEA_LEVEL_DOMAIN_PA.max, "Pa");
  return seaLevelPa * reduction(elevationM, temperatureK);
}

/**
 * The other way round.
 * @returns mean sea-level pressure in pascals; @throws {RangeError} as {@link stationPressureFromMean}
 */
export const meanSeaLevelPressure = (stationPa: number, elevationM: number, temperatureK: number): number =>
  requireRange("pressure", stationPa, PRESSURE_DOMAIN_PA.min, PRESSURE_DOMAIN_PA.max, "Pa") /
  reduction(elevationM, temperatureK);

/** Station pressure over that at the sea. */
function reduction(elevationM: number, temperatureK: number): number {
  requireRange("elevation", elevationM, ELEVATION_DOMAIN_M.min, ELEVATION_DOMAIN_M.max, "m");
  requireRange("temperature", temperatureK, TEMPERATURE_DOMAIN_K.min, TEMPERATURE_DOMAIN_K.max, "K");
  const rise = LAPSE_K_M * elevationM;
  return (1 - rise / (temperatureK + rise)) ** LAPSE_EXPONENT;
}

/**
 * The classic mistake: most apps and pocket barometers show sea-level pressure.
 * @returns whether a pressure given as the station's looks like one reduced to sea level
 */
export function looksLikeSeaLevel(stationPressurePa: number, elevationM: number): boolean {
  return elevationM > 300 && stationPressurePa >= 100_000 && stationPressurePa <= 104_000;
}
