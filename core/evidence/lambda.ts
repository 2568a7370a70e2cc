/** A λ (or AFR) figure against the zone's target: a normal likelihood. */
import { requirePositive } from "../units/guard.ts";
import { normalCdf } from "../numbers/normal.ts";
import type { Likelihood } from "./likelihood.ts";

/**
 * @param lambda - as measured
 * @param target - λ wanted in this zone
 * @param sd - of the figure, as a share: 0.015 with the sensor well inside the pipe
 * @throws {RangeError} if any is not above 0
 */
export function lambdaLikelihood(lambda: number, target: number, sd: number): Likelihood {
  requirePositive("sensor error", sd);
  const reads = Math.log(requirePositive("λ", lambda) / requirePositive("target λ", target));
  const variance = sd * sd;
  return {
    log: (e) => (-0.5 * (e - reads) ** 2) / variance,
    normal: { mean: reads, variance },
    tail: (mean, believed) => 2 * normalCdf(-Math.abs(reads - mean) / Math.sqrt(believed + variance)),
    reads,
  };
}
