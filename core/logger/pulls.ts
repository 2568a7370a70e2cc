/** Finds full-throttle pulls in a log and times them. */
import { GEAR_CHANGE, STEADY, UNKNOWN } from "./conditions.ts";
import { POSSIBLE } from "./lambda-by.ts";
import type { LoggerTrace } from "./trace.ts";

export interface Split {
  /** m/s reached, or metres covered */
  readonly to: number;
  readonly seconds: number;
}

/** A few hundred points at even times; null where nothing was read. */
export interface PullSeries {
  readonly timeS: readonly number[];
  readonly lambda: readonly (number | null)[];
  readonly rpm: readonly (number | null)[];
  readonly speedMs: readonly (number | null)[];
}

export interface Pull {
  /** since the file began */
  readonly startS: number;
  readonly seconds: number;
  readonly fromMs: number | undefined;
  readonly toMs: number | undefined;
  readonly fromRpm: number | undefined;
  readonly toRpm: number | undefined;
  /** λ over the pull, where there is one, and its leanest tenth of a pull */
  readonly lambda: number | undefined;
  readonly leanest: number | undefined;
  /** K where it ends: a probe is behind what it measures, and shows most then */
  readonly exhaustK: number | undefined;
  readonly headK: number | undefined;
  /** of the head where it began, from a standstill */
  readonly headFromK: number | undefined;
  /** from a standstill only */
  readonly toSpeed: readonly Split[];
  readonly toDistance: readonly Split[];
  /** of the longest pulls only */
  readonly series: PullSeries | undefined;
}

export interface Wanted {
  readonly speedsMs: readonly number[];
  readonly lengthsM: readonly number[];
}

const WIDE_OPEN = 0.85;
const LEAST_S = 1.5;
/** Lifts shorter than this belong to the pull: a gear was changed. */
const LIFT_S = 0.9;
/** Without a throttle, a pull is what gains speed like this. */
const GAINS_MS2 = 0.8;
const GAIN_OVER_S = 0.5;
const STANDING_MS = 1;
/** Moving: the clock of a standing start begins here. */
const ROLLS_MS = 0.3;
const LEAST_GAIN_MS = 3;
const LEAST_GAIN_RPM = 800;
const POINTS = 160;
/** So many are drawn: a day's file has hundreds, and nobody looks at them all. */
const MOST_DRAWN = 24;

interface Span {
  readonly from: number;
  readonly to: number;
}

/** Whether each row belongs to a pull. */
function pulling({ rows, timeS, channels }: LoggerTrace, codes: Uint8Array): (i: number) => boolean {
  const { throttle, speed } = channels;
  if (throttle) return (i) => (throttle[i] ?? 0) >= WIDE_OPEN || codes[i] === GEAR_CHANGE;
  if (!speed) return () => false;
  const gains = new Uint8Array(rows);
  let before = 0;
  for (let i = 0; i < rows; i += 1) {
    while ((timeS[i] ?? 0) - (timeS[before] ?? 0) > GAIN_OVER_S) before += 1;
    const elapsed = (timeS[i] ?? 0) - (timeS[before] ?? 0);
    if ((speed[i] ?? 0) - (speed[before] ?? 0) > GAINS_MS2 * elapsed && elapsed > 0) gains[i] = 1;
  }
  return (i) => gains[i] === 1;
}

function spans(trace: LoggerTrace, codes: Uint8Array): Span[] {
  const isPull = pulling(trace, codes);
  const at = (i: number) => trace.timeS[i] ?? 0;
  const found: Span[] = [];
  let from = -1;
  for (let i = 0; i <= trace.rows; i += 1) {
    const open = i < trace.rows && isPull(i);
    if (open && from === -1) from = i;
    if (open || from === -1) continue;
    const last = found.at(-1);
    if (last && at(from) - at(last.to) < LIFT_S) found.splice(-1, 1, { from: last.from, to: i - 1 });
    else found.push({ from, to: i - 1 });
    from = -1;
  }
  return found.filter((span) => at(span.to) - at(span.from) >= LEAST_S);
}

/** First moment at which a rising figure reaches a value, between two rows. */
function reaches(trace: LoggerTrace, values: ArrayLike<number>, { from, to }: Span, wanted: number) {
  for (let i = from + 1; i <= to; i += 1) {
    const [a, b] = [values[i - 1] ?? NaN, values[i] ?? NaN];
    if (!(b >= wanted)) continue;
    const [ta, tb] = [trace.timeS[i - 1] ?? 0, trace.timeS[i] ?? 0];
    return a >= wanted || a === b ? tb : ta + ((wanted - a) / (b - a)) * (tb - ta);
  }
  return undefined;
}

/** Moment at which so many metres have been covered, the speed taken as straight between two rows. */
function covers({ timeS }: LoggerTrace, speed: Float32Array, { from, to }: Span, wanted: number) {
  let metres = 0;
  for (let i = from + 1; i <= to; i += 1) {
    const seconds = (timeS[i] ?? 0) - (timeS[i - 1] ?? 0);
    const mean = ((speed[i] ?? 0) + (speed[i - 1] ?? 0)) / 2;
    const step = Number.isFinite(mean) ? mean * seconds : 0;
    if (metres + step >= wanted && step > 0)
      return (timeS[i - 1] ?? 0) + ((wanted - metres) / step) * seconds;
    metres += step;
  }
  return undefined;
}

function splits(
  at: (wanted: number) => number | undefined,
  startS: number,
  wanted: readonly number[],
): Split[] {
  return wanted.flatMap((to) => {
    const reached = at(to);
    return reached === undefined ? [] : [{ to, seconds: reached - startS }];
  });
}

/** The standing start of a pull: its clock begins when it rolls. */
function standing(trace: LoggerTrace, speed: Float32Array, span: Span, wanted: Wanted) {
  let first = span.from;
  while (
    first > 0 &&
    (speed[first] ?? NaN) > ROLLS_MS &&
    (trace.timeS[span.from] ?? 0) - (trace.timeS[first] ?? 0) < 1
  )
    first -= 1;
  if (!((speed[first] ?? NaN) < STANDING_MS)) return { toSpeed: [], toDistance: [] };
  const whole = { from: first, to: span.to };
  const startS = reaches(trace, speed, whole, ROLLS_MS) ?? trace.timeS[first] ?? 0;
  return {
    toSpeed: splits((to) => reaches(trace, speed, whole, to), startS, wanted.speedsMs),
    toDistance: splits((to) => covers(trace, speed, whole, to), startS, wanted.lengthsM),
  };
}

const figure = (values: ArrayLike<number> | undefined, row: number): number | undefined => {
  const value = values?.[row];
  return value === undefined || Number.isNaN(value) ? undefined : value;
};

/** λ that belongs to each row of a span, the sensor's delay taken off; gaps left out. */
function lambdasOf(
  { timeS, rows, channels: { lambda } }: LoggerTrace,
  codes: Uint8Array,
  { from, to }: Span,
  delayS: number,
) {
  const found: number[] = [];
  let shown = from;
  for (let i = from; lambda && i <= to; i += 1) {
    while (shown + 1 < rows && (timeS[shown] ?? 0) < (timeS[i] ?? 0) + delayS) shown += 1;
    const reading = lambda[shown] ?? NaN;
    const held = codes[i] === STEADY || codes[i] === UNKNOWN;
    if (held && reading > POSSIBLE.min && reading < POSSIBLE.max) found.push(reading);
  }
  return found;
}

function seriesOf(trace: LoggerTrace, codes: Uint8Array, { from, to }: Span, delayS: number): PullSeries {
  const { timeS, channels, rows } = trace;
  const began = timeS[from] ?? 0;
  const lasts = (timeS[to] ?? 0) - began;
  const times = Array.from({ length: POINTS }, (_, i) => (i / (POINTS - 1)) * lasts);
  const sample = (values: ArrayLike<number> | undefined, behindS: number) => {
    let row = from;
    return times.map((t) => {
      while (row + 1 < rows && (timeS[row + 1] ?? 0) <= began + t + behindS) row += 1;
      return figure(values, row) ?? null;
    });
  };
  const held = sample(codes, 0).map((code) => code === STEADY || code === UNKNOWN);
  return {
    timeS: times,
    // What the sensor shows of a gear change is free air, not a mixture.
    lambda: sample(channels.lambda, delayS).map((value, i) => (held[i] ? value : null)),
    rpm: sample(channels.rpm, 0),
    speedMs: sample(channels.speed, 0),
  };
}

function pullOf(
  trace: LoggerTrace,
  codes: Uint8Array,
  span: Span,
  delayS: number,
  wanted: Wanted,
): Omit<Pull, "series"> {
  const { timeS, channels } = trace;
  const { speed, rpm } = channels;
  const lambdas = lambdasOf(trace, codes, span, delayS).sort((a, b) => a - b);
  const tenth = lambdas.slice(Math.floor(0.9 * lambdas.length));
  const mean = (values: readonly number[]) =>
    values.length === 0
      ? undefined
      : Math.exp(values.reduce((sum, x) => sum + Math.log(x), 0) / values.length);
  const times = speed ? standing(trace, speed, span, wanted) : { toSpeed: [], toDistance: [] };
  return {
    startS: timeS[span.from] ?? 0,
    seconds: (timeS[span.to] ?? 0) - (timeS[span.from] ?? 0),
    fromMs: figure(speed, span.from),
    toMs: figure(speed, span.to),
    fromRpm: figure(rpm, span.from),
    toRpm: figure(rpm, span.to),
    lambda: mean(lambdas),
    leanest: mean(tenth),
    exhaustK: figure(channels.exhaust, span.to),
    headK: figure(channels.head, span.to),
    headFromK:
      times.toSpeed.length + times.toDistance.length > 0 ? figure(channels.head, span.from) : undefined,
    ...times,
  };
}

/** A pull gains something; a throttle held open in the pit gains nothing. */
function gained({ fromMs, toMs, fromRpm, toRpm }: Omit<Pull, "series">): boolean {
  if (fromMs !== undefined && toMs !== undefined) return toMs - fromMs >= LEAST_GAIN_MS;
  if (fromRpm !== undefined && toRpm !== undefined) return toRpm - fromRpm >= LEAST_GAIN_RPM;
  return true;
}

/** @returns the pulls of a file in their order */
export function findPulls(trace: LoggerTrace, codes: Uint8Array, delayS: number, wanted: Wanted): Pull[] {
  const found = spans(trace, codes)
    .map((span) => ({ span, pull: pullOf(trace, codes, span, delayS, wanted) }))
    .filter(({ pull }) => gained(pull));
  const shortest = found.map(({ pull }) => pull.seconds).sort((a, b) => b - a)[MOST_DRAWN - 1] ?? 0;
  let drawn = 0;
  return found.map(({ span, pull }): Pull => {
    const draw = pull.seconds >= shortest && drawn < MOST_DRAWN;
    if (draw) drawn += 1;
    return { ...pull, series: draw ? seriesOf(trace, codes, span, delayS) : undefined };
  });
}
