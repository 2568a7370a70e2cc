/** Likelihood of a λ or AFR figure: normal, with an outlier component for other causes. */
import { ZONES } from "../carburettor/zones.ts";
import { requirePositive } from "../units/guard.ts";
import { figureLikelihood, type Likelihood } from "./likelihood.ts";
import type { LookKind } from "./look-kind.ts";

/** Errors of λ sensors, as shares of mixture. */
export const SENSOR_SD = { inside: 0.015, openEnd: 0.05 } as const;

/**
 * @param lambda - as measured
 * @param target - λ wanted in this zone
 * @param sd - of the figure, as a share: 0.015 with the sensor well inside the pipe
 * @throws {RangeError} if any is not above 0
 */
export function lambdaLikelihood(lambda: number, target: number, sd: number): Likelihood {
  requirePositive("sensor error", sd);
  const reads = Math.log(requirePositive("λ", lambda) / requirePositive("target λ", target));
  return figureLikelihood(reads, sd * sd);
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

export const LAMBDA: LookKind<"lambda"> = {
  observe: ({ zone, lambda, sensor, logged }, { build, mixtureOf, setting }) => {
    const sd = logged ? loggedSd(SENSOR_SD[sensor], logged) : SENSOR_SD[sensor];
    const likelihood = lambdaLikelihood(lambda, build.targetLambda[zone], sd);
    return [{ zone, line: mixtureOf(setting)[zone], likelihood }];
  },
  instrument: "lambda",
  next: {
    how: "lambda",
    means: "lambda",
    // The meter runs along: one ride reads all that it goes through.
    rides: () => [ZONES],
    sd: (_, _build, seen) => {
      const newest = seen.findLast((reading) => reading.type === "lambda");
      return SENSOR_SD[newest?.sensor ?? "inside"];
    },
    minutes: (zone) => (zone === "idle" ? 3 : 4),
  },
};
