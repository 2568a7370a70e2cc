import { seededRandom } from "../numbers/random.ts";
import { fitBestIdle, type BestIdle, type IdlePoint } from "./best-idle.ts";
import { targetTurns } from "./schools.ts";
import { judgePilot, type IdleBenchRules } from "./verdict.ts";

/** A crest of 1700 rpm at 1.6 turns: 2 % lost 0.7 turns further in and 0.5 further out, the middle at 1.5. */
const curve = (turns: number): number => {
  const x = turns - 1.6;
  return 1700 * (1 - 0.02 * (x / (x < 0 ? 0.7 : 0.5)) ** 2);
};
const at = (...turns: number[]): IdlePoint[] => turns.map((t) => ({ turns: t, rpm: curve(t) }));
const quarters = (from: number, to: number) =>
  Array.from({ length: Math.round((to - from) * 4) + 1 }, (_, i) => from + i / 4);

function fitted(points: IdlePoint[]): BestIdle {
  const answer = fitBestIdle(points);
  if (!answer.ok) throw new Error(`no crest: ${answer.missing.reason}`);
  return answer.fit;
}

describe("the crest", () => {
  it("is found with its fall-offs and their middle from clean points", () => {
    const fit = fitted(at(...quarters(0.5, 2.5)));
    expect(fit.crestRpm / 1700).toBeCloseTo(1, 2);
    expect(fit.fallInTurns).toBeCloseTo(0.9, 0);
    expect(fit.fallOutTurns).toBeCloseTo(2.1, 0);
    expect(Math.abs(fit.middleTurns - 1.5)).toBeLessThan(0.08);
    expect(fit.outliers).toEqual([]);
  });

  it("does not depend on the order of the points, and takes a place read twice", () => {
    const points = at(...quarters(0.5, 2.5));
    const mixed = [...points].reverse().concat(points.slice(2, 4));
    expect(Math.abs(fitted(mixed).middleTurns - fitted(points).middleTurns)).toBeLessThan(0.05);
  });

  it("is found by five noisy points within a quarter turn, 95 times of 100, and its doubt is honest", () => {
    const random = seededRandom(20);
    let near = 0;
    let within = 0;
    for (let run = 0; run < 200; run += 1) {
      const points = at(0.5, 1, 1.5, 2, 2.5).map(({ turns, rpm }) => ({
        turns,
        rpm: rpm * (1 + 0.004 * random.normal()),
      }));
      const answer = fitBestIdle(points);
      const fit = answer.fit;
      if (!fit) continue;
      if (Math.abs(fit.middleTurns - 1.5) <= 0.25) near += 1;
      if (Math.abs(fit.middleTurns - 1.5) <= 2 * fit.sdTurns) within += 1;
    }
    expect(near).toBeGreaterThanOrEqual(190);
    expect(within).toBeGreaterThanOrEqual(170);
  });

  it("shrugs off an idle that had not settled, and names it", () => {
    const points = at(...quarters(0.5, 2.5));
    points[3] = { turns: 1.25, rpm: 1480 };
    const fit = fitted(points);
    expect(fit.outliers).toEqual([3]);
    expect(Math.abs(fit.middleTurns - 1.5)).toBeLessThan(0.1);
  });

  it("has less doubt the more points there are", () => {
    const random = seededRandom(3);
    const noisy = (turns: number[]) =>
      turns.map((t) => ({ turns: t, rpm: curve(t) * (1 + 0.004 * random.normal()) }));
    const many = fitted(noisy([...quarters(0.5, 2.5), ...quarters(0.5, 2.5), ...quarters(0.5, 2.5)]));
    const few = fitted(noisy([0.5, 1, 1.5, 2, 2.5]));
    expect(many.sdTurns).toBeLessThan(few.sdTurns);
  });
});

describe("no crest yet", () => {
  it.each([
    ["too few points", at(1, 1.5, 2), "fewPoints", 2.25],
    ["points too close together", at(1, 1.1, 1.2, 1.3, 1.4), "narrow", 1.65],
    ["the outer side not walked", at(0.5, 0.75, 1, 1.25, 1.5), "noFallOut", 1.75],
    ["the inner side not walked", at(1.5, 1.75, 2, 2.25, 2.5), "noFallIn", 1.25],
  ])("says so for %s, and which point to take next", (_, points, reason, nextTurns) => {
    const answer = fitBestIdle(points);
    expect(answer).toMatchObject({ ok: false, missing: { reason } });
    expect(!answer.ok && answer.missing.nextTurns).toBeCloseTo(nextTurns, 9);
  });

  it("says that nothing changes when the rpm does not answer the screw", () => {
    const flat = quarters(0.5, 2.5).map((turns) => ({ turns, rpm: 1700 }));
    expect(fitBestIdle(flat)).toMatchObject({ ok: false, missing: { reason: "flat" } });
  });

  it("offers nothing further in when the screw is seated", () => {
    const climbing = [0, 0.25, 0.5, 0.75, 1, 1.25].map((turns) => ({
      turns,
      rpm: 1700 - 40 * turns * turns,
    }));
    const answer = fitBestIdle(climbing);
    expect(answer).toMatchObject({ ok: false, missing: { reason: "noFallIn" } });
    expect(!answer.ok && answer.missing).not.toHaveProperty("nextTurns");
  });

  it("refuses what is no reading", () => {
    expect(() => fitBestIdle([{ turns: -1, rpm: 1700 }])).toThrow("screw must be in 0..20 turns, got -1");
    expect(() => fitBestIdle([{ turns: 1, rpm: NaN }])).toThrow("idle speed must be a number above 0");
    expect(fitBestIdle([])).toEqual({ ok: false, missing: { reason: "fewPoints" } });
  });
});

describe("the schools", () => {
  const fit = fitted(at(...quarters(0.5, 2.5)));
  it("set the screw each where it says, richer being in for air and out for fuel", () => {
    expect(targetTurns("middle", fit, "air")).toBe(fit.middleTurns);
    expect(targetTurns("byFeel", fit, "air")).toBe(fit.middleTurns);
    expect(targetTurns("highest", fit, "air")).toBe(fit.crestTurns);
    expect(targetTurns("touchRich", fit, "air")).toBeCloseTo(fit.crestTurns - 0.125, 12);
    expect(targetTurns("touchRich", fit, "fuel")).toBeCloseTo(fit.crestTurns + 0.125, 12);
    expect(targetTurns("middle", { ...fit, middleTurns: -0.4 }, "air")).toBe(0);
  });
});

describe("the verdict on the pilot jet", () => {
  const rules: IdleBenchRules = {
    school: "middle",
    screw: "air",
    window: { from: 0.75, to: 2.75 },
    baseTurns: 1.75,
    pilot: 45,
    pilots: [42, 45, 48],
  };
  const moved = (by: number) =>
    fitBestIdle(at(...quarters(0.5, 2.5)).map((p) => ({ ...p, turns: p.turns + by })));

  it("leaves a jet whose best position lies well inside the window", () => {
    expect(judgePilot(moved(0), rules)).toMatchObject({ kind: "leave" });
  });

  it("names the next size: an air screw far out wants a leaner jet, a fuel screw far out a richer one", () => {
    expect(judgePilot(moved(2), rules)).toMatchObject({ kind: "jet", towards: "leaner", to: 42, base: 1.75 });
    expect(judgePilot(moved(2), { ...rules, screw: "fuel" })).toMatchObject({ towards: "richer", to: 48 });
    expect(judgePilot(moved(2), { ...rules, pilot: 42 })).toMatchObject({ towards: "leaner", to: undefined });
  });

  it("walks again when the best position stands on the window's edge", () => {
    expect(judgePilot(moved(1.25), rules)).toMatchObject({ kind: "repeat" });
  });

  it("condemns a jet whose crest lies beyond the seat", () => {
    const climbing = [0, 0.25, 0.5, 0.75, 1, 1.25].map((turns) => ({
      turns,
      rpm: 1700 - 60 * (turns + 0.3) ** 2,
    }));
    expect(judgePilot(fitBestIdle(climbing), rules)).toMatchObject({
      kind: "jet",
      towards: "richer",
      to: 48,
    });
  });

  it("asks for more points before it says anything", () => {
    expect(judgePilot(fitBestIdle(at(1, 1.5)), rules)).toMatchObject({ kind: "more" });
    expect(() => judgePilot(moved(0), { ...rules, window: { from: 3, to: 1 } })).toThrow("screw window, to");
  });
});
