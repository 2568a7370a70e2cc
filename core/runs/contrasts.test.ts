/** Contrasts of timed runs against the long way: level and drift as unknowns of their own, all solved at once. */
import { contrasts, pooledScatter, type ContrastRun } from "./contrasts.ts";

const run = (setting: number, hours: number, value: number): ContrastRun => ({ setting, hours, value });
/** A, B, A, C: two comparisons that share A's runs, and a drift that A tells. */
const SESSION = [
  run(0, 0, 1.0),
  run(0, 0.05, 1.02),
  run(1, 0.3, 1.2),
  run(1, 0.35, 1.18),
  run(0, 0.7, 1.1),
  run(2, 0.9, 0.8),
  run(2, 0.95, 0.84),
];
const SCATTER = 0.02;
const DRIFT = 0.1;

/** Solves A x = b by elimination with pivots. */
function solved(rows: number[][], right: number[]): number[] {
  const n = right.length;
  const all = rows.map((row, i) => [...row, right[i] ?? 0]);
  for (let k = 0; k < n; k += 1) {
    const pivot = all
      .slice(k)
      .reduce((best, row, i) => (Math.abs(row[k] ?? 0) > Math.abs(all[best]?.[k] ?? 0) ? k + i : best), k);
    [all[k], all[pivot]] = [all[pivot] ?? [], all[k] ?? []];
    for (let i = 0; i < n; i += 1) {
      if (i === k) continue;
      const factor = (all[i]?.[k] ?? 0) / (all[k]?.[k] ?? NaN);
      all[i] = (all[i] ?? []).map((x, j) => x - factor * (all[k]?.[j] ?? 0));
    }
  }
  return all.map((row, i) => (row[n] ?? 0) / (row[i] ?? NaN));
}

/** Unknowns: level, drift, settings 1 and 2; drift has a prior, the level next to none. */
function theLongWay(runs: readonly ContrastRun[]) {
  const columns = runs.map(({ setting, hours }) => [1, hours, setting === 1 ? 1 : 0, setting === 2 ? 1 : 0]);
  const precision = Array.from({ length: 4 }, (_, i) =>
    Array.from({ length: 4 }, (_x, j) => {
      const prior = i === j ? (i === 1 ? 1 / DRIFT ** 2 : 1e-9) : 0;
      return prior + columns.reduce((sum, row) => sum + ((row[i] ?? 0) * (row[j] ?? 0)) / SCATTER ** 2, 0);
    }),
  );
  const pull = Array.from({ length: 4 }, (_, i) =>
    columns.reduce((sum, row, r) => sum + ((row[i] ?? 0) * (runs[r]?.value ?? 0)) / SCATTER ** 2, 0),
  );
  const mean = solved(precision, pull);
  const unit = (k: number) => Array.from({ length: 4 }, (_, i) => (i === k ? 1 : 0));
  const covariance = [2, 3].map((k) => solved(precision, unit(k)).slice(2));
  return { mean: mean.slice(2), covariance };
}

describe("what runs say of each setting against the first", () => {
  const found = contrasts(SESSION, SCATTER, DRIFT);
  it("is what all unknowns solved at once say, in mean", () => {
    const { mean } = theLongWay(SESSION);
    for (const { weights, mean: said } of found)
      expect(weights.reduce((sum, w, k) => sum + w * (mean[k] ?? 0), 0)).toBeCloseTo(said, 5);
  });
  it("and in doubt: each part has sd 1, and they err independently", () => {
    const { covariance } = theLongWay(SESSION);
    const between = (a: readonly number[], b: readonly number[]) =>
      a.reduce(
        (sum, x, i) => sum + b.reduce((inner, y, j) => inner + x * y * (covariance[i]?.[j] ?? 0), 0),
        0,
      );
    const [one, two] = found;
    if (!one || !two) throw new Error("two settings against the first are two contrasts");
    expect(between(one.weights, one.weights)).toBeCloseTo(1, 5);
    expect(between(two.weights, two.weights)).toBeCloseTo(1, 5);
    expect(between(one.weights, two.weights)).toBeCloseTo(0, 5);
  });
  it("A-B-A is surer of B than A-A-B is, once engines drift", () => {
    const doubt = (runs: ContrastRun[]) => {
      const [only] = contrasts(runs, 0.005, 0.5);
      return 1 / Math.abs(only?.weights[0] ?? NaN);
    };
    const aba = doubt([run(0, 0, 1), run(1, 0.5, 1), run(0, 1, 1)]);
    const aab = doubt([run(0, 0, 1), run(0, 0.5, 1), run(1, 1, 1)]);
    expect(aba).toBeLessThan(0.6 * aab);
  });
  it("leans on what is usual until runs repeat", () => {
    expect(pooledScatter([run(0, 0, 1), run(1, 0, 2)], 0.03)).toBeCloseTo(0.03, 12);
    const many = Array.from({ length: 40 }, (_, i) => run(0, 0, i % 2 === 0 ? 1 : 1.02));
    expect(pooledScatter(many, 0.03)).toBeLessThan(0.013);
  });
  it.each([
    [
      "a setting without a run",
      () => contrasts([run(0, 0, 1), run(2, 0, 1)], 0.01, 0.1),
      "setting 1 must have a run",
    ],
    ["no scatter", () => contrasts(SESSION, 0, 0.1), "scatter must be a number above 0"],
    ["a drift that is none", () => contrasts(SESSION, 0.1, NaN), "drift"],
  ])("refuses %s", (_, work, message) => {
    expect(work).toThrow(RangeError);
    expect(work).toThrow(message);
  });
});
