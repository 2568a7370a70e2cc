/**
 * Real-time idle simulation: cold at first, it warms up, answers screw, idle stop and throttle with a lag, hangs
 * after a blip when lean, dips when rich, and stalls when the mixture is hopeless.
 */
import type { Random } from "../numbers/random.ts";
import { requireRange } from "../units/guard.ts";
import { idleShare } from "./idle-share.ts";

export interface RunningControls {
  readonly screwTurns: number;
  /** turns in from where the idle speed is as the book wants it; a turn is a quarter of the speed */
  readonly idleStopTurns: number;
  /** 0 shut .. 1 open */
  readonly throttle: number;
}

export interface RunningEngine {
  /** at the best mixture, warm, idle stop at 0 */
  readonly crestRpm: number;
  readonly peakRpm: number;
  /** true mixture error at idle for a position of the screw */
  readonly errorAt: (screwTurns: number) => number;
}

export interface RunningState {
  readonly rpm: number;
  /** 0 cold .. 1 warm */
  readonly warmth: number;
  /** the dip after a blip that fades, as a share */
  readonly dip: number;
  readonly wasOpen: boolean;
}

/** Seconds; a real one takes minutes, the rest is the same. */
const WARMS_IN_S = 4;
const RISES_IN_S = 0.15;
const FALLS_IN_S = 0.45;
/** A lean idle hangs: so many seconds longer for each unit of error. */
const HANGS_S_PER_ERROR = 14;
const RICH_ENOUGH_TO_DIP = -0.05;
const DIP_SHARE = 0.14;
const DIP_FADES_IN_S = 1.2;
/** Back from a blip once the speed is within this of the idle. */
const RETURNED = 1.1;
/** A cold engine wants this much more fuel. */
const COLD_ERROR = 0.05;
const COLD_SPEED = 0.85;
const STOP_TURN_SHARE = 0.25;

export const startCold = ({ crestRpm }: RunningEngine): RunningState => ({
  rpm: 0.7 * crestRpm,
  warmth: 0,
  dip: 0,
  wasOpen: false,
});

const towards = (from: number, to: number, dtS: number, lagS: number): number =>
  to + (from - to) * Math.exp(-dtS / lagS);

/**
 * @param dtS - seconds to run on, 0..10; a step of 0.05 is fine enough
 * @returns the state then, with the small unrest of a living idle
 * @throws {RangeError} for a step outside 0..10 s
 */
export function runOn(
  engine: RunningEngine,
  state: RunningState,
  { screwTurns, idleStopTurns, throttle }: RunningControls,
  dtS: number,
  random: Random,
): RunningState {
  requireRange("step", dtS, 0, 10, "s");
  const warmth = towards(state.warmth, 1, dtS, WARMS_IN_S);
  const error = engine.errorAt(screwTurns) + COLD_ERROR * (1 - warmth);
  const open = throttle > 0.05;
  const cold = COLD_SPEED + (1 - COLD_SPEED) * warmth;
  const stop = Math.max(0, 1 + STOP_TURN_SHARE * idleStopTurns);
  const level = engine.crestRpm * idleShare(error) * cold * stop;
  const returned = state.wasOpen && !open && state.rpm < RETURNED * level;
  const dips = returned && error < RICH_ENOUGH_TO_DIP;
  const dip = dips ? DIP_SHARE : towards(state.dip, 0, dtS, DIP_FADES_IN_S);
  const idle = level * (1 - dip);
  const wanted = open ? idle + throttle * 0.8 * (engine.peakRpm - idle) : idle;
  const hang = idle === 0 ? 0 : HANGS_S_PER_ERROR * Math.max(0, error - 0.03);
  const lag = wanted > state.rpm ? RISES_IN_S : FALLS_IN_S + (state.rpm > RETURNED * idle ? hang : 0);
  const unrest = 0.0015 * Math.sqrt(dtS / 0.05) * random.normal();
  const rpm = Math.max(0, towards(state.rpm, wanted, dtS, lag) * (1 + unrest));
  return { rpm: rpm < 250 ? 0 : rpm, warmth, dip, wasOpen: open || (state.wasOpen && !returned) };
}
