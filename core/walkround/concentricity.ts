/** Offset of carburettor and manifold bores from steps at four places. */
import { requireRange } from "../units/guard.ts";

/** Step at each place, mm: + where the carburettor's edge stands into the stream. */
export interface Steps {
  readonly topMm: number;
  readonly bottomMm: number;
  readonly leftMm: number;
  readonly rightMm: number;
}

export interface Alignment {
  /** how far the two axes are apart, mm */
  readonly offsetMm: number;
  /** how much smaller the carburettor's bore is than the manifold's, in radius, mm; negative: larger */
  readonly radiusStepMm: number;
  /** move the carburettor this way: + up and + to the left, mm */
  readonly upMm: number;
  readonly toLeftMm: number;
}

/** @throws {RangeError} for steps outside ± 10 mm */
export function alignment({ topMm, bottomMm, leftMm, rightMm }: Steps): Alignment {
  for (const [name, value] of Object.entries({ topMm, bottomMm, leftMm, rightMm }))
    requireRange(`step ${name}`, value, -10, 10, "mm");
  // An edge that stands in at the top and away at the bottom means the carburettor sits too low.
  const upMm = (topMm - bottomMm) / 2;
  const toLeftMm = (leftMm - rightMm) / 2;
  return {
    offsetMm: Math.hypot(upMm, toLeftMm),
    radiusStepMm: (topMm + bottomMm + leftMm + rightMm) / 4,
    upMm,
    toLeftMm,
  };
}
