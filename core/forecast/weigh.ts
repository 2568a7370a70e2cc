/** Bayes comparison of readings of a column: takes the likeliest, asks where two remain and the air depends on it. */
import { normalDensity } from "../numbers/normal.ts";
import type { ForecastMapping } from "./columns.ts";
import type { WallClock } from "./instants.ts";

export type ForecastUse = ForecastMapping[number];

/** A reading that the forecast can be held against. */
export interface KnownReading {
  readonly ms: number;
  readonly temperatureK: number;
  /** at the place itself, where a barometer read it */
  readonly pressurePa?: number;
  readonly elevationM?: number;
}

export interface Known {
  /** of the place that the forecast is for */
  readonly elevationM: number;
  readonly readings: readonly KnownReading[];
  readonly clock: WallClock;
}

/** Where a conclusion comes from. */
export type By = "head" | "beside" | "cells" | "readings" | "figures" | "usual";

/** The unit that the file names for a column, and where. */
export interface Said {
  readonly unit: string | undefined;
  readonly by: By;
}

export interface Conclusion {
  readonly about: "time" | "temperature" | "pressure";
  readonly is: ForecastUse;
  readonly by: By;
  /** of the reading that decided, ms */
  readonly readMs?: number;
  /** the next likely ones, likeliest first */
  readonly others: readonly ForecastUse[];
  /** both can be, and it matters: the tuner says which */
  readonly asks: boolean;
}

const NEAR_MS = 7_200_000;

export const normal = (value: number, mean: number, sd: number): number =>
  normalDensity((value - mean) / sd) / sd;
export const mean = (values: readonly number[]): number =>
  values.reduce((sum, one) => sum + one, 0) / values.length;

export interface Weighed {
  readonly use: ForecastUse;
  /** by what the file says of it alone */
  readonly prior: number;
  /** by the figures too */
  readonly weight: number;
  /** what the engine would breathe by it, row by row and up to a factor: what a mistake is measured by */
  readonly densities: readonly number[];
}

/** Below this share another reading of a column does not count; above it, it is asked where it matters. */
const DOUBT = 0.03;
/** Half of what one main jet does. */
const MATTERS = 0.006;

/** What the file says so seldom that it is asked, however well its figures fit. */
const AGAINST_THE_FILE = 0.03;

/** @param by - where the winner comes from; @returns nothing where none is possible */
export function concluded(
  about: Conclusion["about"],
  weighed: readonly Weighed[],
  by: (use: ForecastUse) => Pick<Conclusion, "by" | "readMs">,
): Conclusion | undefined {
  const order = [...weighed].sort((a, b) => b.weight - a.weight);
  const [best] = order;
  const total = order.reduce((sum, { weight }) => sum + weight, 0);
  if (!best || !(total > 0)) return undefined;
  const matters = ({ densities }: Weighed) =>
    densities.some((one, i) => Math.abs(one / (best.densities[i] ?? one) - 1) > MATTERS);
  const rivals = order.slice(1).filter((one) => matters(one) && one.weight > DOUBT * total);
  const said = order.reduce((most, one) => (one.prior > most.prior ? one : most));
  const against = best.prior < AGAINST_THE_FILE && said !== best ? [said] : [];
  const asked = [...against, ...rivals.filter((one) => !against.includes(one))];
  return {
    about,
    is: best.use,
    ...by(best.use),
    others: (asked.length > 0 ? asked : order.slice(1, 2)).map(({ use }) => use),
    asks: asked.length > 0,
  };
}

/** The rows that count for a conclusion, with their moments. */
export interface Rows {
  readonly ms: readonly number[];
  readonly cells: (column: number) => readonly string[];
}

/** @returns the row nearest to a moment, nothing where none is within two hours */
export function nearestRow({ ms }: Rows, at: number): number | undefined {
  let best: number | undefined;
  ms.forEach((one, i) => {
    if (!(Math.abs(one - at) <= NEAR_MS)) return;
    if (best === undefined || Math.abs(one - at) < Math.abs((ms[best] ?? 0) - at)) best = i;
  });
  return best;
}

const SAID = 0.99;
/** Weight of a unit by what the file says of it. */
export const unitWeight = (unit: string, said: string | undefined, units: readonly string[]): number =>
  said === undefined ? 1 / units.length : unit === said ? SAID : (1 - SAID) / (units.length - 1);
