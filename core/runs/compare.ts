/**
 * Compares the timed runs of two settings: difference, confidence, and runs needed to settle it. Welch's comparison
 * of two means, which need not scatter alike (Welch, Biometrika 34, 1947).
 */
import { studentCdf, studentQuantile } from "./student.ts";
import { requirePositive } from "../units/guard.ts";

/** As sure as a zone must be before it is left alone. */
export const SURE = 0.8;
/** A clock in a gloved hand is no better than this, as a share: three runs that agree to the hundredth are luck. */
const HAND_ERROR_SHARE = 0.002;
const MOST_RUNS = 99;

export interface RunSummary {
  readonly count: number;
  readonly mean: number;
  readonly sd: number;
}

export interface Comparison {
  readonly before: RunSummary;
  readonly after: RunSummary;
  /** mean after less mean before */
  readonly difference: number;
  /** holds the true difference with 80 % chance */
  readonly interval: readonly [number, number];
  /** of the difference */
  readonly error: number;
  /** chance that the second is truly the larger */
  readonly chanceLarger: number;
  /** the smallest difference that so many runs could show for sure */
  readonly leastShown: number;
  /** runs more on each side until a difference like this one would be sure; 0 when it is; nothing beyond 99 */
  readonly moreRuns: number | undefined;
}

/** @param errorShare - of one run, by what it was taken with: that runs agree better than this is luck */
export function summaryOf(values: readonly number[], errorShare = HAND_ERROR_SHARE): RunSummary {
  const count = values.length;
  const mean = values.reduce((sum, x) => sum + requirePositive("run", x), 0) / count;
  const squares = values.reduce((sum, x) => sum + (x - mean) ** 2, 0);
  return {
    count,
    mean,
    sd: Math.max(requirePositive("error", errorShare) * mean, Math.sqrt(squares / Math.max(1, count - 1))),
  };
}

interface Uncertain {
  readonly error: number;
  readonly freedom: number;
}

/** Standard error of the difference and Welch's degrees of freedom. */
function uncertain(a: RunSummary, b: RunSummary, more = 0): Uncertain {
  const [na, nb] = [a.count + more, b.count + more];
  const [va, vb] = [(a.sd * a.sd) / na, (b.sd * b.sd) / nb];
  return {
    error: Math.sqrt(va + vb),
    freedom: (va + vb) ** 2 / ((va * va) / (na - 1) + (vb * vb) / (nb - 1)),
  };
}

/** The difference that stands out for sure: its 80 % interval keeps clear of nothing at all. */
const shown = ({ error, freedom }: Uncertain): number => studentQuantile((1 + SURE) / 2, freedom) * error;

/** More runs always show more: the fewest are found by halving. */
function runsToSettle(a: RunSummary, b: RunSummary, difference: number): number | undefined {
  const settles = (more: number) => difference >= shown(uncertain(a, b, more));
  if (!settles(MOST_RUNS)) return undefined;
  let [low, high] = [-1, MOST_RUNS];
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (settles(middle)) high = middle;
    else low = middle;
  }
  return high;
}

/**
 * @param before - of one setting, two runs at least, all in one unit
 * @param after - of the other
 * @param receiverShare - the error of one run as a share, where a receiver took them and not a hand
 * @throws {RangeError} for fewer than two runs a side, or one that is no positive number
 */
export function compareRuns(
  before: readonly number[],
  after: readonly number[],
  receiverShare = 0,
): Comparison {
  if (before.length < 2 || after.length < 2)
    throw new RangeError(`runs must be at least 2 on each side, got ${before.length} and ${after.length}`);
  const errorShare = Math.max(HAND_ERROR_SHARE, receiverShare);
  const [a, b] = [summaryOf(before, errorShare), summaryOf(after, errorShare)];
  const difference = b.mean - a.mean;
  const now = uncertain(a, b);
  const half = shown(now);
  return {
    before: a,
    after: b,
    difference,
    error: now.error,
    interval: [difference - half, difference + half],
    chanceLarger: studentCdf(difference / now.error, now.freedom),
    leastShown: half,
    moreRuns: runsToSettle(a, b, Math.abs(difference)),
  };
}
