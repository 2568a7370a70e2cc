/**
 * Calibrates a throttle sensor from the file itself: a sensor that rests at 4 % and ends at 93 % would put every
 * row into the wrong zone. Quantiles, because a spike is no opening.
 */
import type { LoggerTrace } from "./trace.ts";

export interface ThrottleRange {
  readonly zero: number;
  readonly full: number;
}

const AS_READ: ThrottleRange = { zero: 0, full: 1 };
const ZERO_AT = 0.01;
const FULL_AT = 0.995;
/** A sensor rests no higher, and ends no lower: beyond that nobody shut it, or nobody opened it fully. */
const MOST_ZERO = 0.15;
const LEAST_FULL = 0.8;
const MOST_FULL = 1.2;
const SAMPLE = 20_000;

/** @returns as it was read where the file does not show both ends */
export function throttleRange(throttle: Float32Array | undefined): ThrottleRange {
  if (!throttle) return AS_READ;
  const stride = Math.max(1, Math.floor(throttle.length / SAMPLE));
  const sample: number[] = [];
  for (let i = 0; i < throttle.length; i += stride) {
    const value = throttle[i] ?? NaN;
    if (!Number.isNaN(value)) sample.push(value);
  }
  if (sample.length === 0) return AS_READ;
  sample.sort((a, b) => a - b);
  const at = (share: number) => sample[Math.min(sample.length - 1, Math.floor(share * sample.length))] ?? 0;
  const [zero, full] = [at(ZERO_AT), at(FULL_AT)];
  return {
    zero: Math.abs(zero) <= MOST_ZERO ? zero : 0,
    full: full >= LEAST_FULL && full <= MOST_FULL ? full : 1,
  };
}

/** @returns the same rows with the throttle from 0 shut to 1 wide open */
export function withThrottleRange(trace: LoggerTrace, { zero, full }: ThrottleRange): LoggerTrace {
  const { throttle } = trace.channels;
  if (!throttle || (zero === 0 && full === 1)) return trace;
  const scaled = throttle.map((x) => Math.min(1, Math.max(0, (x - zero) / (full - zero))));
  return { ...trace, channels: { ...trace.channels, throttle: scaled } };
}
