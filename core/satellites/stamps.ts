/** Time-stamp jitter of a receiver, converted to position error. */
import type { Fix } from "./fix.ts";

/** Longer steps are fixes that are missing: they say nothing of the scatter. */
const MISSING = 2.5;

/**
 * How far stamps scatter about the one rate that a receiver has: two of them make a step.
 * @returns seconds, 0 for fewer than five fixes
 */
export function stampSdS(fixes: readonly Fix[]): number {
  const steps = fixes.slice(1).map(({ atMs }, i) => atMs - (fixes[i]?.atMs ?? 0));
  const middle = [...steps].sort((a, b) => a - b)[Math.floor(steps.length / 2)] ?? 0;
  const usual = steps.filter((step) => step < MISSING * middle);
  if (usual.length < 4) return 0;
  const mean = usual.reduce((sum, step) => sum + step, 0) / usual.length;
  const square = usual.reduce((sum, step) => sum + (step - mean) ** 2, 0) / usual.length;
  return Math.sqrt(square / 2) / 1000;
}
