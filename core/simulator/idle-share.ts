/** Share of its best idle speed that an engine runs at, by how far the mixture is off. */

/** Half the width between the fall-offs, as mixture error: 2 % of rpm are lost there. */
export const HALF_WIDTH = 0.11;
/** The crest stands a little to the lean side of the middle. */
const SKEW = 0.02;
const FALL = 0.02;
/** An idle this far off stalls. */
const STALLED_SHARE = 0.62;

/** @returns share of the crest's rpm that is left at a mixture error; 0 when the engine has stalled */
export function idleShare(error: number): number {
  const x = error - SKEW;
  const width = x > 0 ? HALF_WIDTH - SKEW : HALF_WIDTH + SKEW;
  const share = 1 - FALL * (x / width) ** 2;
  return share < STALLED_SHARE ? 0 : share;
}
