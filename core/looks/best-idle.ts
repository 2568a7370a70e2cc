/** Likelihood of a best-idle fit: normal, mixture on target between the two fall-offs. */
import { requirePositive } from "../units/guard.ts";
import type { ReadingOf } from "../log/readings/reading.ts";
import { blendLines, type Line } from "./line.ts";
import { normalLikelihood, type Likelihood } from "./likelihood.ts";
import type { LookContext, LookKind } from "./look-kind.ts";

/** Even a perfect fit: an engine's best idle is not exactly its target, besides what the method always errs. */
const METHOD_SD = 0.013;
/** A walk with a tachometer fixes the middle to about a tenth of a turn, some 2 % of mixture. */
const USUAL_FIT_SD = 0.02;
/** Who sets a touch richer than the crest turns this far. */
const TOUCH_TURNS = 0.125;

/**
 * @param fitSd - doubt of the fitted middle, as a share of mixture
 * @throws {RangeError} if it is not above 0
 */
export function bestIdleLikelihood(fitSd: number): Likelihood {
  const variance = requirePositive("doubt of best idle", fitSd) ** 2 + METHOD_SD ** 2;
  return normalLikelihood(0, variance);
}

/** Where the school sets the screw, there the idle is on its target: on the scale of the mixture, not of the screw. */
function aim(
  { fallInTurns, fallOutTurns, crestTurns }: ReadingOf<"bestIdle">,
  { mixtureOf, setting, screwSchool, build }: LookContext,
): { line: Line; perTurn: number } {
  const idleAt = (screwTurns: number) => mixtureOf({ ...setting, screwTurns }).idle;
  const [fallIn, fallOut] = [idleAt(fallInTurns), idleAt(fallOutTurns)];
  const perTurn = Math.abs(fallOut.shift - fallIn.shift) / Math.max(0.1, fallOutTurns - fallInTurns);
  if (crestTurns === undefined || screwSchool === "middle" || screwSchool === "byFeel")
    return { line: blendLines(fallIn, fallOut, 0.5), perTurn };
  const richer = build.carburettor.screw === "air" ? -TOUCH_TURNS : TOUCH_TURNS;
  const wanted = crestTurns + (screwSchool === "touchRich" ? richer : 0);
  return { line: idleAt(Math.max(0, wanted)), perTurn };
}

export const BEST_IDLE: LookKind<"bestIdle"> = {
  observe: (reading, context) => {
    const { line, perTurn } = aim(reading, context);
    return [
      { zone: "idle", line, likelihood: bestIdleLikelihood(Math.max(1e-4, perTurn * reading.sdTurns)) },
    ];
  },
  instrument: "idle",
  next: {
    how: "idleBench",
    means: "idleBench",
    rides: () => [["idle"]],
    sd: () => Math.hypot(METHOD_SD, USUAL_FIT_SD),
    minutes: () => 8,
  },
};
