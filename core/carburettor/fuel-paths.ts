/**
 * Fuel flow through the pilot path and the main path. Both are orifices: flow = area √(2 ρ Δp), with the discharge
 * coefficient taken into the area. The areas are what jets, screw, needle and clip set.
 */
import { requirePositive, Refusal } from "../units/guard.ts";
import type { Carburettor, Setting } from "./carburettor.ts";
import { holeArea, jetArea } from "./jet.ts";
import { needleDiameter, needlePosition } from "./needle.ts";
import type { Nozzle } from "./nozzle.ts";

const JET_DISCHARGE = 0.8;
const ANNULUS_DISCHARGE = 0.7;
const GRAVITY = 9.80665;
/** An air jet of this hole dilutes its path's signal by half. */
const AIR_JET_REFERENCE_AREA = holeArea(0.0015);

/** Two holes one behind the other flow like this single one. */
function inSeries(a: number, b: number): number {
  return 1 / Math.sqrt(1 / (a * a) + 1 / (b * b));
}

/** Head of fuel between the bowl's level and the nozzle's lip, Pa. */
export function fuelHead(carburettor: Carburettor, fuelDensityKgM3: number): number {
  return fuelDensityKgM3 * GRAVITY * carburettor.fuelDropM;
}

/** A path that has run dry still seeps this much, so that ln λ stays a number: absurdly lean, never infinite. */
const SEEP_PA = 1e-6;

const orifice = (area: number, fuelDensityKgM3: number, depressionPa: number): number =>
  area * Math.sqrt(2 * fuelDensityKgM3 * Math.max(SEEP_PA, depressionPa));

export interface MainPath {
  readonly flowKgS: number;
  /** share of the main path that the main jet rules; the needle rules the rest */
  readonly mainJetShare: number;
  /** the depression does not even lift the fuel to the nozzle's lip */
  readonly dry: boolean;
}

/** @throws {RangeError} if the needle is as thick as its jet at this opening */
export function mainPath(
  carburettor: Carburettor,
  setting: Setting,
  at: Nozzle,
  fuelDensityKgM3: number,
): MainPath {
  const along = needlePosition(carburettor.needle, at.liftM, setting.clip, setting.shimM);
  const diameter = needleDiameter(carburettor.needle, along);
  const { needleJetM } = carburettor;
  if (!(diameter < needleJetM))
    throw new Refusal("needle", `must be thinner than its jet (${needleJetM} m) at every opening`, diameter);
  const annulus = ANNULUS_DISCHARGE * (holeArea(needleJetM) - holeArea(diameter));
  const jet = JET_DISCHARGE * jetArea(setting.main, carburettor.mainNumbering);
  const effective = inSeries(jet, annulus);
  const bleeds = carburettor.emulsionTubeDrilled && carburettor.mainAirJetM !== undefined;
  const bleed = bleeds ? (holeArea(carburettor.mainAirJetM ?? 0) / AIR_JET_REFERENCE_AREA) ** 2 : 0;
  const depression = at.depressionPa / (1 + bleed) - fuelHead(carburettor, fuelDensityKgM3);
  return {
    flowKgS: orifice(effective, fuelDensityKgM3, at.shield * depression),
    mainJetShare: (effective / jet) ** 2,
    dry: !(depression > 0),
  };
}

/** How much air dilutes the pilot signal: the square of bleed area over pilot passage. */
function pilotBleed(carburettor: Carburettor, setting: Setting): number {
  const screw = carburettor.screw === "air" ? (0.25 + 0.5 * setting.screwTurns) ** 2 : 0;
  const jet =
    carburettor.pilotAirJetM === undefined
      ? 0
      : (holeArea(carburettor.pilotAirJetM) / AIR_JET_REFERENCE_AREA) ** 2;
  return screw + jet;
}

function pilotArea(carburettor: Carburettor, setting: Setting): number {
  const jet = JET_DISCHARGE * jetArea(setting.pilot, carburettor.pilotNumbering);
  if (carburettor.screw === "air") return jet;
  const screwM2 = (0.02 + 0.11 * setting.screwTurns) * 1e-6;
  return inSeries(jet, screwM2);
}

/**
 * @param vacuumPa - ambient less manifold pressure
 * @param pilotSignal - share of that vacuum that reaches the pilot outlet, from {@link solvePilotSignal}
 * @returns pilot fuel, kg/s
 */
export function pilotFlow(
  carburettor: Carburettor,
  setting: Setting,
  vacuumPa: number,
  pilotSignal: number,
  fuelDensityKgM3: number,
): number {
  const signal = (pilotSignal * vacuumPa) / (1 + pilotBleed(carburettor, setting));
  const depression = signal - fuelHead(carburettor, fuelDensityKgM3);
  return orifice(pilotArea(carburettor, setting), fuelDensityKgM3, depression);
}

/** @returns the share of manifold vacuum at the pilot outlet that makes the pilot path flow `wantedKgS` */
export function solvePilotSignal(
  carburettor: Carburettor,
  setting: Setting,
  vacuumPa: number,
  wantedKgS: number,
  fuelDensityKgM3: number,
): number {
  requirePositive("idle vacuum", vacuumPa);
  const depression = (wantedKgS / pilotArea(carburettor, setting)) ** 2 / (2 * fuelDensityKgM3);
  const signal = depression + fuelHead(carburettor, fuelDensityKgM3);
  return (signal * (1 + pilotBleed(carburettor, setting))) / vacuumPa;
}
