/**
 * Simulated carburettors out of balance: what their vacuum gauges show as somebody turns the screws between them.
 * An opening draws the flow that the piston asks for; the wider it stands, the less it pulls.
 */
import type { Linkage } from "../balance/linkage.ts";
import type { Random } from "../numbers/random.ts";
import { requireRange } from "../units/guard.ts";

export interface LinkedCarburettors {
  readonly linkage: Linkage;
  /** how far each opening is off, as a share of an idle's opening */
  readonly offsets: readonly number[];
  /** how far each cable lags behind the first, as the same share; only on cables */
  readonly slacks: readonly number[];
  readonly idleRpm: number;
}

/** Turns since the gauges were connected. */
export interface LinkedControls {
  /** between carburettor i+1 and i+2; moves everything beyond it */
  readonly shaftScrews: readonly number[];
  readonly stopScrews: readonly number[];
  readonly cables: readonly number[];
  /** 0 at the stop .. 1 at cruising speed */
  readonly throttle: number;
}

export interface LinkedReading {
  readonly rpm: number;
  readonly depressionsPa: readonly number[];
}

const AIR_PA = 101_325;
/** At an idle's opening and speed the intake stands this far below the air. */
const IDLE_DEPRESSION_PA = 55_000;
/** From Δp there: the engine's appetite against the opening's flow, in √Pa. */
const IDLE_APPETITE = (AIR_PA - IDLE_DEPRESSION_PA) / Math.sqrt(IDLE_DEPRESSION_PA);
const SHARE_PER_TURN = 0.1;
/** At cruising speed the opening is four times that of idle, the speed three times. */
const CRUISE_OPENING = 4;
const CRUISE_SPEED = 3;

/** @returns carburettors so far out of step that somebody had to come and look */
export function drawLinked(
  linkage: Linkage,
  count: number,
  idleRpm: number,
  random: Random,
): LinkedCarburettors {
  requireRange("carburettors", count, 2, 6);
  const draw = (sd: number) => Array.from({ length: count }, (_, i) => (i === 0 ? 0 : sd * random.normal()));
  return { linkage, offsets: draw(0.12), slacks: linkage === "cables" ? draw(0.2) : draw(0), idleRpm };
}

export const untouched = ({ offsets }: LinkedCarburettors): LinkedControls => ({
  shaftScrews: offsets.slice(1).map(() => 0),
  stopScrews: offsets.map(() => 0),
  cables: offsets.map(() => 0),
  throttle: 0,
});

const sum = (values: readonly number[]): number => values.reduce((total, x) => total + x, 0);

function openings({ linkage, offsets, slacks }: LinkedCarburettors, controls: LinkedControls): number[] {
  const pulled = controls.throttle * (CRUISE_OPENING - 1);
  return offsets.map((offset, i) => {
    if (linkage === "shaft")
      return Math.max(0.2, 1 + offset + SHARE_PER_TURN * sum(controls.shaftScrews.slice(0, i)) + pulled);
    const stop = Math.max(0.2, 1 + offset + SHARE_PER_TURN * (controls.stopScrews[i] ?? 0));
    const cable = 1 + pulled + (slacks[i] ?? 0) + SHARE_PER_TURN * (controls.cables[i] ?? 0);
    // At the stop the cables hang slack; pulled, each slide goes where its own cable takes it.
    return controls.throttle > 0 ? Math.max(stop, cable) : stop;
  });
}

/** @returns what the gauges settle at */
export function readLinked(engine: LinkedCarburettors, controls: LinkedControls): LinkedReading {
  requireRange("throttle", controls.throttle, 0, 1);
  const open = openings(engine, controls);
  const mean = sum(open) / open.length;
  const speed = controls.throttle > 0 ? 1 + controls.throttle * (CRUISE_SPEED - 1) : mean ** 0.6;
  return {
    rpm: engine.idleRpm * speed,
    depressionsPa: open.map((opening) => {
      // Flow in = flow out: √Δp · opening/speed · appetite = p₀ - Δp, a quadratic in √Δp.
      const a = (IDLE_APPETITE * opening) / speed;
      return ((-a + Math.sqrt(a * a + 4 * AIR_PA)) / 2) ** 2;
    }),
  };
}

/** Each stroke pulls at the gauge: undamped, a needle swings by this share. */
const PULSE = 0.08;
const NOISE = 0.015;

/** @returns a gauge's figure as it swings, some milliseconds into the run */
export function swing(settledPa: number, rpm: number, atMs: number, gauge: number, random: Random): number {
  const strokes = (rpm / 120) * (atMs / 1000) + gauge / 4;
  const swung = settledPa * (1 + PULSE * Math.sin(2 * Math.PI * strokes) + NOISE * random.normal());
  return Math.min(AIR_PA, Math.max(0, swung));
}
