/** Reduces a logger file to the figures and the few hundred points that the screen shows. */
import { requirePositive } from "../units/guard.ts";
import { conditions, GEAR_CHANGE, OVERRUN, SETTLING } from "./conditions.ts";
import { transportDelay, type TransportDelay } from "./delay.ts";
import { lambdaBy, type LambdaBy } from "./lambda-by.ts";
import { findPulls, type Pull, type Wanted } from "./pulls.ts";
import { throttleRange, withThrottleRange, type ThrottleRange } from "./throttle-range.ts";
import type { Channel, LoggerTrace } from "./trace.ts";

export interface Reduced {
  readonly rows: number;
  readonly seconds: number;
  readonly channels: readonly Channel[];
  readonly delay: TransportDelay | undefined;
  readonly lambda: LambdaBy;
  readonly pulls: readonly Pull[];
  /** shares of the rows that were left out of λ */
  readonly leftOut: { readonly overrun: number; readonly gearChange: number; readonly settling: number };
  /** highest that was read, K */
  readonly hottest: { readonly exhaust: number | undefined; readonly head: number | undefined };
  /** where the throttle's sensor stands shut and wide open, by the file itself */
  readonly throttle: ThrottleRange;
  /** what makes one doubt the units that were chosen */
  readonly doubts: readonly UnitDoubt[];
  /** in the middle of all that the sensor showed, whatever it means */
  readonly medianLambda: number | undefined;
  readonly trouble: Pick<LoggerTrace, "ragged" | "unreadable" | "firstBadLine" | "wentBack" | "setAside">;
}

export type UnitDoubt = "throttleTooLarge" | "throttleTooSmall" | "lambda" | "timeTooSlow" | "timeTooFast";

/** A throttle is open at 1; one that never opens further than this was read in the wrong unit, or not at all. */
const OPEN = { most: 1.2, least: 0.04 };
/** Loggers read some ten to a thousand times a second. */
const STEP_S = { most: 3, least: 0.0005 };
const LAMBDA = { most: 1.4, least: 0.6 };

/** A delay longer than usual would be no transport: with none found, the rows are taken as they stand. */
const NO_DELAY = 0;

/** How much of all rows each condition has. */
function shares(codes: Uint8Array): number[] {
  const counts = [0, 0, 0, 0, 0];
  for (const code of codes) counts[code] = (counts[code] ?? 0) + 1;
  return counts.map((count) => count / codes.length);
}

function highest(values: Float32Array | undefined): number | undefined {
  let most = -Infinity;
  values?.forEach((value) => {
    if (value > most) most = value;
  });
  return most === -Infinity ? undefined : most;
}

/** Of some thousand rows at even distances: enough for a median. */
function median(values: ArrayLike<number> | undefined): number | undefined {
  const stride = Math.max(1, Math.floor((values?.length ?? 0) / 4000));
  const sample: number[] = [];
  for (let i = 0; values && i < values.length; i += stride) {
    const value = values[i] ?? NaN;
    if (!Number.isNaN(value)) sample.push(value);
  }
  return sample.sort((a, b) => a - b)[Math.floor(sample.length / 2)];
}

function unitDoubts({ timeS, rows, channels }: LoggerTrace, medianLambda: number | undefined): UnitDoubt[] {
  const opened = highest(channels.throttle);
  const stepS = (timeS[rows - 1] ?? 0) / (rows - 1);
  const lambdaOdd =
    medianLambda !== undefined && !(medianLambda > LAMBDA.least && medianLambda < LAMBDA.most);
  return [
    ...(opened !== undefined && opened > OPEN.most ? (["throttleTooLarge"] as const) : []),
    ...(opened !== undefined && opened < OPEN.least ? (["throttleTooSmall"] as const) : []),
    ...(lambdaOdd ? (["lambda"] as const) : []),
    ...(stepS > STEP_S.most ? (["timeTooSlow"] as const) : []),
    ...(stepS < STEP_S.least ? (["timeTooFast"] as const) : []),
  ];
}

/**
 * @param idleRpm - of the rig
 * @param wanted - speeds and lengths that standing starts are timed to
 * @throws {RangeError} for an idle speed that is none
 */
export function reduceTrace(asRead: LoggerTrace, idleRpm: number, wanted: Wanted): Reduced {
  const throttle = throttleRange(asRead.channels.throttle);
  const trace = withThrottleRange(asRead, throttle);
  const codes = conditions(trace, requirePositive("idle speed", idleRpm));
  const delay = transportDelay(trace, codes);
  const delayS = delay?.delayS ?? NO_DELAY;
  const share = shares(codes);
  const medianLambda = median(trace.channels.lambda);
  const { ragged, unreadable, firstBadLine, wentBack, setAside } = trace;
  return {
    rows: trace.rows,
    seconds: trace.timeS[trace.rows - 1] ?? 0,
    channels: Object.keys(trace.channels) as Channel[],
    delay,
    lambda: lambdaBy(trace, codes, delayS),
    pulls: findPulls(trace, codes, delayS, wanted),
    leftOut: {
      overrun: share[OVERRUN] ?? 0,
      gearChange: share[GEAR_CHANGE] ?? 0,
      settling: share[SETTLING] ?? 0,
    },
    hottest: { exhaust: highest(trace.channels.exhaust), head: highest(trace.channels.head) },
    throttle,
    // Of the figures as they stand: a wrong unit is seen in them.
    doubts: unitDoubts(asRead, medianLambda),
    medianLambda,
    trouble: { ragged, unreadable, firstBadLine, wentBack, setAside },
  };
}
