/** Each zone with the fitted setting: posterior mean and sd, probabilities of rich, right, lean and past the limit. */
import type { Evidence } from "../../belief/evidence.ts";
import { LEAN_LIMIT, ZONES, type Zone } from "../../carburettor/zones.ts";
import { TOLERANCE, type Judged } from "./judge-setting.ts";
import { chanceAbove } from "./loss.ts";

export interface ZoneAdvice {
  readonly zone: Zone;
  /** believed mixture error with the fitted setting: 0 on target, + lean */
  readonly mean: number;
  readonly sd: number;
  readonly pLean: number;
  readonly pRich: number;
  /** of the worst cylinder where there are several */
  readonly pRight: number;
  /** chance of being past the lean limit */
  readonly pPastLimit: number;
  /** looks taken in this zone */
  readonly looks: number;
}

export function zoneAdvice(now: Judged, evidence: readonly Evidence[]): ZoneAdvice[] {
  return ZONES.map((zone) => {
    const spread = now.zones[zone];
    return {
      zone,
      ...spread,
      pLean: chanceAbove(TOLERANCE, spread),
      pRich: 1 - chanceAbove(-TOLERANCE, spread),
      pRight: now.right[zone],
      pPastLimit: chanceAbove(LEAN_LIMIT[zone], spread),
      looks: evidence.filter((item) => item.zone === zone).length,
    };
  });
}
