/**
 * Estimates the transport delay of a λ sensor: the lag at which the throttle explains most of what the sensor
 * shows. A cross-correlation that asks for no straight line: λ is compared with its mean at each opening (the
 * correlation ratio, Pearson 1905), because rich at the top and lean in the middle is how engines are jetted.
 */
import { GEAR_CHANGE, OVERRUN } from "./conditions.ts";
import { POSSIBLE } from "./lambda-by.ts";
import type { LoggerTrace } from "./trace.ts";

export interface TransportDelay {
  readonly delayS: number;
  /** share of λ's variance that the throttle explains at that lag, 0..1 */
  readonly explains: number;
}

const STEP_S = 0.02;
const LONGEST_S = 1.6;
const OPENINGS = 20;
/** So many points are plenty; longer files are thinned. */
const MOST_POINTS = 60_000;
/** Five hours and a half: what comes after them is not asked. */
const MOST_EVEN = 1_000_000;
/** With less to tell them apart than this, no lag is better than another. */
const LEAST_EXPLAINED = 0.05;
const LEAST_BETTER = 0.01;

/** The channel at even times; the last figure stands until the next. */
function evenly(timeS: Float64Array, values: Float32Array, count: number): Float32Array {
  const even = new Float32Array(count);
  let row = 0;
  for (let i = 0; i < count; i += 1) {
    while (row + 1 < timeS.length && (timeS[row + 1] ?? 0) <= i * STEP_S) row += 1;
    even[i] = values[row] ?? NaN;
  }
  return even;
}

/** Where the throttle stood, in steps; what does not burn steadily is a step of its own. */
function steps(openings: Float32Array, codes: Float32Array): Int8Array {
  const step = new Int8Array(openings.length);
  for (let i = 0; i < step.length; i += 1) {
    const opening = openings[i] ?? NaN;
    const code = codes[i];
    if (code === OVERRUN) step[i] = OPENINGS;
    else if (code === GEAR_CHANGE) step[i] = OPENINGS + 1;
    else if (Number.isNaN(opening)) step[i] = -1;
    else step[i] = Math.max(0, Math.min(OPENINGS - 1, Math.floor(opening * OPENINGS)));
  }
  return step;
}

/** Share of λ's variance explained by the step so many points before. */
function explained(step: Int8Array, lambdas: Float32Array, lag: number, stride: number): number {
  const count = new Float64Array(OPENINGS + 2);
  const sum = new Float64Array(OPENINGS + 2);
  let [n, total, squares] = [0, 0, 0];
  for (let i = 0; i + lag < lambdas.length; i += stride) {
    const lambda = lambdas[i + lag] ?? NaN;
    const bin = step[i] ?? -1;
    if (Number.isNaN(lambda) || bin < 0) continue;
    count[bin] = (count[bin] ?? 0) + 1;
    sum[bin] = (sum[bin] ?? 0) + lambda;
    n += 1;
    total += lambda;
    squares += lambda * lambda;
  }
  const variance = squares / n - (total / n) ** 2;
  if (!(n > OPENINGS && variance > 1e-9)) return 0;
  let between = 0;
  count.forEach((c, i) => {
    if (c > 0) between += c * ((sum[i] ?? 0) / c - total / n) ** 2;
  });
  return between / n / variance;
}

/**
 * @param conditions - of each row
 * @returns nothing where λ or throttle are missing, or do not tell one lag from another
 */
export function transportDelay(
  { timeS, channels, rows }: LoggerTrace,
  conditions: Uint8Array,
): TransportDelay | undefined {
  const { throttle, lambda } = channels;
  if (!throttle || !lambda) return undefined;
  const count = Math.min(MOST_EVEN, Math.floor((timeS[rows - 1] ?? 0) / STEP_S));
  if (count < 50) return undefined;
  const codes = evenly(timeS, Float32Array.from(conditions), count);
  const step = steps(evenly(timeS, throttle, count), codes);
  // Free air on the overrun tells the lag best of all; how far beyond all burning it reads tells nothing.
  const lambdas = evenly(timeS, lambda, count).map((x) => Math.min(POSSIBLE.max, Math.max(POSSIBLE.min, x)));
  const stride = Math.max(1, Math.ceil(count / MOST_POINTS));
  const lags = Array.from({ length: Math.round(LONGEST_S / STEP_S) + 1 }, (_, lag) => lag);
  const shares = lags.map((lag) => explained(step, lambdas, lag, stride));
  const best = shares.indexOf(Math.max(...shares));
  const explains = shares[best] ?? 0;
  if (explains < LEAST_EXPLAINED || explains - Math.min(...shares) < LEAST_BETTER) return undefined;
  // A parabola through the best lag and its neighbours finds the crest between two steps.
  const [before, after] = [shares[best - 1], shares[best + 1]];
  const bend = before === undefined || after === undefined ? 0 : before - 2 * explains + after;
  const shift = bend < 0 && before !== undefined && after !== undefined ? (0.5 * (before - after)) / bend : 0;
  return { delayS: Math.max(0, (best + shift) * STEP_S), explains };
}
