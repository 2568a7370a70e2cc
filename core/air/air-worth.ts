/** Density altitude and share of rated power that an air allows. */
import { requirePositive } from "../units/guard.ts";
import type { HumidAir } from "./humid-air.ts";

/**
 * Density altitude, ISO 2533: the height in the standard atmosphere that has this density.
 * @param densityKgM3 - density of the air as it is
 * @returns metres, negative below the sea
 * @throws {RangeError} if the density is not above 0
 */
export function densityAltitude(densityKgM3: number): number {
  requirePositive("density", densityKgM3);
  return (1 - (densityKgM3 / 1.225) ** (1 / 4.25588)) / 2.25577e-5;
}

/**
 * Share of its rated power an engine gives in this air: the inverse of the SAE J1349 correction factor
 * (rated: 25 °C, 99 kPa dry).
 * @returns a ratio near 1
 */
export function powerLeft(air: HumidAir): number {
  const dryPressure = air.pressurePa - air.vapourPressurePa;
  // The standard itself counts kelvins from 273.
  const temperature = air.temperatureK - 273.15 + 273;
  return 1 / (1.18 * (99_000 / dryPressure) * Math.sqrt(temperature / 298) - 0.18);
}
