/**
 * Never a setting with more than 5 % chance past the lean limit at the top. Where the baseline is known to be right
 * the top need not be doubted in its own air or thinner, until somebody has looked.
 */
import type { HumidAir } from "../air/humid-air.ts";
import type { Proven } from "../log/schema.ts";
import { MOST_LEAN_RISK, type Judged } from "./judge-setting.ts";

export interface SafetyQuestion {
  readonly proven: Proven;
  readonly air: HumidAir;
  /** of the reference */
  readonly provenAir: HumidAir;
  readonly looksAtTop: number;
}

/** Air within this share of the reference's is the same air. */
const SAME_AIR = 0.003;
/** Believed leaner than this, a top is never waved through. */
const MOST_WAIVED_MEAN = 0.01;

export function safetyRule({
  proven,
  air,
  provenAir,
  looksAtTop,
}: SafetyQuestion): (judged: Judged) => boolean {
  const thinner = air.dryDensityKgM3 <= provenAir.dryDensityKgM3 * (1 + SAME_AIR);
  const waives = proven !== "guess" && thinner && looksAtTop === 0;
  return ({ leanRisk, zones }) =>
    leanRisk <= MOST_LEAN_RISK || (waives && zones.top.mean <= MOST_WAIVED_MEAN);
}
