/**
 * The carburettor model: mixture shift at each throttle opening for another part or air, and the share of fuel from
 * each path. The baseline setting in the baseline air is taken as right; all is a ratio to it.
 */
import type { HumidAir } from "../air/humid-air.ts";
import { requireRange, Refusal } from "../units/guard.ts";
import { airFlow } from "./air-flow.ts";
import { checkRig, checkSetting, type Rig, type Setting } from "./carburettor.ts";
import { fuelDensity } from "./fuel.ts";
import { mainPath, pilotFlow, solvePilotSignal, type MainPath } from "./fuel-paths.ts";
import { nozzle, type Nozzle } from "./nozzle.ts";

/** Share of the idle fuel that the pilot path carries at the baseline. */
const PILOT_SHARE_AT_IDLE = 0.85;

/** A rig whose pilot signal has been fixed from its baseline. */
export interface Model {
  readonly rig: Rig;
  readonly pilotSignal: number;
}

/** Who feeds at an opening: three shares that add to 1, each d ln(fuel) / d ln(that part's area). */
export interface Authority {
  readonly pilot: number;
  readonly needle: number;
  readonly main: number;
}

/** An opening in an air, worked out once and then asked for any number of settings. */
export interface Point {
  readonly throttle: number;
  readonly nozzle: Nozzle;
  readonly vacuumPa: number;
  readonly fuelDensityKgM3: number;
  readonly dryAirFlowKgS: number;
}

export interface Feed {
  readonly fuelKgS: number;
  readonly authority: Authority;
  /** ln λ up to the stoichiometric ratio, which the comparison with the baseline cancels */
  readonly lnAirFuel: number;
}

/**
 * @param throttle - 0..1
 * @param rpm - the operating line's at this opening unless given
 * @throws {RangeError} outside
 */
export function pointAt(rig: Rig, air: HumidAir, throttle: number, rpm?: number): Point {
  requireRange("throttle", throttle, 0, 1);
  const flow = airFlow(rig.carburettor, rig.engine, air, throttle, rpm);
  return {
    throttle,
    nozzle: nozzle(rig.carburettor, air, flow, throttle),
    vacuumPa: air.pressurePa * (1 - flow.pressureRatio),
    fuelDensityKgM3: fuelDensity(rig.fuel, air.temperatureK),
    dryAirFlowKgS: (flow.massFlowKgS * air.dryDensityKgM3) / air.densityKgM3,
  };
}

/**
 * Fixes the one free number of the model, the pilot signal, in closed form from the baseline.
 * @throws {RangeError} if the rig's geometry is impossible or its baseline feeds no fuel
 */
export function buildModel(rig: Rig): Model {
  checkRig(rig);
  const { carburettor, baseline } = rig;
  const idle = pointAt(rig, baseline.air, 0);
  const main = mainPath(carburettor, baseline.setting, idle.nozzle, idle.fuelDensityKgM3);
  if (main.dry)
    throw new Refusal(
      "idle depression",
      `must lift fuel over ${carburettor.fuelDropM} m`,
      `${idle.nozzle.depressionPa.toFixed(0)} Pa: check bore, displacement, idle speed and idle lift`,
    );
  const wanted = (main.flowKgS * PILOT_SHARE_AT_IDLE) / (1 - PILOT_SHARE_AT_IDLE);
  const pilotSignal = solvePilotSignal(
    carburettor,
    baseline.setting,
    idle.vacuumPa,
    wanted,
    idle.fuelDensityKgM3,
  );
  return { rig, pilotSignal };
}

/**
 * Another geometry of the same engine, e.g. with another needle: what of the manifold's vacuum reaches the pilot
 * outlet stays as the reference fixed it, so that the two can be compared.
 * @throws {RangeError} if the geometry is impossible
 */
export const modelLike = (reference: Model, rig: Rig): Model => ({
  rig: checkRig(rig),
  pilotSignal: reference.pilotSignal,
});

/** Fuel by the pilot path alone, kg/s: what jet and screw set. */
export function pilotFeedAt({ rig, pilotSignal }: Model, setting: Setting, point: Point): number {
  return pilotFlow(rig.carburettor, setting, point.vacuumPa, pilotSignal, point.fuelDensityKgM3);
}

/** Fuel by the main path alone: what clip, shims and main jet set. */
export function mainFeedAt({ rig }: Model, setting: Setting, point: Point): MainPath {
  return mainPath(rig.carburettor, setting, point.nozzle, point.fuelDensityKgM3);
}

/** @returns who feeds, from the two paths' own flows */
export function feedOf(pilotKgS: number, main: MainPath, point: Point): Feed {
  const fuelKgS = main.flowKgS + pilotKgS;
  const mainShare = main.flowKgS / fuelKgS;
  return {
    fuelKgS,
    authority: {
      pilot: pilotKgS / fuelKgS,
      needle: mainShare * (1 - main.mainJetShare),
      main: mainShare * main.mainJetShare,
    },
    lnAirFuel: Math.log(point.dryAirFlowKgS / fuelKgS),
  };
}

/** @throws {RangeError} if the setting is impossible: no such groove, a needle thicker than its jet */
export function feedAt(model: Model, setting: Setting, point: Point): Feed {
  checkSetting(setting);
  return feedOf(pilotFeedAt(model, setting, point), mainFeedAt(model, setting, point), point);
}
