/**
 * A temperature of exhaust gas or head against this engine's own target: hotter is leaner. Until the log has
 * taught how much (heat-slope.ts) only its sign counts.
 */
import { requireFinite, requirePositive } from "../units/guard.ts";
import type { HeatSlope } from "./heat-slope.ts";
import { normalLikelihood, type Likelihood } from "./likelihood.ts";
import { threeStepLikelihood } from "./three-steps.ts";

export interface HeatTarget {
  readonly targetK: number;
  readonly withinK: number;
}

/** As loose as a crown or a header: a sign is no more. */
const SIGN_SD = 0.06;
/** The target itself is a habit of the rig, not its best mixture to the per cent. */
const METHOD_SD = 0.02;

/** Nobody has said where it belongs: it teaches the slope and weighs nothing by itself. */
export const SAYS_NOTHING: Likelihood = {
  log: () => 0,
  tail: () => 1,
  reads: 0,
};

/**
 * @param heatK - the temperature, or the rise
 * @throws {RangeError} for figures that are none
 */
export function temperatureLikelihood(
  heatK: number,
  { targetK, withinK }: HeatTarget,
  slope: HeatSlope | undefined,
): Likelihood {
  const departure = requireFinite("temperature", heatK) - requireFinite("target", targetK);
  requirePositive("tolerance of the target", withinK);
  if (!slope) {
    const step = departure > withinK ? "lean" : departure < -withinK ? "rich" : "right";
    return threeStepLikelihood(step, SIGN_SD);
  }
  const { perUnitK, sdK, scatterK } = slope;
  const mean = departure / perUnitK;
  // Half the window is what the rig itself calls the same; a slope in doubt counts the more the further off.
  const blurK = Math.hypot(scatterK, withinK / 2, mean * sdK);
  const variance = (blurK / perUnitK) ** 2 + METHOD_SD ** 2;
  return normalLikelihood(mean, variance);
}
