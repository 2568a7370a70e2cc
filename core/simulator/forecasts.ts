/** Simulated weather service: true air of a day and forecasts of it. */
import { standardPressure } from "../air/barometer.ts";
import { dewPointOf } from "../air/humidity.ts";
import type { Weather } from "../forecast/forecast.ts";
import { forecastSd, type Quantity } from "../forecast/forecast-error.ts";
import type { ForecastHour } from "../log/schema.ts";
import { SIMULATED_MARK } from "../forecast/table.ts";
import { instantText } from "../forecast/instants.ts";
import { gaussianWalk } from "./wandering.ts";
import type { Random } from "../numbers/random.ts";

export interface DayOfWeather {
  readonly elevationM: number;
  /** at the place itself; hours since the day's midnight */
  readonly at: (hour: number) => Weather;
}

const KELVIN = 273.15;

/**
 * A fair day or a dull one: coldest before sunrise, warmest in the afternoon, the glass slowly up or down.
 * @param through - what the day is like at an hour of it; any day of the year without
 */
export function drawDay(
  elevationM: number,
  random: Random,
  through?: { readonly hour: number; readonly weather: Weather },
): DayOfWeather {
  const mean = KELVIN + 17 + 6 * random.normal() - 0.0045 * elevationM;
  const swing = 3 + 5 * random.uniform();
  const damp = 0.45 + 0.35 * random.uniform();
  const glass = standardPressure(elevationM) * (1 + 0.007 * random.normal());
  const drift = 25 * random.normal();
  const wander = { t: gaussianWalk(random, 0.6), d: gaussianWalk(random, 0.6), p: gaussianWalk(random, 30) };
  const dew = dewPointOf(Math.max(250, Math.min(320, mean)), damp);
  const drawn = (hour: number): Weather => {
    const temperatureK = Math.min(
      322,
      Math.max(250, mean + swing * Math.cos((2 * Math.PI * (hour - 15)) / 24) + wander.t(hour)),
    );
    return {
      temperatureK,
      dewPointK: Math.max(245, Math.min(temperatureK - 0.2, dew + wander.d(hour))),
      pressurePa: glass + drift * hour + wander.p(hour),
    };
  };
  if (!through) return { elevationM, at: drawn };
  const then = drawn(through.hour);
  const off = (name: keyof Weather) => through.weather[name] - then[name];
  return {
    elevationM,
    at: (hour) => {
      const { temperatureK, dewPointK, pressurePa } = drawn(hour);
      const warm = temperatureK + off("temperatureK");
      return {
        temperatureK: warm,
        dewPointK: Math.min(warm - 0.2, dewPointK + off("dewPointK")),
        pressurePa: pressurePa + off("pressurePa"),
      };
    },
  };
}

/** The error of a forecast: half of it stays for the day, half passes. */
function missOf(quantity: Quantity, random: Random): (hour: number, madeAt: number) => number {
  const [stays, passes] = [random.normal(), gaussianWalk(random, 1)];
  return (hour, madeAt) => forecastSd(quantity, hour - madeAt) * Math.SQRT1_2 * (stays + passes(hour));
}

/**
 * @param midnightMs - of the day's own midnight
 * @param madeAt - hour of the day at which the forecast was made, below 0 the day before
 * @returns hour by hour, as a service would tell it
 */
export function forecastFor(
  day: DayOfWeather,
  {
    midnightMs,
    offsetMin,
    madeAt,
    hours,
  }: { midnightMs: number; offsetMin: number; madeAt: number; hours: number },
  random: Random,
): ForecastHour[] {
  const miss = {
    temperatureK: missOf("temperatureK", random),
    dewPointK: missOf("dewPointK", random),
    pressurePa: missOf("pressurePa", random),
  };
  return Array.from({ length: hours }, (_, hour): ForecastHour => {
    const comes = day.at(hour);
    const said = (name: Quantity) => comes[name] + miss[name](hour, madeAt);
    const temperatureK = Math.round(10 * said("temperatureK")) / 10;
    const dewPointK = Math.min(temperatureK, Math.round(10 * said("dewPointK")) / 10);
    return {
      at: instantText(midnightMs + hour * 3_600_000, offsetMin),
      temperatureK,
      humidity: { kind: "dewPoint", temperatureK: dewPointK },
      pressure: { kind: "station", pressurePa: Math.round(said("pressurePa")) },
    };
  });
}

/** @returns the same as a file such as a service would send: times by the place's own clock */
export function forecastCsv(hours: readonly ForecastHour[]): string {
  const rows = hours.map(({ at, temperatureK, humidity, pressure }) => {
    const celsius = (kelvin: number) => (kelvin - KELVIN).toFixed(1);
    const dew = humidity.kind === "dewPoint" ? celsius(humidity.temperatureK) : "";
    return `${at.slice(0, 10)} ${at.slice(11, 16)},${celsius(temperatureK)},${dew},${((pressure?.pressurePa ?? 0) / 100).toFixed(1)}`;
  });
  const heads = "time,temperature (°C),dew point (°C),station pressure (hPa)";
  return [`${SIMULATED_MARK},,,`, heads, ...rows, ""].join("\n");
}
