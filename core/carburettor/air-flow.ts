/**
 * Air flow through the engine at a throttle opening: orifice flow at the slide matched to the engine's swept
 * demand.
 */
import { DRY_AIR_MOLAR_MASS, GAS_CONSTANT, type HumidAir } from "../air/humid-air.ts";
import { bisectFalling } from "../numbers/bisect.ts";
import { requirePositive } from "../units/guard.ts";
import type { Carburettor, Engine } from "./carburettor.ts";
import { butterflyArea, segmentArea } from "./opening.ts";

const DISCHARGE = 0.75;
const VOLUMETRIC_EFFICIENCY = 0.8;
const GAMMA = 1.4;
const CRITICAL = (2 / (GAMMA + 1)) ** (GAMMA / (GAMMA - 1));
const SPECIFIC_GAS_CONSTANT = GAS_CONSTANT / DRY_AIR_MOLAR_MASS;

export interface AirFlow {
  readonly massFlowKgS: number;
  /** manifold pressure over ambient, 0..1 */
  readonly pressureRatio: number;
}

/** Compressible orifice flow function; below the critical ratio the flow is choked. */
export function orificeFlow(pressureRatio: number): number {
  const x = Math.max(pressureRatio, CRITICAL);
  const bracket = x ** (2 / GAMMA) - x ** ((GAMMA + 1) / GAMMA);
  return Math.sqrt(((2 * GAMMA) / (GAMMA - 1)) * Math.max(0, bracket));
}

/** @returns lift of a hand-worked slide, m */
export function manualLift(boreM: number, idleLiftM: number, throttle: number): number {
  return Math.max(idleLiftM, throttle * boreM);
}

/** Engine speed along the line a rider takes from idle to flat out, rpm. */
export function operatingSpeed(engine: Engine, throttle: number): number {
  return engine.idleRpm + (engine.peakRpm - engine.idleRpm) * Math.sqrt(throttle);
}

/**
 * @param throttle - 0..1
 * @param rpm - where the engine does not turn as its operating line has it
 * @returns mass flow of moist air and the pressure ratio behind the throttle
 */
export function airFlow(
  carburettor: Carburettor,
  engine: Engine,
  air: HumidAir,
  throttle: number,
  rpm: number = operatingSpeed(engine, throttle),
): AirFlow {
  const { slide, boreM } = carburettor;
  const openArea =
    slide.kind === "manual"
      ? segmentArea(boreM, manualLift(boreM, slide.idleLiftM, throttle))
      : butterflyArea(boreM, throttle);
  const swallowM3S =
    (VOLUMETRIC_EFFICIENCY * engine.displacementM3 * requirePositive("engine speed", rpm)) /
    (60 * engine.turnsPerCycle);
  const throttled =
    (DISCHARGE * openArea * air.pressurePa) / Math.sqrt(SPECIFIC_GAS_CONSTANT * air.temperatureK);
  const drawn = swallowM3S * air.densityKgM3;
  const pressureRatio = bisectFalling((ratio) => throttled * orificeFlow(ratio) - drawn * ratio, 0, 1);
  return { massFlowKgS: drawn * pressureRatio, pressureRatio };
}
