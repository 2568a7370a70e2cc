/** Mixture shift from the baseline: the log ratio of λ, + is leaner. */
import { humidAir, type AirState, type HumidAir } from "../air/humid-air.ts";
import type { Setting } from "./carburettor.ts";
import { feedAt, pointAt, type Authority, type Model, type Point } from "./model.ts";

/** An opening prepared for questions about many settings in one air. */
export interface ShiftPoint extends Point {
  readonly baselineLnAirFuel: number;
}

export interface Shift {
  /** ln λ(setting, air) - ln λ(baseline, its air) */
  readonly shift: number;
  readonly authority: Authority;
}

/** @returns the openings, worked out in this air; costs a millisecond a hundred, so keep them */
export function prepareShift(model: Model, air: HumidAir, throttles: readonly number[]): ShiftPoint[] {
  const { baseline } = model.rig;
  return throttles.map((throttle) => ({
    ...pointAt(model.rig, air, throttle),
    baselineLnAirFuel: feedAt(model, baseline.setting, pointAt(model.rig, baseline.air, throttle)).lnAirFuel,
  }));
}

/** @returns the shift and who feeds, for one setting at a prepared opening */
export function shiftAt(model: Model, setting: Setting, point: ShiftPoint): Shift {
  const feed = feedAt(model, setting, point);
  return { shift: feed.lnAirFuel - point.baselineLnAirFuel, authority: feed.authority };
}

/** @returns shifts at several openings in an air given by its three numbers */
export function mixtureShift(
  model: Model,
  setting: Setting,
  air: AirState,
  throttles: readonly number[],
): Shift[] {
  return prepareShift(model, humidAir(air), throttles).map((point) => shiftAt(model, setting, point));
}
