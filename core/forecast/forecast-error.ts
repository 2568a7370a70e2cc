/**
 * Error model of a forecast: its variance grows with lead time, and the day's readings correct it. Its error is
 * taken for a normal process, half of which stays for the day and half of which passes within hours; what the
 * station read is what is known of it.
 */
import { cholesky } from "../numbers/linear.ts";
import { requireFinite } from "../units/guard.ts";
import type { Weather } from "./forecast.ts";

export type Quantity = keyof Weather;
export const QUANTITIES = ["temperatureK", "dewPointK", "pressurePa"] as const satisfies readonly Quantity[];

interface Sureness {
  /** at once */
  readonly sd: number;
  /** more of it with every hour ahead */
  readonly perHour: number;
  /** of a reading in the paddock */
  readonly readingSd: number;
}

/** Of one place in fair weather: a day ahead 1.9 K, 2.4 K and 2 hPa. */
const SURENESS: Readonly<Record<Quantity, Sureness>> = {
  temperatureK: { sd: 1.3, perHour: 0.06, readingSd: 0.4 },
  dewPointK: { sd: 1.6, perHour: 0.075, readingSd: 1 },
  pressurePa: { sd: 90, perHour: 7.5, readingSd: 40 },
};
/** Half of an error passes; of what passes a third is left after so long. */
const LASTING_SHARE = 0.5;
const PASSING_MS = 6 * 3_600_000;
const HOUR_MS = 3_600_000;

/** What the station read, less what the forecast had said for that moment. */
export interface Miss {
  readonly ms: number;
  readonly by: Weather;
}

/** @returns sd of a forecast's own error so many hours ahead; @throws {RangeError} if that is no number */
export function forecastSd(quantity: Quantity, hoursAhead: number): number {
  const { sd, perHour } = SURENESS[quantity];
  return Math.hypot(sd, perHour * Math.max(0, requireFinite("hours ahead", hoursAhead)));
}

/** Solves `L x = b` for a lower triangle, row by row. */
function forward(lower: Float64Array, b: readonly number[]): Float64Array {
  const size = b.length;
  const x = new Float64Array(size);
  for (let i = 0; i < size; i += 1) {
    let sum = b[i] ?? 0;
    for (let j = 0; j < i; j += 1) sum -= (lower[i * size + j] ?? 0) * (x[j] ?? 0);
    x[i] = sum / (lower[i * size + i] ?? 1);
  }
  return x;
}

export interface Correction {
  /** to be added to what the forecast says */
  readonly by: number;
  readonly sd: number;
}

/**
 * @param madeMs - when the forecast was made
 * @param misses - of readings at the place, any number of them
 * @returns what is known of its error at a moment
 */
export function forecastError(
  quantity: Quantity,
  madeMs: number,
  misses: readonly Miss[],
): (ms: number) => Correction {
  const { readingSd } = SURENESS[quantity];
  const sdAt = (ms: number) => forecastSd(quantity, (ms - madeMs) / HOUR_MS);
  const together = (a: number, b: number) =>
    sdAt(a) * sdAt(b) * (LASTING_SHARE + (1 - LASTING_SHARE) * Math.exp(-Math.abs(a - b) / PASSING_MS));
  const size = misses.length;
  if (size === 0) return (ms) => ({ by: 0, sd: sdAt(ms) });
  const known = new Float64Array(size * size);
  misses.forEach((a, i) =>
    misses.forEach((b, j) => {
      known[i * size + j] = together(a.ms, b.ms) + (i === j ? readingSd ** 2 : 0);
    }),
  );
  const lower = cholesky(known);
  const told = forward(
    lower,
    misses.map(({ by }) => by[quantity]),
  );
  return (ms) => {
    const weights = forward(
      lower,
      misses.map((miss) => together(ms, miss.ms)),
    );
    let [by, taken] = [0, 0];
    weights.forEach((weight, i) => {
      by += weight * (told[i] ?? 0);
      taken += weight * weight;
    });
    return { by, sd: Math.sqrt(Math.max(1e-6, together(ms, ms) - taken)) };
  };
}
