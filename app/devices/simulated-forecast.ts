/** Simulated weather service: a forecast file for a day like the present one. */
import type { Weather } from "#core/forecast/forecast.ts";
import { seededRandom } from "#core/numbers/random.ts";
import { drawDay, forecastCsv, forecastFor } from "#core/simulator/forecasts.ts";
import { seedOf } from "./simulated-engine.ts";

const HOUR_MS = 3_600_000;
const HOURS = 36;

export interface ForecastWanted {
  /** the same service says the same of the same day */
  readonly name: string;
  readonly elevationM: number;
  /** first midnight of the table, and the clock it is told by */
  readonly midnightMs: number;
  readonly offsetMin: number;
  /** what was read, and when: the day runs through it */
  readonly read?: { readonly ms: number; readonly weather: Weather };
}

export function simulatedForecast({ name, elevationM, midnightMs, offsetMin, read }: ForecastWanted): Blob {
  const random = seededRandom(seedOf(name));
  const hour = read && (read.ms - midnightMs) / HOUR_MS;
  const today = hour !== undefined && hour > -24 && hour < 48;
  const day = drawDay(elevationM, random, read && today ? { hour, weather: read.weather } : undefined);
  const hours = forecastFor(day, { midnightMs, offsetMin, madeAt: -6, hours: HOURS }, random);
  return new Blob([forecastCsv(hours)], { type: "text/csv" });
}
