/** Parameters of one carburettor and its engine, in SI; jets by their stamped numbers. */
import type { HumidAir } from "../air/humid-air.ts";
import { requirePositive, requireRange } from "../units/guard.ts";
import type { Fuel } from "./fuel.ts";
import type { JetNumbering } from "./jet.ts";
import { checkNeedle, type Needle } from "./needle.ts";

export type Slide =
  | { readonly kind: "manual"; readonly idleLiftM: number; readonly cutawayM: number }
  /** constant velocity: the depression lifts the slide against its weight and spring */
  | { readonly kind: "vacuum"; readonly restLiftM: number; readonly depressionPa: number };

export interface Carburettor {
  readonly boreM: number;
  readonly slide: Slide;
  readonly needleJetM: number;
  readonly needle: Needle;
  /** which fluid the mixture screw meters */
  readonly screw: "air" | "fuel";
  readonly pilotNumbering: JetNumbering;
  readonly mainNumbering: JetNumbering;
  /** height of the nozzle's lip above the fuel in the bowl */
  readonly fuelDropM: number;
  /** hole diameter of the main air jet; it works only behind a drilled emulsion tube */
  readonly mainAirJetM?: number;
  readonly emulsionTubeDrilled: boolean;
  /** hole diameter of the pilot air jet */
  readonly pilotAirJetM?: number;
}

export interface Engine {
  /** of all cylinders that draw through this carburettor */
  readonly displacementM3: number;
  /** crank turns per intake stroke: 1 for a two-stroke, 2 for a four-stroke */
  readonly turnsPerCycle: 1 | 2;
  readonly idleRpm: number;
  readonly peakRpm: number;
}

/** What a tuner can change with a spanner in the paddock. */
export interface Setting {
  /** pilot jet as stamped */
  readonly pilot: number;
  /** mixture screw, turns out from seated */
  readonly screwTurns: number;
  /** groove, counted from the blunt end: 1 = top = leanest */
  readonly clip: number;
  /** main jet as stamped */
  readonly main: number;
  /** washers under the clip lift the needle; a negative value lowers it */
  readonly shimM: number;
}

/** The setting that was right, on the day it was right. */
export interface Baseline {
  readonly setting: Setting;
  readonly air: HumidAir;
}

export interface Rig {
  readonly engine: Engine;
  readonly carburettor: Carburettor;
  readonly fuel: Fuel;
  readonly baseline: Baseline;
}

/** Screws come out of their thread somewhere; no maker's has ten turns. */
export const SCREW_DOMAIN = { min: 0, max: 10 } as const;

/**
 * Refuses geometry that cannot be: the door through which every rig enters the model.
 * @throws {RangeError} with name, rule and value
 */
export function checkRig(rig: Rig): Rig {
  const { carburettor: c, engine: e, fuel: f } = rig;
  requireRange("bore", c.boreM, 0.008, 0.08, "m");
  if (c.slide.kind === "manual") {
    requireRange("idle lift", c.slide.idleLiftM, 0.0002, c.boreM / 2, "m");
    requireRange("cutaway", c.slide.cutawayM, 0, c.boreM / 2, "m");
  } else {
    requireRange("rest lift", c.slide.restLiftM, 0.0002, c.boreM / 2, "m");
    requireRange("slide depression", c.slide.depressionPa, 300, 10_000, "Pa");
  }
  requireRange("needle jet", c.needleJetM, 0.0005, 0.008, "m");
  requireRange("fuel drop", c.fuelDropM, 0, 0.05, "m");
  if (c.mainAirJetM !== undefined) requireRange("main air jet", c.mainAirJetM, 0.0001, 0.005, "m");
  if (c.pilotAirJetM !== undefined) requireRange("pilot air jet", c.pilotAirJetM, 0.0001, 0.005, "m");
  checkNeedle(c.needle);
  requireRange("displacement", e.displacementM3, 10e-6, 12e-3, "m³");
  requireRange("idle speed", e.idleRpm, 300, 8000, "rpm");
  requireRange("peak speed", e.peakRpm, e.idleRpm * 1.2, 25_000, "rpm");
  requireRange("fuel density at 15 °C", f.density15KgM3, 500, 1200, "kg/m³");
  requireRange("fuel expansion", f.expansionPerK, 0, 3e-3, "1/K");
  requireRange("stoichiometric ratio", f.stoichiometric, 1, 40);
  checkSetting(rig.baseline.setting);
  return rig;
}

/** @throws {RangeError} if a part of the setting is no such part */
export function checkSetting(setting: Setting): Setting {
  requirePositive("pilot jet", setting.pilot);
  requirePositive("main jet", setting.main);
  requireRange("screw", setting.screwTurns, SCREW_DOMAIN.min, SCREW_DOMAIN.max, "turns");
  requireRange("shim", setting.shimM, -0.005, 0.005, "m");
  return setting;
}
