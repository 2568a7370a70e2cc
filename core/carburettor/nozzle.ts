/** Pressure depression at the needle-jet nozzle, and how a nearly closed slide shields it. */
import type { HumidAir } from "../air/humid-air.ts";
import { manualLift, type AirFlow } from "./air-flow.ts";
import { bisectFalling } from "../numbers/bisect.ts";
import type { Carburettor } from "./carburettor.ts";
import { segmentArea } from "./opening.ts";

/** Pulsation and local contraction at the nozzle, wide open; it dies away as the throttle closes. */
const NOZZLE_GAIN = 6;
/** A slide this far above its cutaway (or its rest) no longer shields the nozzle. */
const SHIELD_MARGIN_M = 0.001;

export interface Nozzle {
  /** slide lift: the needle rises with it */
  readonly liftM: number;
  readonly depressionPa: number;
  /** 0..1, share of the depression that reaches the fuel */
  readonly shield: number;
}

function depressionAt(area: number, flow: AirFlow, air: HumidAir): number {
  const speed = flow.massFlowKgS / (air.densityKgM3 * area);
  return 0.5 * air.densityKgM3 * speed * speed * (1 + (NOZZLE_GAIN - 1) * flow.pressureRatio ** 6);
}

const shieldAt = (liftM: number, edgeM: number): number =>
  1 - Math.exp(-((liftM / (edgeM + SHIELD_MARGIN_M)) ** 3));

/** @returns state at the nozzle for a throttle opening 0..1 */
export function nozzle(carburettor: Carburettor, air: HumidAir, flow: AirFlow, throttle: number): Nozzle {
  const { boreM, slide } = carburettor;
  if (slide.kind === "manual") {
    const liftM = manualLift(boreM, slide.idleLiftM, throttle);
    const area = segmentArea(boreM, Math.min(boreM, liftM + slide.cutawayM));
    return { liftM, depressionPa: depressionAt(area, flow, air), shield: shieldAt(liftM, slide.cutawayM) };
  }
  const excess = (lift: number) => depressionAt(segmentArea(boreM, lift), flow, air) - slide.depressionPa;
  const liftM = bisectFalling(excess, slide.restLiftM, boreM);
  return {
    liftM,
    depressionPa: depressionAt(segmentArea(boreM, liftM), flow, air),
    shield: shieldAt(liftM, slide.restLiftM),
  };
}
