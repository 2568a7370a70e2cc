/**
 * How much better a log is explained when something adds `share · size` to each look: a rank-one step on the
 * settled looks. With sites exp(pull u - precision u² / 2) and u moved by share · s, ln of the evidence is a
 * parabola in s; its slope and curvature at 0 follow from the belief after each day and from how that day's start
 * already leaned on s.
 * Source: Gaussian conditioning, e.g. Rasmussen & Williams, "Gaussian Processes for Machine Learning" (2006),
 * appendix A.2; tested against taking all looks anew with the size as an unknown of its own.
 */
import type { ReplayedSession, MatchedEvidence } from "../belief/replay.ts";
import { lnSiteMass, type Site } from "../belief/site.ts";
import { dot, times } from "../numbers/linear.ts";
import type { FaultSize } from "./fault-kind.ts";

/** @returns the parabola of ln evidence over the size, + nothing at 0 */
export function shiftParabola(
  sessions: readonly ReplayedSession[],
  shareOf: (matched: MatchedEvidence) => number,
): Site {
  let [pull, precision] = [0, 0];
  const known = sessions[0]?.known ?? 0;
  /** how far the mean of what is believed goes with the size */
  let lean: Float64Array | undefined;
  for (const { after, matched } of sessions) {
    const shares = matched.map(shareOf);
    if (!lean && shares.every((share) => share === 0)) continue;
    const size = after.mean.length;
    const before = new Float64Array(size);
    if (lean) before.set(lean.subarray(0, known));
    const weighed = new Float64Array(size);
    matched.forEach(({ item: { line }, site }, i) => {
      const moved = (shares[i] ?? 0) + (lean ? dot(before, line.row) : 0);
      if (moved === 0) return;
      pull += moved * (site.pull - site.precision * dot(line.row, after.mean));
      precision += moved * moved * site.precision;
      for (let k = 0; k < size; k += 1)
        weighed[k] = (weighed[k] ?? 0) + moved * site.precision * (line.row[k] ?? 0);
    });
    const followed = times(after.covariance, weighed);
    precision -= dot(weighed, followed);
    lean = before.map((x, k) => x - (followed[k] ?? 0));
  }
  return { pull, precision };
}

/** Where the looks contradict each other a parabola may open upwards: never beyond half of what the size allows. */
const MOST_OPEN = 0.5;

/** @returns ln of how many times more likely all looks are with something of that size */
export function lnShiftWeight({ pull, precision }: Site, { mean, sd }: FaultSize): number {
  const variance = sd * sd;
  return lnSiteMass({ pull, precision: Math.max(precision, -MOST_OPEN / variance) }, { mean, variance });
}

/**
 * @param fixed - what is added besides, whatever the size
 * @returns ln of how many times more likely all looks are with both
 */
export function lnShiftsWeight(
  sessions: readonly ReplayedSession[],
  shareOf: (matched: MatchedEvidence) => number,
  fixed: (matched: MatchedEvidence) => number,
  size: FaultSize,
): number {
  const one = shiftParabola(sessions, shareOf);
  const other = shiftParabola(sessions, fixed);
  if (other.pull === 0 && other.precision === 0) return lnShiftWeight(one, size);
  // The curvature of a sum is that of both and twice what they share.
  const both = shiftParabola(sessions, (matched) => shareOf(matched) + fixed(matched));
  const shared = (both.precision - one.precision - other.precision) / 2;
  const alone = other.pull - other.precision / 2;
  return alone + lnShiftWeight({ pull: one.pull - shared, precision: one.precision }, size);
}
