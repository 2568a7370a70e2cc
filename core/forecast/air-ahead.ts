/** Predicted air at a moment: mean and standard deviations, corrected by the day's own readings. */
import { humidAir, type AirState, type HumidAir } from "../air/humid-air.ts";
import { dewPointOf, humidityFromDewPoint } from "../air/humidity.ts";
import type { AirEntry } from "../log/schema.ts";
import { PRESSURE_DOMAIN_PA, TEMPERATURE_DOMAIN_K } from "../units/domains.ts";
import { forecastOf, type Forecast, type Weather } from "./forecast.ts";
import { forecastError, QUANTITIES, type Miss } from "./forecast-error.ts";

export interface AirAhead {
  readonly ms: number;
  readonly air: HumidAir;
  readonly sd: Weather;
  /** sd of ln dry density: what the engine burns */
  readonly lnDrySd: number;
  /** airs that stand for all that may come, and how much each counts: thinner, as expected, denser */
  readonly likely: readonly { readonly air: HumidAir; readonly weight: number }[];
}

/** @returns the weather of a reading, at the place itself; @throws {RangeError} for an air that cannot be */
export function weatherOf({ temperatureK, pressurePa, relativeHumidity }: AirState): Weather {
  return { temperatureK, pressurePa, dewPointK: dewPointOf(temperatureK, relativeHumidity) };
}

const clamp = (value: number, min: number, max: number): number => Math.min(max, Math.max(min, value));

export function airOfWeather({ temperatureK, dewPointK, pressurePa }: Weather): HumidAir {
  const t = clamp(temperatureK, TEMPERATURE_DOMAIN_K.min, TEMPERATURE_DOMAIN_K.max);
  return humidAir({
    temperatureK: t,
    pressurePa: clamp(pressurePa, PRESSURE_DOMAIN_PA.min, PRESSURE_DOMAIN_PA.max),
    relativeHumidity: humidityFromDewPoint(t, clamp(dewPointK, TEMPERATURE_DOMAIN_K.min, t)),
  });
}

/** A reading that says how far the forecast was off. */
export interface Reading {
  readonly ms: number;
  readonly weather: Weather;
  /** where it was read, if that is not the place's own height: a hundred metres are twelve hectopascals */
  readonly elevationM?: number;
}

const HOUR_MS = 3_600_000;
/** Readings this long before the forecast tell nothing of it. */
const BEFORE_MS = 3 * HOUR_MS;
/** Between two rows far apart the air may do what it likes: so much more doubt an hour, of each. */
const GAP: Weather = { temperatureK: 0.5, dewPointK: 0.4, pressurePa: 15 };
/** Rows an hour apart leave no moment further from one than this. */
const NO_GAP_H = 0.5;
/** The lapse rate of the day may be so far from the usual one, a metre. */
const LAPSE_SD: Weather = { temperatureK: 0.0015, dewPointK: 0.0015, pressurePa: 0.05 };

/** Three points that stand for a normal curve. */
const NODES = [
  { at: -Math.sqrt(3), weight: 1 / 6 },
  { at: 0, weight: 2 / 3 },
  { at: Math.sqrt(3), weight: 1 / 6 },
];

/** How ln dry density moves with each of the three. */
function slopes(weather: Weather): Weather {
  // A dew point cannot pass the air's temperature: asked a little below it.
  const below = { ...weather, dewPointK: Math.min(weather.dewPointK, weather.temperatureK - 1) };
  const slope = (name: keyof Weather, step: number) => {
    const ln = (by: number) => Math.log(airOfWeather({ ...below, [name]: below[name] + by }).dryDensityKgM3);
    return (ln(step) - ln(-step)) / (2 * step);
  };
  return {
    temperatureK: slope("temperatureK", 0.5),
    dewPointK: slope("dewPointK", 0.5),
    pressurePa: slope("pressurePa", 50),
  };
}

/** @returns the air with its doubt, from the weather and how sure each of its three is */
export function airAhead(ms: number, weather: Weather, sd: Weather): AirAhead {
  const slope = slopes(weather);
  const parts = QUANTITIES.map((name) => slope[name] * sd[name]);
  const lnDrySd = Math.hypot(...parts);
  // Of all weathers that give one density the likeliest: each moves by its share of the doubt.
  const moved = (z: number): Weather => {
    const by = (name: keyof Weather) => (lnDrySd > 0 ? (z * slope[name] * sd[name] ** 2) / lnDrySd : 0);
    return {
      temperatureK: weather.temperatureK + by("temperatureK"),
      dewPointK: weather.dewPointK + by("dewPointK"),
      pressurePa: weather.pressurePa + by("pressurePa"),
    };
  };
  return {
    ms,
    air: airOfWeather(weather),
    sd,
    lnDrySd,
    likely: NODES.map(({ at, weight }) => ({ air: airOfWeather(moved(at)), weight })),
  };
}

/** @returns whether a reading tells of a forecast: read there, and not before it was made */
export function tellsOf(air: AirEntry, forecast: Forecast, elevationM: number): boolean {
  const ms = Date.parse(air.at);
  const here = air.elevationM === undefined || Math.abs(air.elevationM - elevationM) < 150;
  return (
    here &&
    ms >= forecast.madeMs - BEFORE_MS &&
    ms >= forecast.fromMs - HOUR_MS &&
    ms <= forecast.toMs + HOUR_MS
  );
}

/**
 * @param readings - of the place at that height
 * @param placeM - height of the place that the readings are of
 * @returns the air at any moment and height
 */
export function aheadOf(
  forecast: Forecast,
  readings: readonly Reading[],
  placeM: number,
): (ms: number, elevationM?: number) => AirAhead {
  const misses = readings.map(({ ms, weather, elevationM: readM = placeM }): Miss => {
    const said = forecast.at(ms, readM);
    return {
      ms,
      by: {
        temperatureK: weather.temperatureK - said.temperatureK,
        dewPointK: weather.dewPointK - said.dewPointK,
        pressurePa: weather.pressurePa - said.pressurePa,
      },
    };
  });
  const errors = {
    temperatureK: forecastError("temperatureK", forecast.madeMs, misses),
    dewPointK: forecastError("dewPointK", forecast.madeMs, misses),
    pressurePa: forecastError("pressurePa", forecast.madeMs, misses),
  };
  return (ms, elevationM = placeM) => {
    const said = forecast.at(ms, elevationM);
    // Readings speak for their own height; from there it is the lapse rate's turn.
    const far = Math.abs(elevationM - (readings.length > 0 ? placeM : forecast.elevationM));
    const gap = Math.max(0, said.hoursOff - NO_GAP_H);
    const of = (name: keyof Weather) => {
      const { by, sd } = errors[name](ms);
      return { value: said[name] + by, sd: Math.hypot(sd, GAP[name] * gap, LAPSE_SD[name] * far) };
    };
    const [t, d, p] = [of("temperatureK"), of("dewPointK"), of("pressurePa")];
    return airAhead(
      ms,
      { temperatureK: t.value, dewPointK: Math.min(d.value, t.value), pressurePa: p.value },
      { temperatureK: t.sd, dewPointK: d.sd, pressurePa: p.sd },
    );
  };
}

/** Without a forecast: the air that was read, held, with the doubt of a day's weather. */
const HELD_PER_ROOT_HOUR: Weather = { temperatureK: 1.8, dewPointK: 0.9, pressurePa: 60 };
const HELD_AT_ONCE: Weather = { temperatureK: 0.5, dewPointK: 1, pressurePa: 40 };

/** @returns the air of a reading at any moment and height, less sure the later */
export function heldAir(reading: Reading, placeM: number): (ms: number, elevationM?: number) => AirAhead {
  const at = new Date(reading.ms).toISOString();
  const { temperatureK, dewPointK, pressurePa } = reading.weather;
  const hour = {
    at,
    temperatureK,
    humidity: { kind: "dewPoint", temperatureK: dewPointK } as const,
    pressure: { kind: "station", pressurePa } as const,
  };
  const { at: told } = forecastOf({ at, elevationM: placeM, hours: [hour] });
  return (ms, elevationM = placeM) => {
    const said = told(ms, elevationM);
    const root = Math.sqrt(Math.min(24, Math.abs(ms - reading.ms) / HOUR_MS));
    const far = Math.abs(elevationM - placeM);
    const sd = (name: keyof Weather) =>
      Math.hypot(HELD_AT_ONCE[name], HELD_PER_ROOT_HOUR[name] * root, LAPSE_SD[name] * far);
    return airAhead(ms, said, {
      temperatureK: sd("temperatureK"),
      dewPointK: sd("dewPointK"),
      pressurePa: sd("pressurePa"),
    });
  };
}
