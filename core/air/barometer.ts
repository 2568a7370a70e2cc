/** Station pressure: what the engine feels, from whatever the instrument or the weather report shows. */
import { ELEVATION_DOMAIN_M, SEA_LEVEL_DOMAIN_PA } from "../units/domains.ts";
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

/**
 * The classic mistake: most apps and pocket barometers show sea-level pressure.
 * @returns whether a pressure given as the station's looks like one reduced to sea level
 */
export function looksLikeSeaLevel(stationPressurePa: number, elevationM: number): boolean {
  return elevationM > 300 && stationPressurePa >= 100_000 && stationPressurePa <= 104_000;
}
