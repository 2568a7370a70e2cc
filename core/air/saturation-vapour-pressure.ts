/**
 * Saturation vapour pressure over liquid water, CIPM-2007.
 * Source: Picard, Davis, Gläser, Fujii, "Revised formula for the density of moist air (CIPM-2007)",
 * Metrologia 45 (2008) 149-155, equation (A1.1).
 */
import { TEMPERATURE_DOMAIN_K } from "../units/domains.ts";
import { requireRange } from "../units/guard.ts";

/** Kelvin at 0 °C, the offset between the two scales. */
export const ZERO_CELSIUS_K = 273.15;

/**
 * @param temperatureK - in kelvins, inside {@link TEMPERATURE_DOMAIN_K}
 * @returns pressure in pascals, above 0
 * @throws {RangeError} outside the domain
 * @example saturationVapourPressure(293.15) // => 2339.25 Pa
 */
export function saturationVapourPressure(temperatureK: number): number {
  const T = requireRange(
    "temperature",
    temperatureK,
    TEMPERATURE_DOMAIN_K.min,
    TEMPERATURE_DOMAIN_K.max,
    "K",
  );
  return Math.exp(1.2378847e-5 * T * T - 1.9121316e-2 * T + 33.93711047 - 6.3431645e3 / T);
}
