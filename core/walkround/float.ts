/** Float height: which way to bend the tab, and the mixture effect of the fuel level by the model. */
import type { HumidAir } from "../air/humid-air.ts";
import type { Setting } from "../carburettor/carburettor.ts";
import { feedAt, pointAt, type Model } from "../carburettor/model.ts";
import { PROBES, ZONES, type PerZone } from "../carburettor/zones.ts";
import { requireRange } from "../units/guard.ts";
import type { Limit } from "../log/schema.ts";
import { sideOf } from "./limits.ts";

/** Two floats of one carburettor may differ by this much before one of them is bent. */
const ALIKE_MM = 0.5;

export interface FloatHeights {
  /** measured on the inverted carburettor, tab just touching the spring pin, to the gasket face */
  readonly leftMm: number;
  /** missing on a single float */
  readonly rightMm?: number | undefined;
}

export interface FloatVerdict {
  readonly meanMm: number;
  /** both floats alike; a single one always is */
  readonly parallel: boolean;
  /** how far to move the float's height to reach the limits, mm; 0 within them */
  readonly moveMm: number;
  /**
   * Towards the valve shuts it earlier: the float stands higher when inverted and the fuel lower in use
   * (leaner). Away from it, the other way round.
   */
  readonly bend: "none" | "towardsValve" | "awayFromValve";
}

/**
 * @param limit - on the dry height; without one only the two floats are compared
 * @throws {RangeError} for heights outside 0..80 mm
 */
export function judgeFloat(
  { leftMm, rightMm }: FloatHeights,
  limit?: Pick<Limit, "min" | "max">,
): FloatVerdict {
  requireRange("float height, left", leftMm, 0, 80, "mm");
  if (rightMm !== undefined) requireRange("float height, right", rightMm, 0, 80, "mm");
  const meanMm = rightMm === undefined ? leftMm : (leftMm + rightMm) / 2;
  const parallel = rightMm === undefined || Math.abs(leftMm - rightMm) <= ALIKE_MM;
  const side = limit ? sideOf(meanMm, limit) : "within";
  const goal = limit && side !== "within" ? middle(limit) : meanMm;
  const bend = side === "within" ? "none" : side === "below" ? "towardsValve" : "awayFromValve";
  return { meanMm, parallel, moveMm: goal - meanMm, bend };
}

function middle({ min, max }: Pick<Limit, "min" | "max">): number {
  if (min !== undefined && max !== undefined) return (min + max) / 2;
  return min ?? max ?? 0;
}

/**
 * What a fuel level other than the one the rig was set up with does to the mixture.
 * @param lowerMm - how much lower the fuel stands (negative: higher); -20..20
 * @returns change of ln λ per zone, + leaner
 * @throws {RangeError} outside that range, or where the level would stand above the nozzle's lip
 */
export function wetLevelEffect(
  model: Model,
  setting: Setting,
  air: HumidAir,
  lowerMm: number,
): PerZone<number> {
  requireRange("change of fuel level", lowerMm, -20, 20, "mm");
  const { carburettor } = model.rig;
  const fuelDropM = carburettor.fuelDropM + lowerMm / 1000;
  requireRange("nozzle above fuel", fuelDropM, 0, 0.05, "m");
  // The pilot signal belongs to the drillings: it stays as it was fixed at the right level.
  const altered: Model = { ...model, rig: { ...model.rig, carburettor: { ...carburettor, fuelDropM } } };
  const [idle = 0, low = 0, mid = 0, top = 0] = ZONES.map((zone) => {
    const point = pointAt(model.rig, air, PROBES[zone]);
    return feedAt(altered, setting, point).lnAirFuel - feedAt(model, setting, point).lnAirFuel;
  });
  return { idle, low, mid, top };
}
