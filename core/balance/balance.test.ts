import fc from "fast-check";
import { seededRandom } from "../numbers/random.ts";
import {
  drawLinked,
  readLinked,
  swing,
  untouched,
  type LinkedControls,
} from "../simulator/linked-carburettors.ts";
import { balanceSteps, judgeBalance } from "./linkage.ts";
import { spread, USUAL_SPREAD_PA } from "./spread.ts";

const plainly = (count: number, linkage: "shaft" | "cables") =>
  balanceSteps(count, linkage).map(({ sides: [a, b], turn }) => `${a.join("")}-${b.join("")} ${turn.kind}`);

describe("order by the linkage", () => {
  it("on one shaft: 1 with 2, 3 with 4, then pair with pair", () => {
    expect(plainly(4, "shaft")).toEqual(["1-2 shaftScrew", "3-4 shaftScrew", "12-34 shaftScrew"]);
    expect(balanceSteps(4, "shaft").map(({ turn }) => turn)).toEqual([
      { kind: "shaftScrew", between: [1, 2] },
      { kind: "shaftScrew", between: [3, 4] },
      { kind: "shaftScrew", between: [2, 3] },
    ]);
  });
  it("takes an odd one to the pair before it", () => {
    expect(plainly(3, "shaft")).toEqual(["1-2 shaftScrew", "12-3 shaftScrew"]);
  });
  it("on cables: the stops at idle, then the slack at cruising speed", () => {
    expect(plainly(2, "cables")).toEqual(["1-2 stopScrew", "1-2 cable"]);
    expect(balanceSteps(2, "cables").map(({ speed }) => speed)).toEqual(["idle", "cruise"]);
  });
  it.each([1, 7, 2.5])("refuses %s carburettors", (count) => {
    expect(() => balanceSteps(count, "shaft")).toThrow("carburettors must be in 2..6");
  });
});

describe("what to turn next", () => {
  const steps = balanceSteps(4, "shaft");
  it("is nothing while the spread is within what is allowed", () => {
    expect(judgeBalance([30_000, 31_000, 32_000, 31_500], steps, USUAL_SPREAD_PA)).toMatchObject({
      spreadPa: 2000,
      inStep: true,
      next: undefined,
    });
  });
  it("takes neighbours before pairs, even where the pairs are further apart", () => {
    const state = judgeBalance([30_000, 31_500, 40_000, 40_100], steps, USUAL_SPREAD_PA);
    expect(state.next).toBe(0);
    expect(state.differencesPa).toEqual([1500, 100, 9300]);
    expect(judgeBalance([30_000, 30_100, 40_000, 40_100], steps, USUAL_SPREAD_PA).next).toBe(2);
  });
  it("always names a step while the spread is too wide, whatever the gauges say", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 2, max: 6 }).chain((count) =>
          fc.array(fc.double({ min: 5000, max: 80_000, noNaN: true }), {
            minLength: count,
            maxLength: count,
          }),
        ),
        (gauges) => {
          const state = judgeBalance(gauges, balanceSteps(gauges.length, "shaft"), USUAL_SPREAD_PA);
          expect(state.inStep).toBe(state.next === undefined);
        },
      ),
      { seed: 8, numRuns: 400 },
    );
  });
  it("refuses a gauge that is missing or no number", () => {
    expect(() => judgeBalance([30_000, 31_000], steps, USUAL_SPREAD_PA)).toThrow(
      "gauge 4 must be a finite number",
    );
    expect(() => spread([30_000, NaN])).toThrow("gauge must be a finite number");
    expect(() => spread([30_000])).toThrow("gauges must be at least 2");
  });
});

describe("linked carburettors", () => {
  const engine = drawLinked("shaft", 4, 1200, seededRandom(12));
  const with1 = (controls: LinkedControls, screw: number, turns: number): LinkedControls => ({
    ...controls,
    shaftScrews: controls.shaftScrews.map((now, i) => (i === screw ? now + turns : now)),
  });
  const still = untouched(engine);

  it("begin further out of step than any manual allows", () => {
    expect(spread(readLinked(engine, still).depressionsPa)).toBeGreaterThan(USUAL_SPREAD_PA);
  });
  it("let a screw move all beyond it, and keep what is beyond in step with itself", () => {
    const before = readLinked(engine, still).depressionsPa;
    const after = readLinked(engine, with1(still, 1, 1)).depressionsPa;
    const ratio = (values: readonly number[]) => (values[3] ?? 0) / (values[2] ?? 1);
    expect(after[2]).toBeLessThan(before[2] ?? 0);
    expect(after[3]).toBeLessThan(before[3] ?? 0);
    expect(ratio(after)).toBeCloseTo(ratio(before), 1);
  });
  it("pull by the balance of flows: 55 kPa at an idle's opening, by the equation itself", () => {
    const alike = { linkage: "shaft" as const, offsets: [0, 0], slacks: [0, 0], idleRpm: 1200 };
    const { depressionsPa, rpm } = readLinked(alike, untouched(alike));
    expect(rpm).toBe(1200);
    for (const pa of depressionsPa) expect(pa).toBeCloseTo(55_000, 6);
  });
  it.each([
    ["shaft", 4],
    ["shaft", 2],
    ["shaft", 6],
    ["cables", 2],
  ] as const)(
    "are brought into step on %s, %i of them, by turning what the bench names",
    (linkage, count) => {
      const machine = drawLinked(linkage, count, 1200, seededRandom(40 + count));
      let controls = untouched(machine);
      for (const speed of ["idle", "cruise"] as const) {
        const steps = balanceSteps(count, linkage).filter((step) => step.speed === speed);
        if (steps.length === 0) continue;
        controls = { ...controls, throttle: speed === "idle" ? 0 : 1 };
        const gauges = () => readLinked(machine, controls).depressionsPa;
        for (let turns = 0; turns < 200; turns += 1) {
          const { next, differencesPa } = judgeBalance(gauges(), steps, USUAL_SPREAD_PA);
          const step = next === undefined ? undefined : steps[next];
          if (!step) break;
          // It pulls harder: open it.
          const quarter = (differencesPa[next ?? 0] ?? 0) > 0 ? 0.05 : -0.05;
          const { turn } = step;
          const move = (list: readonly number[], at: number) =>
            list.map((x, i) => (i === at ? x + quarter : x));
          if (turn.kind === "shaftScrew")
            controls = { ...controls, shaftScrews: move(controls.shaftScrews, turn.between[1] - 2) };
          else if (turn.kind === "stopScrew")
            controls = { ...controls, stopScrews: move(controls.stopScrews, turn.of - 1) };
          else controls = { ...controls, cables: move(controls.cables, turn.of - 1) };
        }
        expect(spread(gauges())).toBeLessThanOrEqual(USUAL_SPREAD_PA);
      }
    },
  );
  it("swing about what they settle at", () => {
    const random = seededRandom(4);
    const seen = Array.from({ length: 400 }, (_, i) => swing(30_000, 1200, i * 50, 1, random));
    expect(Math.abs(seen.reduce((sum, x) => sum + x, 0) / 400 / 30_000 - 1)).toBeLessThan(0.01);
    expect(spread(seen)).toBeGreaterThan(3000);
  });
});
