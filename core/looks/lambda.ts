/** A λ (or AFR) figure against the zone's target: a normal likelihood. */
import { requirePositive } from "../units/guard.ts";
import { normalLikelihood, type Likelihood } from "./likelihood.ts";

/**
 * @param lambda - as measured
 * @param target - λ wanted in this zone
 * @param sd - of the figure, as a share: 0.015 with the sensor well inside the pipe
 * @throws {RangeError} if any is not above 0
 */
export function lambdaLikelihood(lambda: number, target: number, sd: number): Likelihood {
  requirePositive("sensor error", sd);
  const reads = Math.log(requirePositive("λ", lambda) / requirePositive("target λ", target));
  return normalLikelihood(reads, sd * sd);
}

/** A figure moves together with its neighbours for about this long: so many looks is a stretch worth. */
const ALIKE_FOR_S = 0.5;

/**
 * @param sd - of the sensor: it errs all the time in the same way, however long it looks
 * @param spread - of the log of the figures about their mean
 * @returns sd of the mean of a logged stretch
 * @throws {RangeError} for a stretch of no length
 */
export function loggedSd(sd: number, { seconds, spread }: { seconds: number; spread: number }): number {
  const looks = Math.max(1, requirePositive("seconds", seconds) / ALIKE_FOR_S);
  return Math.hypot(sd, spread / Math.sqrt(looks));
}
