import { cholesky, dot, lessOuter, quadratic, times } from "./linear.ts";
import { normalBetween, normalCdf, normalDensity } from "./normal.ts";
import { tiltedMoments } from "./quadrature.ts";
import { seededRandom } from "./random.ts";
import { bisectFalling } from "./bisect.ts";

describe("the normal distribution", () => {
  // Abramowitz & Stegun, table 26.1.
  it.each([
    [0, 0.5],
    [0.5, 0.691462461274],
    [1, 0.841344746069],
    [1.96, 0.975002104852],
    [2.5, 0.993790334674],
    [4, 0.999968328758],
  ])("has the tabulated area below %d", (x, area) => {
    expect(normalCdf(x)).toBeCloseTo(area, 11);
    expect(normalCdf(-x)).toBeCloseTo(1 - area, 11);
  });

  it("keeps its far tails: both branches and the infinities", () => {
    // Mills' ratio bounds the tail: φ(x)/x (1 - 1/x²) < Q(x) < φ(x)/x.
    for (const x of [5, 7, 7.2, 10, 20]) {
      const tail = normalCdf(-x);
      expect(tail).toBeLessThan(normalDensity(x) / x);
      expect(tail).toBeGreaterThan((normalDensity(x) / x) * (1 - 1 / (x * x)));
    }
    expect([normalCdf(-Infinity), normalCdf(Infinity)]).toEqual([0, 1]);
    expect(normalBetween(6, 7) / (normalCdf(-6) - normalCdf(-7))).toBeCloseTo(1, 12);
  });
});

describe("tilted moments", () => {
  it("agree with the closed form for a normal likelihood", () => {
    const [m, v, y, s2] = [0.02, 0.0064, -0.05, 0.0009];
    const { mean, variance } = tiltedMoments((x) => (-0.5 * (x - y) ** 2) / s2, m, v);
    expect(mean).toBeCloseTo((m * s2 + y * v) / (v + s2), 9);
    expect(variance).toBeCloseTo((v * s2) / (v + s2), 9);
  });

  it("agree with the closed form for a probit likelihood", () => {
    // Rasmussen & Williams (2006), equations 3.82 to 3.85.
    const [m, v] = [0.3, 1.7];
    const { mean, variance } = tiltedMoments((x) => Math.log(normalCdf(x)), m, v);
    const z = m / Math.sqrt(1 + v);
    const ratio = normalDensity(z) / normalCdf(z);
    expect(mean).toBeCloseTo(m + (v * ratio) / Math.sqrt(1 + v), 9);
    expect(variance).toBeCloseTo(v - ((v * v * ratio) / (1 + v)) * (z + ratio), 9);
  });

  it("refuse a likelihood that is nought everywhere", () => {
    expect(() => tiltedMoments(() => -Infinity, 0, 1)).toThrow("likelihood must be above 0");
    expect(() => tiltedMoments(() => NaN, 0, 1)).toThrow(RangeError);
  });
});

describe("linear algebra", () => {
  it("multiplies back to the matrix it was taken from", () => {
    // prettier-ignore
    const matrix = [
      4, 2, 0.6,
      2, 5, 1,
      0.6, 1, 3,
    ];
    const lower = cholesky(matrix);
    const row = (i: number) => lower.subarray(3 * i, 3 * i + 3);
    matrix.forEach((value, n) => expect(dot(row(Math.floor(n / 3)), row(n % 3))).toBeCloseTo(value, 12));
    expect([...times([1, 0, 0, 2], [3, 4])]).toEqual([3, 8]);
    expect([...lessOuter([1, 0, 0, 1], [1, 2], 0.5)]).toEqual([0.5, -1, -1, -1]);
    expect(quadratic(matrix, [1, -1, 2])).toBeCloseTo(dot([1, -1, 2], times(matrix, [1, -1, 2])), 12);
    expect(() => cholesky([1, 2, 2, 1])).toThrow("positive definite");
  });

  it("finds the root of a falling function", () => {
    expect(bisectFalling((x) => 2 - x * x, 0, 2)).toBeCloseTo(Math.SQRT2, 14);
  });
});

describe("the seeded random source", () => {
  it("repeats itself for a seed and differs for another", () => {
    const draw = (seed: number) => Array.from({ length: 5 }, seededRandom(seed).uniform);
    expect(draw(7)).toEqual(draw(7));
    expect(draw(7)).not.toEqual(draw(8));
  });

  it("draws standard normals", () => {
    const random = seededRandom(1);
    const draws = Array.from({ length: 40_000 }, random.normal);
    const mean = draws.reduce((sum, x) => sum + x, 0) / draws.length;
    const variance = draws.reduce((sum, x) => sum + (x - mean) ** 2, 0) / draws.length;
    expect(Math.abs(mean)).toBeLessThan(0.02);
    expect(Math.abs(variance - 1)).toBeLessThan(0.03);
    expect(draws.filter((x) => x > 1.96).length / draws.length).toBeCloseTo(0.025, 2);
  });
});
