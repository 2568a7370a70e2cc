/**
 * Contrasts of several settings against the first from timed runs with scatter and drift: generalized least squares
 * with a flat level and a drift of known sd. What the runs say together is split into parts that err independently,
 * so that a run which two comparisons share is not counted twice. Source: Rasmussen & Williams, "Gaussian Processes
 * for Machine Learning" (2006), section 2.7 (basis functions with a vague prior); tested against the long way with
 * level and drift as unknowns.
 */
import { cholesky } from "../numbers/linear.ts";
import { requirePositive } from "../units/guard.ts";

export interface ContrastRun {
  /** 0 for the first setting, 1.. for the others */
  readonly setting: number;
  readonly hours: number;
  readonly value: number;
}

/** One thing that is said: `weights · (value of setting k less that of the first)` is `mean`, with sd 1. */
export interface Contrast {
  /** one a setting but the first */
  readonly weights: readonly number[];
  readonly mean: number;
}

/** What is thought of a run's scatter before it repeats counts as much as so many repeats. */
const THOUGHT_REPEATS = 2;

/** @returns sd of one run about its setting's mean, pooled, with what is usual as a start */
export function pooledScatter(runs: readonly ContrastRun[], usual: number): number {
  const bySetting = new Map<number, number[]>();
  for (const { setting, value } of runs) bySetting.set(setting, [...(bySetting.get(setting) ?? []), value]);
  let [squares, freedom] = [THOUGHT_REPEATS * usual * usual, THOUGHT_REPEATS];
  for (const values of bySetting.values()) {
    const mean = values.reduce((sum, x) => sum + x, 0) / values.length;
    squares += values.reduce((sum, x) => sum + (x - mean) ** 2, 0);
    freedom += values.length - 1;
  }
  return Math.sqrt(squares / freedom);
}

/**
 * @param runs - of at least two settings, the first being 0
 * @param scatter - sd of one run
 * @param driftPerHour - sd of how fast the engine drifts
 * @returns one contrast for every setting but the first
 * @throws {RangeError} if a setting has no run, or a figure is none
 */
export function contrasts(runs: readonly ContrastRun[], scatter: number, driftPerHour: number): Contrast[] {
  const variance = requirePositive("scatter", scatter) ** 2;
  const drift = requirePositive("drift", driftPerHour) ** 2;
  const count = Math.max(...runs.map(({ setting }) => setting));
  for (let k = 0; k <= count; k += 1)
    if (!runs.some(({ setting }) => setting === k))
      throw new RangeError(`setting ${k} must have a run at least, got none`);
  const times = runs.map(({ hours }) => hours);
  const long = times.reduce((sum, t) => sum + t * t, 0);
  const share = drift / (variance + drift * long);
  /** aᵀ V⁻¹ b, V = scatter² and drift² t tᵀ */
  const inner = (a: readonly number[], b: readonly number[]): number => {
    let [ab, at, bt] = [0, 0, 0];
    times.forEach((t, i) => {
      ab += (a[i] ?? 0) * (b[i] ?? 0);
      at += (a[i] ?? 0) * t;
      bt += (b[i] ?? 0) * t;
    });
    return (ab - share * at * bt) / variance;
  };
  const ones = runs.map(() => 1);
  const values = runs.map(({ value }) => value);
  const columns = Array.from({ length: count }, (_, k) =>
    runs.map(({ setting }) => (setting === k + 1 ? 1 : 0)),
  );
  const level = inner(ones, ones);
  /** the same with the level taken out */
  const about = (a: readonly number[], b: readonly number[]) =>
    inner(a, b) - (inner(a, ones) * inner(b, ones)) / level;
  const precision = new Float64Array(count * count);
  columns.forEach((a, i) => columns.forEach((b, j) => (precision[i * count + j] = about(a, b))));
  const lower = cholesky(precision);
  const at = (i: number, j: number) => lower[i * count + j] ?? 0;
  // Lᵀ β is known to 1; L z = b gives by how much.
  const means: number[] = [];
  columns.forEach((column, i) => {
    let rest = about(column, values);
    for (let j = 0; j < i; j += 1) rest -= at(i, j) * (means[j] ?? 0);
    means.push(rest / at(i, i));
  });
  return means.map((mean, j) => ({ mean, weights: columns.map((_, k) => (k < j ? 0 : at(k, j))) }));
}
