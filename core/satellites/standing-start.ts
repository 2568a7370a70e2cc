/**
 * Estimates a standing start: at rest until an unknown moment, then a wandering acceleration (a change-point
 * model). For every such moment the fixes are Kalman-filtered and smoothed, and each moment counts by how well it
 * explains them. Sources: Kalman filter with constant acceleration and white jerk, Bar-Shalom, Li & Kirubarajan,
 * "Estimation with Applications to Tracking and Navigation" (2001), 6.2; smoother of Bierman, "Fixed interval
 * smoothing with discrete measurements", Int. J. Control 18 (1973).
 */
import { addScaled, dot, lessOuter, times, quadratic } from "../numbers/linear.ts";
import { oneLessOuter, product, sandwich, transposed } from "./small-matrix.ts";

/** Along the line of the run. */
export interface AlongFix {
  readonly timeS: number;
  readonly alongM: number;
  readonly sdM: number;
  readonly speedMs: number | undefined;
  readonly speedSdMs: number;
}

/** What is believed at a fix: metres and speed since the start, with their sd. */
export interface Moment {
  readonly timeS: number;
  readonly doneM: number;
  readonly doneSdM: number;
  readonly speedMs: number;
  readonly speedSdMs: number;
  readonly accelerationMs2: number;
}

/** One moment at which it may have started. */
export interface Start {
  readonly timeS: number;
  /** of all, together 1 */
  readonly weight: number;
  readonly moments: readonly Moment[];
}

/** x0, metres done, speed, acceleration. */
const SIZE = 4;
const [DONE, SPEED, PUSH] = [1, 2, 3];
const WHERE = [1, 1, 0, 0];
const HOW_FAST = [0, 0, 1, 0];

/** As it lets go: m/s², mean and sd. */
const LAUNCH = { mean: 4, sd: 3 };
/** How fast an acceleration wanders: gears, wheelspin, a hand. (m/s³)² s */
export const JERK_POWER = 6;
const NOWHERE_M = 1e4;

interface Step {
  readonly transition: Float64Array;
  readonly state: Float64Array;
  readonly covariance: Float64Array;
  /** what was measured at its end, and how it surprised */
  readonly seen: readonly {
    readonly row: readonly number[];
    readonly gain: Float64Array;
    readonly off: number;
    readonly variance: number;
  }[];
}

function moved(dtS: number): { transition: Float64Array; noise: Float64Array } {
  const [t, t2] = [dtS, (dtS * dtS) / 2];
  // prettier-ignore
  const transition = Float64Array.of(1, 0, 0, 0,  0, 1, t, t2,  0, 0, 1, t,  0, 0, 0, 1);
  const noise = new Float64Array(SIZE * SIZE);
  // White jerk, integrated once, twice, three times.
  const powers = [t ** 5 / 20, t ** 4 / 8, t ** 3 / 6, t ** 3 / 3, t2, t].map((x) => JERK_POWER * x);
  for (const [i, j, k] of [
    [DONE, DONE, 0],
    [DONE, SPEED, 1],
    [DONE, PUSH, 2],
    [SPEED, SPEED, 3],
    [SPEED, PUSH, 4],
    [PUSH, PUSH, 5],
  ] as const) {
    noise[i * SIZE + j] = powers[k] ?? 0;
    noise[j * SIZE + i] = powers[k] ?? 0;
  }
  return { transition, noise };
}

const STANDS = moved(0).transition;

interface Filtered {
  readonly steps: readonly Step[];
  readonly logLikelihood: number;
}

/** One pass forward: what each fix adds to what was known, and how likely all of them are. */
function filtered(fixes: readonly AlongFix[], startS: number): Filtered {
  let state: Float64Array = Float64Array.of(fixes[0]?.alongM ?? 0, 0, 0, 0);
  let covariance: Float64Array = new Float64Array(SIZE * SIZE);
  covariance[0] = NOWHERE_M ** 2;
  let logLikelihood = 0;
  let started = false;
  let before = fixes[0]?.timeS ?? 0;
  const steps: Step[] = [];
  for (const { timeS, alongM, sdM, speedMs, speedSdMs } of fixes) {
    let transition = STANDS;
    if (timeS > startS) {
      const { transition: forward, noise } = moved(timeS - (started ? before : startS));
      if (!started) {
        state[PUSH] = LAUNCH.mean;
        covariance[PUSH * SIZE + PUSH] = LAUNCH.sd ** 2;
      }
      started = true;
      transition = forward;
      state = times(transition, state);
      covariance = addScaled(sandwich(transition, covariance, SIZE), noise, 1);
    }
    before = timeS;
    const seen: Step["seen"][number][] = [];
    const measured = [
      { row: WHERE, value: alongM, sd: sdM },
      ...(speedMs === undefined ? [] : [{ row: HOW_FAST, value: speedMs, sd: speedSdMs }]),
    ];
    for (const { row, value, sd } of measured) {
      const variance = quadratic(covariance, row) + sd * sd;
      const gain = times(covariance, row).map((x) => x / variance);
      const off = value - dot(row, state);
      state = addScaled(state, gain, off);
      covariance = lessOuter(covariance, gain, variance);
      logLikelihood -= 0.5 * (Math.log(variance) + (off * off) / variance);
      seen.push({ row, gain, off, variance });
    }
    steps.push({ transition, state, covariance, seen });
  }
  return { steps, logLikelihood };
}

/** One pass back: what came later tells of what was before. */
function smoothed(fixes: readonly AlongFix[], steps: readonly Step[]): Moment[] {
  let pull: Float64Array = new Float64Array(SIZE);
  let worth: Float64Array = new Float64Array(SIZE * SIZE);
  const moments: Moment[] = [];
  for (let k = steps.length - 1; k >= 0; k -= 1) {
    const step = steps[k];
    if (!step) continue;
    const { state, covariance, seen, transition } = step;
    const mean = addScaled(state, times(covariance, pull), -1);
    const spread = addScaled(covariance, sandwich(covariance, worth, SIZE), -1);
    const sdOf = (i: number) => Math.sqrt(Math.max(0, spread[i * SIZE + i] ?? 0));
    moments.push({
      timeS: fixes[k]?.timeS ?? 0,
      doneM: mean[DONE] ?? 0,
      doneSdM: sdOf(DONE),
      speedMs: mean[SPEED] ?? 0,
      speedSdMs: sdOf(SPEED),
      accelerationMs2: mean[PUSH] ?? 0,
    });
    for (const { row, gain, off, variance } of seen.toReversed()) {
      const back = transposed(oneLessOuter(gain, row), SIZE);
      pull = addScaled(times(back, pull), row, -off / variance);
      worth = lessOuter(sandwich(back, worth, SIZE), row, -1 / variance);
    }
    const before = transposed(transition, SIZE);
    pull = times(before, pull);
    worth = product(product(before, worth, SIZE), transition, SIZE);
  }
  return moments.toReversed();
}

const COARSE_S = 0.1;
const FINE_S = 0.02;
/** What is so much less likely than the best moment is not smoothed. */
const LEAST_WEIGHT = 0.005;
const MOST_FIXES = 1500;

/**
 * @param fixes - two at least while it stood, then the run; in order of time
 * @param fromS - it still stood then
 * @param toS - it surely moved by then
 * @returns the moments at which it may have started, those that matter
 * @throws {RangeError} for too few or too many fixes, or a search that ends before it begins
 */
export function standingStarts(fixes: readonly AlongFix[], fromS: number, toS: number): Start[] {
  if (!(fixes.length >= 4 && fixes.length <= MOST_FIXES))
    throw new RangeError(`fixes must be 4 to ${MOST_FIXES}, got ${fixes.length}`);
  if (!(toS > fromS)) throw new RangeError(`start must be sought over some time, got ${fromS} to ${toS} s`);
  const at = (startS: number) => ({ startS, ...filtered(fixes, startS) });
  const range = (from: number, to: number, step: number) =>
    Array.from({ length: Math.max(1, Math.round((to - from) / step) + 1) }, (_, i) => from + i * step);
  const best = (tries: readonly { startS: number; logLikelihood: number }[]) =>
    tries.reduce((a, b) => (b.logLikelihood > a.logLikelihood ? b : a));
  const coarse = best(range(fromS, toS, COARSE_S).map(at));
  const reach = Math.max(
    COARSE_S,
    (0.75 * ((fixes.at(-1)?.timeS ?? 0) - (fixes[0]?.timeS ?? 0))) / (fixes.length - 1),
  );
  const fine = range(
    Math.max(fromS, coarse.startS - reach),
    Math.min(toS, coarse.startS + reach),
    FINE_S,
  ).map(at);
  const top = best(fine).logLikelihood;
  const likely = fine.filter(({ logLikelihood }) => logLikelihood > top + Math.log(LEAST_WEIGHT));
  const all = likely.reduce((total, { logLikelihood }) => total + Math.exp(logLikelihood - top), 0);
  return likely.map(({ startS, logLikelihood, steps }) => ({
    timeS: startS,
    weight: Math.exp(logLikelihood - top) / all,
    moments: smoothed(fixes, steps),
  }));
}
