import { seededRandom } from "../numbers/random.ts";
import { studentCdf, studentQuantile } from "./student.ts";
import { compareRuns, summaryOf } from "./compare.ts";
import { consumption } from "./consumption.ts";

describe("Student's t", () => {
  it.each([
    [0.975, 1, 12.706],
    [0.975, 4, 2.776],
    [0.975, 10, 2.228],
    [0.9, 3, 1.638],
    [0.95, 30, 1.697],
    [0.995, 5, 4.032],
  ])("has the quantile of the printed table at %f with %i degrees of freedom", (chance, freedom, t) => {
    expect(studentQuantile(chance, freedom)).toBeCloseTo(t, 3);
    expect(studentCdf(t, freedom)).toBeCloseTo(chance, 4);
    expect(studentCdf(-t, freedom)).toBeCloseTo(1 - chance, 4);
  });
  it("is the arctangent with one degree of freedom", () => {
    for (const t of [-3, -0.5, 0, 1, 8])
      expect(studentCdf(t, 1)).toBeCloseTo(0.5 + Math.atan(t) / Math.PI, 10);
    expect(() => studentCdf(1, 0)).toThrow("degrees of freedom must be a number above 0");
    expect(() => studentQuantile(1, 4)).toThrow("chance must be in 0.5..0.9999");
  });
});

describe("two settings by the clock", () => {
  const [slow, quick] = [
    [8.42, 8.51, 8.38, 8.47],
    [8.2, 8.31, 8.24],
  ];
  it("differ by their means, with Welch's interval worked by hand", () => {
    const { difference, interval, chanceLarger, moreRuns } = compareRuns(slow, quick);
    expect(difference).toBeCloseTo(-0.195, 10);
    // sds 0.05686 and 0.05568: error 0.04292, 4.53 degrees of freedom, t(0.9) = 1.505
    expect(interval[0]).toBeCloseTo(-0.195 - 0.0646, 3);
    expect(interval[1]).toBeCloseTo(-0.195 + 0.0646, 3);
    expect(chanceLarger).toBeLessThan(0.01);
    expect(moreRuns).toBe(0);
  });
  it("are no different when the runs scatter more than they differ, and it says how many would tell", () => {
    const { interval, leastShown, difference, moreRuns } = compareRuns([8.2, 8.9, 8.5], [8.1, 8.8, 8.4]);
    expect(interval[0]).toBeLessThan(0);
    expect(interval[1]).toBeGreaterThan(0);
    expect(leastShown).toBeGreaterThan(Math.abs(difference));
    expect(moreRuns).toBeGreaterThan(5);
  });
  it("never come nearer to sure than a hand with a clock can: three equal runs are luck", () => {
    expect(summaryOf([8.4, 8.4, 8.4]).sd).toBeCloseTo(0.0168, 6);
    expect(compareRuns([8.4, 8.4], [8.4, 8.4]).moreRuns).toBeUndefined();
  });
  it("hold the truth in their interval eight times of ten", () => {
    const random = seededRandom(88);
    let held = 0;
    for (let trial = 0; trial < 600; trial += 1) {
      const draw = (mean: number, sd: number, count: number) =>
        Array.from({ length: count }, () => mean + sd * random.normal());
      const { interval } = compareRuns(draw(60, 0.5, 4), draw(59.6, 0.9, 3));
      if (interval[0] <= -0.4 && interval[1] >= -0.4) held += 1;
    }
    expect(held / 600).toBeGreaterThan(0.76);
    expect(held / 600).toBeLessThan(0.86);
  });
  it("refuse one run alone, and a run of no time", () => {
    expect(() => compareRuns([8.4], slow)).toThrow("at least 2 on each side");
    expect(() => compareRuns([8.4, 0], slow)).toThrow("run must be a number above 0");
  });
});

describe("consumption", () => {
  it("is the same in litres and in gallons of either kind", () => {
    const { litresPer100Km, milesPerUsGallon, milesPerImperialGallon } = consumption(5, 100);
    expect(litresPer100Km).toBe(5);
    expect(milesPerUsGallon).toBeCloseTo(47.04, 2);
    expect(milesPerImperialGallon).toBeCloseTo(56.5, 2);
    expect(() => consumption(0, 100)).toThrow("fuel must be a number above 0");
  });
});
