/** Classifies logger rows: steady, overrun, gear change, transient. Only steady rows count as mixture readings. */
import { zoneAt, type Zone } from "../carburettor/zones.ts";
import type { LoggerTrace } from "./trace.ts";

/** One a row. */
export const STEADY = 0;
export const OVERRUN = 1;
export const GEAR_CHANGE = 2;
/** just after one of them, or after the throttle came into another zone */
export const SETTLING = 3;
/** nothing is known of the throttle */
export const UNKNOWN = 4;

/** A throttle shut further than this. */
const SHUT = 0.03;
const LIFTED = 0.25;
/** Open before and after: then a short lift was a gear change. */
const OPEN = 0.4;
const LIFT_LASTS_S = 0.7;
const LOOK_ABOUT_S = 0.4;
/** Engine speed that falls by this share in this time with the throttle open: a shift without a lift. */
const DROP = 0.1;
const DROP_WITHIN_S = 0.25;
const SHIFT_HALF_S = 0.15;
/** Gas in the pipe and the sensor follow a change within this. */
const SETTLES_S = 0.5;
/** On the overrun an engine turns faster than this times its idle; a machine rolls faster than a walk. */
const ABOVE_IDLE = 1.4;
const WALK_MS = 2;

/** Marks rows between two times, beginning the search near one of them. */
function mark(codes: Uint8Array, timeS: Float64Array, from: number, to: number, code: number, near: number) {
  let i = near;
  while (i > 0 && (timeS[i - 1] ?? 0) >= from) i -= 1;
  for (; i < codes.length && (timeS[i] ?? Infinity) <= to; i += 1) codes[i] = code;
}

/** The most open throttle within some time before or after a row. */
function mostOpen(throttle: Float32Array, timeS: Float64Array, row: number, direction: 1 | -1): number {
  const edge = timeS[row] ?? 0;
  let most = 0;
  for (let i = row; i >= 0 && i < throttle.length; i += direction) {
    if (Math.abs((timeS[i] ?? 0) - edge) > LOOK_ABOUT_S) break;
    most = Math.max(most, throttle[i] ?? 0);
  }
  return most;
}

function markLifts(codes: Uint8Array, { timeS, rows }: LoggerTrace, throttle: Float32Array): void {
  let from = -1;
  for (let i = 0; i <= rows; i += 1) {
    const lifted = i < rows && (throttle[i] ?? 1) < LIFTED;
    if (lifted && from === -1) from = i;
    if (lifted || from === -1) continue;
    const lasted = (timeS[i - 1] ?? 0) - (timeS[from] ?? 0);
    const between = mostOpen(throttle, timeS, Math.max(0, from - 1), -1) > OPEN && i < rows;
    if (lasted < LIFT_LASTS_S && between && mostOpen(throttle, timeS, i, 1) > OPEN)
      mark(
        codes,
        timeS,
        (timeS[from] ?? 0) - SHIFT_HALF_S,
        (timeS[i] ?? 0) + SHIFT_HALF_S,
        GEAR_CHANGE,
        from,
      );
    from = -1;
  }
}

function markShifts(codes: Uint8Array, trace: LoggerTrace, throttle: Float32Array, rpm: Float32Array): void {
  const { timeS, rows } = trace;
  let before = 0;
  for (let i = 0; i < rows; i += 1) {
    while ((timeS[i] ?? 0) - (timeS[before] ?? 0) > DROP_WITHIN_S) before += 1;
    const [was, is] = [rpm[before] ?? NaN, rpm[i] ?? NaN];
    if ((throttle[i] ?? 0) > OPEN && (throttle[before] ?? 0) > OPEN && is < (1 - DROP) * was)
      mark(codes, timeS, (timeS[before] ?? 0) - SHIFT_HALF_S, (timeS[i] ?? 0) + SHIFT_HALF_S, GEAR_CHANGE, i);
  }
}

/**
 * @param idleRpm - of the rig: far above it with the throttle shut, the machine drives the engine
 * @returns one of the codes above for each row; all UNKNOWN without a throttle
 */
export function conditions(trace: LoggerTrace, idleRpm: number): Uint8Array {
  const codes = new Uint8Array(trace.rows);
  const { throttle, rpm, speed } = trace.channels;
  if (!throttle) return codes.fill(UNKNOWN);
  const driven = (i: number) =>
    rpm ? (rpm[i] ?? 0) > ABOVE_IDLE * idleRpm : speed ? (speed[i] ?? 0) > WALK_MS : false;
  for (let i = 0; i < trace.rows; i += 1) {
    const opening = throttle[i] ?? NaN;
    if (Number.isNaN(opening)) codes[i] = UNKNOWN;
    else if (opening < SHUT && driven(i)) codes[i] = OVERRUN;
  }
  markLifts(codes, trace, throttle);
  if (rpm) markShifts(codes, trace, throttle, rpm);
  let disturbedAt = -Infinity;
  let zone: Zone | undefined;
  for (let i = 0; i < trace.rows; i += 1) {
    const at = trace.timeS[i] ?? 0;
    if (codes[i] !== STEADY) {
      disturbedAt = at;
      continue;
    }
    const now = zoneAt(throttle[i] ?? 0);
    if (zone !== undefined && now !== zone) disturbedAt = at;
    zone = now;
    if (at - disturbedAt < SETTLES_S) codes[i] = SETTLING;
  }
  return codes;
}
