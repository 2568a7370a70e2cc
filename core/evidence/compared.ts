/**
 * Better, the same, or worse than before a change: what a hand on the throttle says of two settings. Power
 * falls with the square of the error, so what is felt is how far the change brought the mixture towards its
 * target: e₁² - e₂² = -2 δ m, with δ what the change did and m the error halfway between the two. That is one
 * line of the unknowns, read through a probit with a band in which nobody can tell.
 */
import type { ComparedVerdict } from "../log/parts.ts";
import { requireFinite } from "../units/guard.ts";
import { normalBetween, normalCdf } from "../numbers/normal.ts";
import type { Likelihood } from "./likelihood.ts";

/** Power falls by about three times the square of the error; 0.8 % of it is felt, ± 1.2 %. */
const FELT = 0.0027;
const BLUR = 0.004;
/** Where its mark stands: towards where the change should have gone, or right. */
const MARK = 0.05;

/** Between which gains a verdict is given. */
const BANDS: Readonly<Record<ComparedVerdict, readonly [number, number]>> = {
  better: [FELT, Infinity],
  same: [-FELT, FELT],
  worse: [-Infinity, -FELT],
};

/**
 * @param moved - how far the change moved the mixture, log, + leaner
 * @returns likelihood of the error halfway between before and after
 * @throws {RangeError} if it is no finite number
 */
export function comparedLikelihood(verdict: ComparedVerdict, moved: number): Likelihood {
  requireFinite("what the change did", moved);
  const [from, to] = BANDS[verdict];
  const chance = (gain: number, spread: number) =>
    normalBetween((from - gain) / spread, (to - gain) / spread);
  const side = verdict === "same" ? 0 : Math.sign(moved) * (verdict === "better" ? -1 : 1);
  return {
    log: (m) => Math.log(Math.max(chance(-2 * moved * m, BLUR), 1e-300)),
    tail: (mean, variance) => {
      const gain = -2 * moved * mean;
      const spread = Math.hypot(BLUR, 2 * moved * Math.sqrt(variance));
      const above = normalCdf((to - gain) / spread);
      const below = normalCdf((gain - from) / spread);
      return Math.min(1, 2 * Math.min(above, below));
    },
    reads: side * MARK,
  };
}
