/** From the best screw position to a verdict on the pilot jet. */
import { requirePositive, requireRange } from "../units/guard.ts";
import { normalCdf } from "../numbers/normal.ts";
import type { BestIdle, IdleFit } from "./best-idle.ts";
import type { ScrewSchool } from "../log/schools.ts";
import { richerSign, targetTurns } from "./schools.ts";

export interface IdleBenchRules {
  readonly school: ScrewSchool;
  readonly screw: "air" | "fuel";
  /** outside it the screw condemns the pilot jet, turns out */
  readonly window: { readonly from: number; readonly to: number };
  /** where the screw is put back to with another jet */
  readonly baseTurns: number;
  readonly pilot: number;
  /** sizes in the box */
  readonly pilots: readonly number[];
}

export type IdleVerdict =
  | { readonly kind: "more"; readonly fit: Exclude<IdleFit, { ok: true }> }
  /** the screw can do it: leave the jet */
  | { readonly kind: "leave"; readonly setTo: number; readonly chance: number }
  /** the best position lies so near the edge that the readings cannot tell */
  | { readonly kind: "repeat"; readonly setTo: number; readonly chance: number }
  | {
      readonly kind: "jet";
      readonly towards: "richer" | "leaner";
      /** the next size in the box; nothing when the box ends */
      readonly to: number | undefined;
      /** reset the screw to its base and do it again */
      readonly base: number;
      readonly chance: number;
    };

/** So sure must a verdict be; in between, the bench is walked again. */
const SURE = 0.8;

/** Chance that the true middle lies within the window. */
function chanceInside({ middleTurns, sdTurns }: BestIdle, { from, to }: IdleBenchRules["window"]): number {
  const below = (edge: number) => normalCdf((edge - middleTurns) / sdTurns);
  // A window that begins at the seat has no edge there: a screw cannot go further in.
  return below(to) - (from <= 0 ? 0 : below(from));
}

function nextSize({ pilot, pilots }: IdleBenchRules, towards: "richer" | "leaner"): number | undefined {
  const sizes = [...new Set(pilots)].sort((a, b) => a - b);
  return towards === "richer"
    ? sizes.find((size) => size > pilot)
    : sizes.filter((size) => size < pilot).at(-1);
}

/** Best with the screw far on its richer side: more fuel is wanted, so a larger jet. */
function jetVerdict(rules: IdleBenchRules, wantsOut: boolean, chance: number): IdleVerdict {
  const outIsRicher = richerSign(rules.screw) > 0;
  const towards = wantsOut === outIsRicher ? "richer" : "leaner";
  return { kind: "jet", towards, to: nextSize(rules, towards), base: rules.baseTurns, chance };
}

/**
 * With one fall-off out of sight the middle is still bounded: it lies at least halfway between the fall-off
 * that was seen and the end that was walked. Past the window's edge, that is a verdict.
 */
function oneSided(fit: Exclude<IdleFit, { ok: true }>, rules: IdleBenchRules): IdleVerdict {
  const { missing, fit: seen } = fit;
  const { from, to } = rules.window;
  if (!seen) return { kind: "more", fit };
  if (missing.reason === "noFallOut" && (seen.fallInTurns + seen.walkedTo) / 2 > to)
    return jetVerdict(rules, true, SURE);
  // Seated and still not falling: no more points can be had further in.
  const seated = missing.reason === "noFallIn" && missing.nextTurns === undefined;
  if (!seated) return { kind: "more", fit };
  if ((seen.walkedFrom + seen.fallOutTurns) / 2 < from) return jetVerdict(rules, false, SURE);
  return { kind: "leave", setTo: Math.max(0, seen.crestTurns), chance: SURE };
}

/**
 * @returns leave it, one size of pilot jet, walk it again, or take more points
 * @throws {RangeError} if the window or the base cannot be
 */
export function judgePilot(fit: IdleFit, rules: IdleBenchRules): IdleVerdict {
  requireRange("screw window, from", rules.window.from, 0, 20, "turns");
  requireRange("screw window, to", rules.window.to, rules.window.from, 20, "turns");
  requirePositive("pilot jet", rules.pilot);
  if (!fit.ok) return oneSided(fit, rules);
  const inside = chanceInside(fit.fit, rules.window);
  const setTo = targetTurns(rules.school, fit.fit, rules.screw);
  if (inside >= SURE) return { kind: "leave", setTo, chance: inside };
  if (inside > 1 - SURE) return { kind: "repeat", setTo, chance: inside };
  return jetVerdict(rules, fit.fit.middleTurns > rules.window.to, 1 - inside);
}
