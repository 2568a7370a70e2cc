/** Mean height over several fixes, and the pressure error that its error makes. */
import { standardPressure } from "../air/barometer.ts";
import { ELEVATION_DOMAIN_M } from "../units/domains.ts";
import { heightSdM, type Fix } from "./fix.ts";

export interface SatelliteHeight {
  /** above the ellipsoid, unless what is known of the place was taken out */
  readonly heightM: number;
  readonly sdM: number;
  readonly fixes: number;
}

/** A receiver's error wanders over many minutes: fixes one after another share most of it. */
const SHARED = 0.8;

/** @returns the weighted mean; nothing where no fix has a height that a wheel can reach */
export function heightOf(fixes: readonly Fix[]): SatelliteHeight | undefined {
  let [sum, weights] = [0, 0];
  let count = 0;
  for (const fix of fixes) {
    const { heightM } = fix;
    if (
      heightM === undefined ||
      !(heightM >= ELEVATION_DOMAIN_M.min - 110 && heightM <= ELEVATION_DOMAIN_M.max)
    )
      continue;
    const weight = heightSdM(fix) ** -2;
    sum += weight * heightM;
    weights += weight;
    count += 1;
  }
  if (count === 0) return undefined;
  const one = Math.sqrt(count / weights);
  return { heightM: sum / weights, sdM: one * Math.sqrt(SHARED + (1 - SHARED) / count), fixes: count };
}

/** Between the ellipsoid and the sea: −107 to +86 m over the earth. */
export const GEOID_MOST_M = 110;

/** @returns by how many pascals the standard pressure moves over one sd of a height */
export function pressureWorth(heightM: number, sdM: number): number {
  const { min, max } = ELEVATION_DOMAIN_M;
  const at = Math.max(min + 1, Math.min(max - 1, heightM));
  return ((standardPressure(at - 1) - standardPressure(at + 1)) / 2) * sdM;
}
