/**
 * Regression of temperature on mixture for this engine (K per unit): learnt from its own log, once it was read at
 * two settings (or in two airs) that the model tells apart. Least squares of temperature on the model's shift.
 */
import { requireFinite } from "../units/guard.ts";

export interface HeatPoint {
  /** what the model says of the mixture then, log, + leaner: only differences count */
  readonly shift: number;
  /** of the probe, or its rise over a run: a head that cooled on the way has risen by less than nothing */
  readonly temperatureK: number;
}

export interface HeatSlope {
  /** kelvin for a unit of log mixture, + hotter when leaner */
  readonly perUnitK: number;
  readonly sdK: number;
  /** of one reading about the line */
  readonly scatterK: number;
}

/** Settings closer than this have not been two settings to a thermocouple. */
const LEAST_SHIFT = 0.02;
/** A probe, a gust, a slower run: no temperature repeats better. */
const LEAST_SCATTER_K = 5;
/** A slope less certain than this is none: only the sign counts until it is. */
const SURE_SDS = 2;

/**
 * @returns nothing until two settings were tried, or while they do not show that leaner is hotter
 * @throws {RangeError} for a shift or a temperature that is no number
 */
export function learnHeatSlope(points: readonly HeatPoint[]): HeatSlope | undefined {
  if (points.length < 2) return undefined;
  const shifts = points.map(({ shift }) => requireFinite("shift", shift));
  const heats = points.map(({ temperatureK }) => requireFinite("temperature", temperatureK));
  if (Math.max(...shifts) - Math.min(...shifts) < LEAST_SHIFT) return undefined;
  const count = points.length;
  const meanShift = shifts.reduce((sum, x) => sum + x, 0) / count;
  const meanHeat = heats.reduce((sum, x) => sum + x, 0) / count;
  const moved = shifts.map((x) => x - meanShift);
  const squares = moved.reduce((sum, x) => sum + x * x, 0);
  const perUnitK = moved.reduce((sum, x, i) => sum + x * ((heats[i] ?? meanHeat) - meanHeat), 0) / squares;
  const left = moved.reduce((sum, x, i) => sum + ((heats[i] ?? meanHeat) - meanHeat - perUnitK * x) ** 2, 0);
  const scatterK = Math.max(LEAST_SCATTER_K, count > 2 ? Math.sqrt(left / (count - 2)) : 0);
  const sdK = scatterK / Math.sqrt(squares);
  return perUnitK > SURE_SDS * sdK ? { perUnitK, sdK, scatterK } : undefined;
}
