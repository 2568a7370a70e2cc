/**
 * Simulated weather and a small station: sun, clouds that drift by, a front that brings other air; and a small
 * station that drifts, jitters, and warms up where the sun reaches it.
 */
import { saturationVapourPressure, ZERO_CELSIUS_K } from "../air/saturation-vapour-pressure.ts";
import { standardPressure } from "../air/barometer.ts";
import type { Random } from "../numbers/random.ts";
import { requireRange } from "../units/guard.ts";

export interface WeatherDay {
  readonly elevationM: number;
  /** at sunrise, the coldest */
  readonly lowK: number;
  /** by how much the day warms */
  readonly swingK: number;
  readonly dewPointK: number;
  /** reduced from the standard by the day's weather */
  readonly pressureShare: number;
  readonly front: {
    readonly atS: number;
    readonly overS: number;
    readonly coolerK: number;
    readonly dewPointShiftK: number;
    readonly dropPa: number;
  };
  /** clouds: slow sines with phases of their own */
  readonly clouds: readonly { readonly periodS: number; readonly phase: number; readonly share: number }[];
}

const HOUR_S = 3600;
const SUNRISE_S = 6 * HOUR_S;
const SUNSET_S = 20 * HOUR_S;

/** @throws {RangeError} for a height outside -400..5000 m */
export function drawWeatherDay(elevationM: number, random: Random): WeatherDay {
  requireRange("elevation", elevationM, -400, 5000, "m");
  const lowK = ZERO_CELSIUS_K + 14 - 0.0055 * elevationM + 3 * random.normal();
  return {
    elevationM,
    lowK,
    swingK: 9 + 2 * random.normal(),
    dewPointK: lowK - 1 - 3 * random.uniform(),
    pressureShare: 1 + 0.006 * random.normal(),
    front: {
      atS: (11 + 7 * random.uniform()) * HOUR_S,
      overS: (0.4 + 0.8 * random.uniform()) * HOUR_S,
      coolerK: 3 + 3 * random.uniform(),
      dewPointShiftK: random.uniform() < 0.5 ? -4 : 2.5,
      dropPa: 150 + 250 * random.uniform(),
    },
    clouds: Array.from({ length: 4 }, () => ({
      periodS: 300 + 1500 * random.uniform(),
      phase: 2 * Math.PI * random.uniform(),
      share: 0.15 + 0.2 * random.uniform(),
    })),
  };
}

export interface Weather {
  readonly temperatureK: number;
  readonly humidity: number;
  readonly pressurePa: number;
  /** 0 under cloud or at night .. 1 */
  readonly sun: number;
}

/** @param atS - since midnight; a day after that the same weather comes again */
export function weatherAt(day: WeatherDay, atS: number): Weather {
  const clock = ((atS % (24 * HOUR_S)) + 24 * HOUR_S) % (24 * HOUR_S);
  const light = (clock - SUNRISE_S) / (SUNSET_S - SUNRISE_S);
  const height = light > 0 && light < 1 ? Math.sin(Math.PI * light) : 0;
  const cover = day.clouds.reduce(
    (sum, { periodS, phase, share }) => sum + share * (1 + Math.sin((2 * Math.PI * clock) / periodS + phase)),
    0,
  );
  const sun = height * Math.max(0, Math.min(1, 1.4 - cover));
  // Warmest two hours after noon.
  const warmth = Math.max(
    0,
    Math.sin(Math.PI * Math.max(0, Math.min(1, (clock - SUNRISE_S) / (18 * HOUR_S)))),
  );
  const { front } = day;
  const passed = 1 / (1 + Math.exp((-6 * (clock - front.atS)) / front.overS));
  const temperatureK = day.lowK + day.swingK * warmth + 0.25 * (sun - 0.5 * height) - front.coolerK * passed;
  const dewPointK = Math.min(temperatureK - 0.3, day.dewPointK + front.dewPointShiftK * passed);
  // Falls ahead of the front, and jumps back behind it.
  const ahead = Math.exp(-(((clock - front.atS) / (2 * HOUR_S)) ** 2));
  return {
    temperatureK,
    humidity: saturationVapourPressure(dewPointK) / saturationVapourPressure(temperatureK),
    pressurePa: standardPressure(day.elevationM) * day.pressureShare - front.dropPa * ahead,
    sun,
  };
}

export interface StationState {
  /** by how much its housing is warmer than the air */
  readonly warmedK: number;
  /** its own drift */
  readonly driftK: number;
  readonly driftPa: number;
}

export const FRESH_STATION: StationState = { warmedK: 0, driftK: 0, driftPa: 0 };

const HOUSING_LAG_S = 240;
const SUN_WARMS_K = 6;
const JITTER = { temperatureK: 0.05, humidity: 0.003, pressurePa: 6 };

export interface StationSays {
  readonly temperatureK: number;
  readonly humidity: number;
  readonly pressurePa: number;
}

/**
 * @param dtS - since the state before, 0..600 s
 * @param inSun - it lies where the sun reaches it, whenever there is one
 * @returns the state then, and what the station shows: its humidity is that of its own warm housing
 */
export function stationOn(
  weather: Weather,
  state: StationState,
  inSun: boolean,
  dtS: number,
  random: Random,
): { readonly state: StationState; readonly says: StationSays } {
  requireRange("step", dtS, 0, 600, "s");
  const wanted = inSun ? SUN_WARMS_K * weather.sun : 0;
  const walk = Math.sqrt(dtS / HOUR_S);
  const next: StationState = {
    warmedK: wanted + (state.warmedK - wanted) * Math.exp(-dtS / HOUSING_LAG_S),
    driftK: 0.98 ** (dtS / HOUR_S) * state.driftK + 0.05 * walk * random.normal(),
    driftPa: 0.98 ** (dtS / HOUR_S) * state.driftPa + 8 * walk * random.normal(),
  };
  const shownK = weather.temperatureK + next.warmedK + next.driftK + JITTER.temperatureK * random.normal();
  const housingK = weather.temperatureK + next.warmedK;
  const water = weather.humidity * saturationVapourPressure(weather.temperatureK);
  const humidity = water / saturationVapourPressure(housingK) + JITTER.humidity * random.normal();
  return {
    state: next,
    says: {
      temperatureK: shownK,
      humidity: Math.max(0.01, Math.min(1, humidity)),
      pressurePa: weather.pressurePa + next.driftPa + JITTER.pressurePa * random.normal(),
    },
  };
}
