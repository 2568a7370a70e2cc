/** Relative humidity from a dew point or a wet bulb (psychrometer equation). */
import { bisectFalling } from "../numbers/bisect.ts";
import { TEMPERATURE_DOMAIN_K } from "../units/domains.ts";
import { requireRange, Refusal } from "../units/guard.ts";
import { saturationVapourPressure, ZERO_CELSIUS_K } from "./saturation-vapour-pressure.ts";

function share(name: string, vapourPressurePa: number, temperatureK: number): number {
  const humidity = vapourPressurePa / saturationVapourPressure(temperatureK);
  if (!(humidity >= 0 && humidity <= 1)) {
    throw new Refusal(name, "must give a humidity in 0..1", humidity.toFixed(3));
  }
  return humidity;
}

/**
 * @param temperatureK - air temperature
 * @param dewPointK - dew point, not above the air temperature
 * @returns relative humidity 0..1
 * @throws {RangeError} if the dew point lies above the temperature or either is out of domain
 */
export function humidityFromDewPoint(temperatureK: number, dewPointK: number): number {
  return share("dew point", saturationVapourPressure(dewPointK), temperatureK);
}

/**
 * Aspirated psychrometer: WMO-No. 8, Guide to Instruments and Methods of Observation, annex 4.B.
 * @param temperatureK - dry bulb
 * @param wetBulbK - wet bulb, not above the dry bulb
 * @param pressurePa - station pressure
 * @returns relative humidity 0..1
 * @throws {RangeError} if the two bulbs do not belong together
 */
export function humidityFromWetBulb(temperatureK: number, wetBulbK: number, pressurePa: number): number {
  const wetBulbC = wetBulbK - ZERO_CELSIUS_K;
  const coefficient = 6.53e-4 * (1 + 9.44e-4 * wetBulbC);
  const vapour = saturationVapourPressure(wetBulbK) - coefficient * pressurePa * (temperatureK - wetBulbK);
  return share("wet bulb", vapour, temperatureK);
}

/**
 * @param temperatureK - air temperature
 * @param relativeHumidity - 0..1
 * @returns dew point in kelvins; air drier than any dew point in the domain has the lowest of it
 * @throws {RangeError} outside those ranges
 */
export function dewPointOf(temperatureK: number, relativeHumidity: number): number {
  requireRange("humidity", relativeHumidity, 0, 1);
  const vapour = relativeHumidity * saturationVapourPressure(temperatureK);
  const { min } = TEMPERATURE_DOMAIN_K;
  if (vapour <= saturationVapourPressure(min)) return min;
  return bisectFalling((dewPoint) => vapour - saturationVapourPressure(dewPoint), min, temperatureK);
}
