/** Samples the airs that may be met: from a forecast, past readings, or a range. */
import { standardPressure } from "../air/barometer.ts";
import { dewPointOf } from "../air/humidity.ts";
import type { HumidAir } from "../air/humid-air.ts";
import { airOfWeather, type AirAhead } from "../forecast/air-ahead.ts";
import type { Weather } from "../forecast/forecast.ts";
import type { Random } from "../numbers/random.ts";
import { TEMPERATURE_DOMAIN_K } from "../units/domains.ts";
import { requireRange } from "../units/guard.ts";

/** How far the weather moves the glass about the standard one, as a share. */
const GLASS_SD = 0.007;

const jittered = (weather: Weather, sd: Weather, random: Random): HumidAir =>
  airOfWeather({
    temperatureK: weather.temperatureK + sd.temperatureK * random.normal(),
    dewPointK: weather.dewPointK + sd.dewPointK * random.normal(),
    pressurePa: weather.pressurePa + sd.pressurePa * random.normal(),
  });

const weatherOfAir = ({ air }: AirAhead): Weather => ({
  temperatureK: air.temperatureK,
  dewPointK: dewPointOf(air.temperatureK, air.relativeHumidity),
  pressurePa: air.pressurePa,
});

/**
 * @param moments - of the event, one at least
 * @returns so many airs, spread evenly over the moments
 * @throws {RangeError} for no moments
 */
export function airsAhead(moments: readonly AirAhead[], count: number, random: Random): HumidAir[] {
  if (moments.length === 0) throw new RangeError("an event must have moments, got none");
  return Array.from({ length: count }, (_, i) => {
    const moment = moments[Math.floor(((i + 0.5) * moments.length) / count)] as AirAhead;
    return jittered(weatherOfAir(moment), moment.sd, random);
  });
}

/** An instrument's own error, and that no day comes twice. */
const ANOTHER_DAY: Weather = { temperatureK: 1.5, dewPointK: 1.5, pressurePa: 250 };

/** @returns so many airs like those that were read; @throws {RangeError} for no readings */
export function airsLike(readings: readonly Weather[], count: number, random: Random): HumidAir[] {
  if (readings.length === 0) throw new RangeError("airs must be like some that were read, got none");
  return Array.from({ length: count }, (_, i) =>
    jittered(readings[i % readings.length] as Weather, ANOTHER_DAY, random),
  );
}

export interface AirRange {
  readonly lowK: number;
  readonly highK: number;
  /** of the day's middle, 0..1 */
  readonly humidity: number;
  readonly lowM: number;
  readonly highM: number;
}

/**
 * @returns so many airs evenly over the range, the glass about the standard one's
 * @throws {RangeError} for temperatures the wrong way round, or out of range
 */
export function airsBetween(
  { lowK, highK, humidity, lowM, highM }: AirRange,
  count: number,
  random: Random,
): HumidAir[] {
  const { min, max } = TEMPERATURE_DOMAIN_K;
  requireRange("lowest temperature", lowK, min, max, "K");
  requireRange("highest temperature", highK, lowK, max, "K");
  requireRange("greatest height", highM, lowM, 5500, "m");
  const dewPointK = dewPointOf((lowK + highK) / 2, humidity);
  return Array.from({ length: count }, (_, i) => {
    const temperatureK = lowK + ((i + 0.5) / count) * (highK - lowK);
    const elevationM = lowM + random.uniform() * (highM - lowM);
    const pressurePa = standardPressure(elevationM) * (1 + GLASS_SD * random.normal());
    return airOfWeather({ temperatureK, dewPointK: dewPointK + 1.5 * random.normal(), pressurePa });
  });
}
