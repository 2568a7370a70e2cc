/**
 * Ordinal probit with three categories (lean, right, rich): the piston's crown, the colour inside the header, a
 * temperature of which only the sign is known. An ordinal probit, like a plug's tone with two edges.
 */
import { bandLikelihood, type Likelihood } from "./likelihood.ts";

export type Step = "lean" | "right" | "rich";

/** Where one step turns into the next: between the plug's "a little" and its "lean" or "rich". */
export const THREE_STEP_EDGE = 0.05;
/** Of a crown, a header's colour, a hand on the throttle. */
export const WITNESS_SD = 0.06;
/** Where its mark stands when it is beyond an edge. */
const MARK = 0.09;

const BANDS: Readonly<Record<Step, readonly [number, number]>> = {
  lean: [THREE_STEP_EDGE, Infinity],
  right: [-THREE_STEP_EDGE, THREE_STEP_EDGE],
  rich: [-Infinity, -THREE_STEP_EDGE],
};

/**
 * @param sd - of the witness, as a share of mixture
 * @throws {RangeError} if it is not above 0
 */
export function threeStepLikelihood(step: Step, sd: number): Likelihood {
  const [low, high] = BANDS[step];
  const reads = step === "right" ? 0 : step === "lean" ? MARK : -MARK;
  return bandLikelihood({ low, high, sd, steps: 3, reads });
}
