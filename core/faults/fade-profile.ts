/**
 * How air, or mixture, let in by a hole of a fixed size behind the slide fades as the throttle opens: the slide hides
 * less and less vacuum from it, and the engine draws more and more beside it.
 */
import { perZone, PROBES, type PerZone } from "../carburettor/zones.ts";
import { airFlow, orificeFlow } from "../carburettor/air-flow.ts";
import type { Rig } from "../carburettor/carburettor.ts";

/** @returns what it adds to what is drawn, 1 at idle */
export function fadeProfile({ carburettor, engine, baseline }: Rig): PerZone<number> {
  const share = (throttle: number) => {
    const { massFlowKgS, pressureRatio } = airFlow(carburettor, engine, baseline.air, throttle);
    return orificeFlow(pressureRatio) / massFlowKgS;
  };
  const idle = share(PROBES.idle);
  return perZone((zone) => share(PROBES[zone]) / idle);
}
