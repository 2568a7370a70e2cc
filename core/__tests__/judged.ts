/** The worked example's engine as a judged rig, for tests. */
import type { HumidAir } from "../air/humid-air.ts";
import { beliefsOf, settingJudge, type SettingJudge } from "../advice/judge/judge-setting.ts";
import { choices } from "../advice/plan/choices.ts";
import type { LookQuestion } from "../advice/ride/next-look.ts";
import { anyChangeIsSafe } from "../advice/judge/safety.ts";
import { frameOf } from "../belief/frame.ts";
import { layoutOf, priorOf } from "../belief/layout.ts";
import { PRIOR_SD, UNKNOWNS, type Belief, type Unknown } from "../belief/unknowns.ts";
import type { Build } from "../log/schema.ts";
import { ENDURO_BUILD } from "../../demo/enduro-build.ts";

export const FRAME = frameOf(ENDURO_BUILD);
export const ONE = layoutOf(1, []);
export const PRIOR: Belief = priorOf(ONE);

/** A belief of one engine: means that are not nought, and sds that are not those of the prior. */
export function believing(
  means: Partial<Record<Unknown, number>>,
  sdOf: (name: Unknown) => number = (name) => PRIOR_SD[name],
): Belief {
  const size = UNKNOWNS.length;
  const covariance = new Float64Array(size * size);
  UNKNOWNS.forEach((name, i) => (covariance[i * size + i] = sdOf(name) ** 2));
  return { mean: Float64Array.from(UNKNOWNS, (name) => means[name] ?? 0), covariance };
}

export const sdAt = ({ covariance, mean }: Belief, i: number): number =>
  Math.sqrt(covariance[i * mean.length + i] ?? NaN);

export const judgeWith = (
  belief: Belief,
  air: HumidAir = FRAME.air,
  build: Build = ENDURO_BUILD,
): SettingJudge => settingJudge(FRAME, build, beliefsOf(belief, [1]), air);

/** What plan and next look are asked of the worked example, fitted as it was right. */
export function questionWith(
  belief: Belief,
  change: Partial<LookQuestion> = {},
  air: HumidAir = FRAME.air,
): LookQuestion {
  const { setting } = ENDURO_BUILD.baseline;
  return {
    judge: judgeWith(belief, air),
    build: ENDURO_BUILD,
    options: choices(ENDURO_BUILD, setting),
    fitted: setting,
    isSafe: anyChangeIsSafe,
    changes: "toldApart",
    order: "bottomUp",
    joint: belief,
    layout: ONE,
    cylinders: [1],
    means: ["plug"],
    taken: () => 0,
    seen: [],
    ...change,
  };
}
