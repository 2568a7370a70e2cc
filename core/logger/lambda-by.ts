/** λ of steady rows binned by zone, opening and engine speed, with dwell time and spread. */
import { zoneAt, ZONES, type PerZone } from "../carburettor/zones.ts";
import { MOST_RIDDEN } from "../log/measures-schema.ts";
import { STEADY } from "./conditions.ts";
import type { LoggerTrace } from "./trace.ts";

export interface LambdaStretch {
  readonly count: number;
  readonly seconds: number;
  /** of its logarithm, so that λ and 1/λ are as far apart */
  readonly mean: number;
  /** sd of its logarithm */
  readonly spread: number;
}

export interface LambdaBin extends LambdaStretch {
  readonly from: number;
  readonly to: number;
}

/** Where it was ridden: an opening and an engine speed, in the middle of a small field of both. */
export interface RiddenCell {
  readonly throttle: number;
  readonly rpm: number;
  readonly lambda: number;
  readonly seconds: number;
}

export interface LambdaBy {
  readonly zones: PerZone<LambdaStretch | undefined>;
  /** openings 0..1 */
  readonly throttle: readonly LambdaBin[];
  readonly rpm: readonly LambdaBin[];
  /** the longest ridden first; none where the file has no engine speed */
  readonly ridden: readonly RiddenCell[];
  /** readings outside what a sensor can mean */
  readonly impossible: number;
}

/** Shorter than this is a glance, not a stretch. */
const LEAST_S = 0.5;
/** No sensor shows a running engine beyond these. */
export const POSSIBLE = { min: 0.5, max: 1.6 };
const OPENINGS = 20;
const RPM_STEP = 500;
const MOST_RPM = 25_000;
/** A gap in the file is no time spent there. */
const LONGEST_STEP_S = 0.5;

class Sum {
  count = 0;
  private seconds = 0;
  private first = 0;
  private second = 0;

  add(logLambda: number, seconds: number): void {
    this.count += 1;
    this.seconds += seconds;
    this.first += seconds * logLambda;
    this.second += seconds * logLambda * logLambda;
  }

  stretch(): LambdaStretch | undefined {
    const { count, seconds } = this;
    if (seconds < LEAST_S) return undefined;
    const mean = this.first / seconds;
    return {
      count,
      seconds,
      mean: Math.exp(mean),
      spread: Math.sqrt(Math.max(0, this.second / seconds - mean * mean)),
    };
  }
}

const sums = (count: number): Sum[] => Array.from({ length: count }, () => new Sum());

function bins(all: readonly Sum[], step: number): LambdaBin[] {
  return all.flatMap((sum, i) => {
    const stretch = sum.stretch();
    return stretch ? [{ from: i * step, to: (i + 1) * step, ...stretch }] : [];
  });
}

const SPEEDS = MOST_RPM / RPM_STEP;

function riddenCells(fields: ReadonlyMap<number, Sum>): RiddenCell[] {
  const cells = [...fields].flatMap(([field, sum]): RiddenCell[] => {
    const stretch = sum.stretch();
    if (!stretch) return [];
    const throttle = (Math.floor(field / SPEEDS) + 0.5) / OPENINGS;
    const rpm = ((field % SPEEDS) + 0.5) * RPM_STEP;
    return [{ throttle, rpm, lambda: stretch.mean, seconds: stretch.seconds }];
  });
  return cells.sort((a, b) => b.seconds - a.seconds).slice(0, MOST_RIDDEN);
}

/**
 * @param codes - the condition of each row
 * @param delayS - by which the sensor is behind: what it shows belongs to an earlier row
 */
export function lambdaBy(trace: LoggerTrace, codes: Uint8Array, delayS: number): LambdaBy {
  const { timeS, rows, channels } = trace;
  const { throttle, lambda, rpm } = channels;
  const byZone = { idle: new Sum(), low: new Sum(), mid: new Sum(), top: new Sum() };
  const byThrottle = sums(OPENINGS);
  const byRpm = sums(SPEEDS);
  const byField = new Map<number, Sum>();
  let impossible = 0;
  let shown = 0;
  for (let i = 1; throttle && lambda && i < rows; i += 1) {
    const at = timeS[i] ?? 0;
    while (shown < rows && (timeS[shown] ?? 0) < at + delayS) shown += 1;
    if (shown >= rows) break;
    if (codes[i] !== STEADY) continue;
    const reading = lambda[shown] ?? NaN;
    if (Number.isNaN(reading)) continue;
    if (!(reading > POSSIBLE.min && reading < POSSIBLE.max)) {
      impossible += 1;
      continue;
    }
    const seconds = Math.min(LONGEST_STEP_S, at - (timeS[i - 1] ?? at));
    const log = Math.log(reading);
    const opening = throttle[i] ?? 0;
    byZone[zoneAt(opening)].add(log, seconds);
    const place = Math.max(0, Math.min(OPENINGS - 1, Math.floor(opening * OPENINGS)));
    byThrottle[place]?.add(log, seconds);
    const speed = Math.floor((rpm?.[i] ?? NaN) / RPM_STEP);
    const inRpm = byRpm[speed];
    if (!inRpm) continue;
    inRpm.add(log, seconds);
    const field = place * SPEEDS + speed;
    const known = byField.get(field) ?? new Sum();
    byField.set(field, known);
    known.add(log, seconds);
  }
  const [idle, low, mid, top] = ZONES.map((zone) => byZone[zone].stretch());
  return {
    zones: { idle, low, mid, top },
    throttle: bins(byThrottle, 1 / OPENINGS),
    rpm: bins(byRpm, RPM_STEP),
    ridden: riddenCells(byField),
    impossible,
  };
}
