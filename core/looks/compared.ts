/**
 * Likelihood of a comparison: better, the same, or worse than before a change. Power falls with the square of the
 * error, so what is felt is how far the change brought the mixture towards its target: e₁² - e₂² = -2 δ m, with δ
 * what the change did and m the error halfway between the two. That is one line of the unknowns, read through a
 * probit with a band in which nobody can tell.
 */
import { VERDICTS, type ComparedVerdict } from "../log/parts.ts";
import { requireFinite, requirePositive } from "../units/guard.ts";
import { normalBetween, normalCdf } from "../numbers/normal.ts";
import { blendLines } from "./line.ts";
import { OTHER_CAUSE, type Likelihood } from "./likelihood.ts";
import type { LookKind } from "./look-kind.ts";

/** How finely two settings are told apart, as gains in the square of the error. */
export interface Feel {
  /** the least gain that is called one */
  readonly felt: number;
  readonly blur: number;
}

/** Power falls by so many times the square of the error (the power curve about its crest). */
export const POWER_PER_SQUARE = 3;
/** A hand on the throttle: 0.8 % of the power is felt, ± 1.2 %. */
export const BY_HAND: Feel = { felt: 0.008 / POWER_PER_SQUARE, blur: 0.012 / POWER_PER_SQUARE };
/** Where its mark stands: towards where the change should have gone, or right. */
const MARK = 0.05;

/** Between which gains a verdict is given. */
const bandOf = (verdict: ComparedVerdict, felt: number): readonly [number, number] =>
  (({ better: [felt, Infinity], same: [-felt, felt], worse: [-Infinity, -felt] }) as const)[verdict];

/**
 * @param moved - how far the change moved the mixture, log, + leaner
 * @returns likelihood of the error halfway between before and after
 * @throws {RangeError} if it is no finite number
 */
export function comparedLikelihood(
  verdict: ComparedVerdict,
  moved: number,
  { felt, blur }: Feel = BY_HAND,
): Likelihood {
  requireFinite("what the change did", moved);
  const [from, to] = bandOf(verdict, requirePositive("least gain", felt));
  requirePositive("blur", blur);
  const chance = (gain: number, spread: number) =>
    normalBetween((from - gain) / spread, (to - gain) / spread);
  const other = OTHER_CAUSE / VERDICTS.length;
  const side = verdict === "same" ? 0 : Math.sign(moved) * (verdict === "better" ? -1 : 1);
  return {
    log: (m) => Math.log(other + (1 - OTHER_CAUSE) * chance(-2 * moved * m, blur)),
    sd: blur / Math.abs(2 * moved),
    tail: (mean, variance) => {
      const gain = -2 * moved * mean;
      const spread = Math.hypot(blur, 2 * moved * Math.sqrt(variance));
      const above = normalCdf((to - gain) / spread);
      const below = normalCdf((gain - from) / spread);
      return Math.min(1, 2 * Math.min(above, below));
    },
    reads: side * MARK,
  };
}

/** Speaks of the error halfway between before and after; where nothing was changed it says nothing. */
export const COMPARED: LookKind<"compared"> = {
  byFeel: true,
  observe: ({ zone, verdict }, { mixtureOf, setting, before }) => {
    const [was, is] = [mixtureOf(before)[zone], mixtureOf(setting)[zone]];
    const by = is.shift - was.shift;
    const likelihoodOf = (moved: number) => comparedLikelihood(verdict, moved);
    return [
      { zone, line: blendLines(was, is, 0.5), likelihood: likelihoodOf(by), moved: { by, likelihoodOf } },
    ];
  },
  next: {
    how: "timedPair",
    means: "stopwatch",
    rides: () => [["top"]],
    // Two settings 5 % apart, three runs each to half a per cent of the time: e₁² - e₂² to ± 0.005.
    sd: () => 0.05,
    minutes: () => 25,
    pair: true,
  },
};
