/**
 * Likelihood of a temperature of exhaust gas or head against this engine's own target: hotter is leaner. Until the
 * log has taught how much (heat-slope.ts) only its sign counts.
 */
import { ZONES, type Zone } from "../carburettor/zones.ts";
import type { Build } from "../log/schema.ts";
import { requireFinite, requirePositive } from "../units/guard.ts";
import { heatInBaselineAir, heatTargetOf, type HeatTarget } from "./heat-reading.ts";
import type { HeatSlope } from "./heat-slope.ts";
import { figureLikelihood, type Likelihood } from "./likelihood.ts";
import type { LookKind } from "./look-kind.ts";
import { THREE_STEP_EDGE, threeStepLikelihood, WITNESS_SD } from "./three-steps.ts";

/** The target itself is a habit of the rig, not its best mixture to the per cent. */
const METHOD_SD = 0.02;

/** Nobody has said where it belongs: it teaches the slope and weighs nothing by itself. */
export const SAYS_NOTHING: Likelihood = {
  log: () => 0,
  sd: Infinity,
  tail: () => 1,
  reads: 0,
};

/** Exhaust gas is hottest so much leaner than a target that is rich of the chemical mixture; beyond it cools. */
const HOTTEST_AT = 0.15;

/** @returns the error by which a gas is as hot as it would be, were leaner always hotter */
export function asHotAs(error: number): number {
  return error <= 0 ? error : error - (error * error) / (2 * HOTTEST_AT);
}

/** The same reading where gas cools past its peak: what is cool may be far too lean as well as rich. */
export function pastItsPeak({ log, tail, reads, sd, wider }: Likelihood): Likelihood {
  return {
    ...(wider && { wider: (factor: number) => pastItsPeak(wider(factor)) }),
    log: (e) => log(asHotAs(e)),
    sd,
    // Which of the two it is the others say: where they say far too lean, a cool gas is no surprise.
    tail: (mean, variance) => tail(asHotAs(mean), variance),
    reads,
  };
}

/**
 * @param heatK - the temperature, or the rise
 * @throws {RangeError} for figures that are none
 */
export function temperatureLikelihood(
  heatK: number,
  { targetK, withinK }: HeatTarget,
  slope: HeatSlope | undefined,
): Likelihood {
  const departure = requireFinite("temperature", heatK) - requireFinite("target", targetK);
  requirePositive("tolerance of the target", withinK);
  if (!slope) {
    const step = departure > withinK ? "lean" : departure < -withinK ? "rich" : "right";
    return threeStepLikelihood(step, WITNESS_SD);
  }
  const { perUnitK, sdK, scatterK } = slope;
  const mean = departure / perUnitK;
  // Half the window is what the rig itself calls the same; a slope in doubt counts the more the further off.
  const blurK = Math.hypot(scatterK, withinK / 2, mean * sdK);
  const variance = (blurK / perUnitK) ** 2 + METHOD_SD ** 2;
  return figureLikelihood(mean, variance);
}

/** Where this rig knows where a temperature belongs: an opening held each, but start line and finish in one run. */
function ridesWithTarget({ heat }: Build): readonly (readonly Zone[])[] {
  const run: readonly Zone[] = [
    ...(heat?.staging ? (["idle"] as const) : []),
    ...(heat?.rise ? (["top"] as const) : []),
  ];
  const held = ZONES.filter((zone) => heat?.exhaust?.[zone] !== undefined && !run.includes(zone));
  return [...(run.length > 0 ? [run] : []), ...held.map((zone) => [zone])];
}

export const TEMPERATURE: LookKind<"temperature"> = {
  observe: (reading, { build, mixtureOf, setting, heatSlope, warmerK }) => {
    const { zone } = reading;
    const line = mixtureOf(setting)[zone];
    const target = heatTargetOf(reading, build);
    if (!target) return [{ zone, line, likelihood: SAYS_NOTHING, silent: true }];
    const heatK = heatInBaselineAir(reading, warmerK ?? 0);
    const hotter = temperatureLikelihood(heatK, target, heatSlope);
    return [{ zone, line, likelihood: reading.sensor === "exhaust" ? pastItsPeak(hotter) : hotter }];
  },
  instrument: "temperature",
  next: {
    how: "temperature",
    means: "temperature",
    rides: ridesWithTarget,
    felt: true,
    sd: () => Math.hypot(WITNESS_SD, (2 * THREE_STEP_EDGE) / Math.sqrt(12)),
    minutes: (zone) => (zone === "idle" ? 3 : 4),
  },
};
