/** Best idle by the screw: between its two fall-offs the mixture is on target. A normal likelihood. */
import { requirePositive } from "../units/guard.ts";
import { normalLikelihood, type Likelihood } from "./likelihood.ts";

/** Even a perfect fit: an engine's best idle is not exactly its target, nor the model's screw exactly its own. */
const METHOD_SD = 0.02;

/**
 * @param fitSd - doubt of the fitted middle, as a share of mixture
 * @throws {RangeError} if it is not above 0
 */
export function bestIdleLikelihood(fitSd: number): Likelihood {
  const variance = requirePositive("doubt of best idle", fitSd) ** 2 + METHOD_SD ** 2;
  return normalLikelihood(0, variance);
}
