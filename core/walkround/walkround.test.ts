import { humidAir } from "../air/humid-air.ts";
import { buildModel, feedAt, pointAt } from "../carburettor/model.ts";
import type { BaseSheet, Build } from "../log/schema.ts";
import { CHECKS, FINDINGS, MEASURES } from "../log/walk-round-names.ts";
import { rigFromBuild, settingFromLog } from "../rig/from-build.ts";
import { ENDURO_BUILD } from "../../demo/enduro-build.ts";
import { CHECK_PLAN, gravest } from "./checks.ts";
import { alignment } from "./concentricity.ts";
import { judgeFloat, wetLevelEffect } from "./float.ts";
import { limitFor, sideOf } from "./limits.ts";
import { overflowCauses } from "./overflow.ts";
import { judgePins } from "./pin-gauge.ts";
import { propose } from "./proposal.ts";

const FITTED = { pilot: 45, main: 165 };
const SHEET: BaseSheet = {
  stamp: "A 12",
  source: "manual, page 41",
  setting: ENDURO_BUILD.baseline.setting,
  limits: { floatLeftMm: { min: 15, max: 17, source: "manual, page 41" } },
};
const seen = (
  measured: Parameters<typeof propose>[1]["measured"],
  findings: Parameters<typeof propose>[1]["findings"] = [],
) => ({ measured, findings });

describe("the plan", () => {
  it("knows all thirteen checks, and asks for every measure and finding somewhere", () => {
    expect(Object.keys(CHECK_PLAN)).toEqual([...CHECKS]);
    const measured = new Set(CHECKS.flatMap((check) => CHECK_PLAN[check].measures));
    const found = new Set(CHECKS.flatMap((check) => Object.keys(CHECK_PLAN[check].findings)));
    expect(MEASURES.filter((measure) => !measured.has(measure))).toEqual([]);
    expect(FINDINGS.filter((finding) => !found.has(finding))).toEqual([]);
  });
  it("takes the gravest of several states", () => {
    expect(gravest(["pass", "stop", "notes"])).toBe("stop");
    expect(gravest(["pass", "notes"])).toBe("notes");
    expect(gravest([])).toBe("pass");
  });
});

describe("limits", () => {
  const ruled: Build = {
    ...ENDURO_BUILD,
    rules: { locked: [], noWashers: false, onePlug: false, floatMm: { from: 16, to: 16.5 } },
  };
  it("come from the rule book before the sheet, from the sheet before common practice", () => {
    expect(limitFor("floatLeftMm", ruled, SHEET)).toMatchObject({ from: "rules", min: 16, max: 16.5 });
    expect(limitFor("floatLeftMm", ENDURO_BUILD, SHEET)).toMatchObject({ from: "sheet", min: 15 });
    expect(limitFor("cableSlackMm", ENDURO_BUILD, SHEET)).toMatchObject({ from: "usual" });
    expect(limitFor("floatRightMm", ENDURO_BUILD, SHEET)).toMatchObject({ from: "sheet", max: 17 });
  });
  it("are never made up where they belong to a make", () => {
    for (const measure of ["floatLeftMm", "floatDropMm", "fuelFlowMlMin", "slideSpringMm"] as const)
      expect(limitFor(measure, ENDURO_BUILD)).toBeUndefined();
  });
  it("follow the plug and the spring that the rig describes", () => {
    const plug = { thread: "M14", heatRange: 8, higherIs: "colder" as const, gapMm: 0.6 };
    expect(limitFor("plugGapMm", { ...ENDURO_BUILD, plug })).toMatchObject({
      min: 0.6 - 0.05,
      max: 0.6 + 0.05,
    });
    const carburettor = { ...ENDURO_BUILD.carburettor, slideSpringMm: 100 };
    expect(limitFor("slideSpringMm", { ...ENDURO_BUILD, carburettor })).toMatchObject({ min: 95 });
  });
  it("tell below from above, ends included, and refuse what is no number", () => {
    const limit = { min: 1, max: 2 };
    expect([0.99, 1, 2, 2.01].map((value) => sideOf(value, limit))).toEqual([
      "below",
      "within",
      "within",
      "above",
    ]);
    expect(() => sideOf(NaN, limit)).toThrow(RangeError);
  });
});

describe("the float", () => {
  const limit = { min: 15, max: 17 };
  it("that stands too low inverted is bent towards the valve, and too high away from it", () => {
    expect(judgeFloat({ leftMm: 14 }, limit)).toMatchObject({ bend: "towardsValve", moveMm: 2 });
    expect(judgeFloat({ leftMm: 18 }, limit)).toMatchObject({ bend: "awayFromValve", moveMm: -2 });
    expect(judgeFloat({ leftMm: 16 }, limit)).toMatchObject({ bend: "none", moveMm: 0 });
  });
  it("of two has a mean, and says when they are not alike", () => {
    expect(judgeFloat({ leftMm: 15.5, rightMm: 16.5 }, limit)).toMatchObject({
      meanMm: 16,
      parallel: false,
      bend: "none",
    });
    expect(judgeFloat({ leftMm: 16, rightMm: 16.4 }).parallel).toBe(true);
  });
  it("refuses heights that are none", () => {
    expect(() => judgeFloat({ leftMm: -1 })).toThrow("float height, left must be in 0..80 mm, got -1");
    expect(() => judgeFloat({ leftMm: 16, rightMm: NaN })).toThrow(RangeError);
  });
});

describe("fuel level and mixture", () => {
  const model = buildModel(rigFromBuild(ENDURO_BUILD));
  const setting = settingFromLog(ENDURO_BUILD.baseline.setting);
  const air = humidAir(ENDURO_BUILD.baseline.air);
  const effect = (mm: number) => wetLevelEffect(model, setting, air, mm);

  it("a lower level is leaner everywhere, a higher one richer, most where the depression is least: wide open", () => {
    const lower = effect(3);
    const higher = effect(-3);
    for (const zone of ["idle", "low", "mid", "top"] as const) {
      expect(lower[zone]).toBeGreaterThan(0);
      expect(higher[zone]).toBeLessThan(0);
    }
    expect(lower.top).toBeGreaterThan(lower.low);
    expect(effect(0)).toEqual({ idle: 0, low: 0, mid: 0, top: 0 });
  });
  it("agrees at the top with both paths' heads of fuel worked out by hand", () => {
    const point = pointAt(model.rig, air, 0.95);
    const { authority } = feedAt(model, setting, point);
    const head = (mm: number) => (point.fuelDensityKgM3 * 9.80665 * mm) / 1000;
    const atJet = point.nozzle.depressionPa;
    const atOutlet = (model.pilotSignal * point.vacuumPa) / 2; // 1.5 turns of air screw: b = 1
    const grown = (signal: number) => Math.sqrt((signal - head(15)) / (signal - head(12)));
    const fuel = (1 - authority.pilot) * grown(atJet) + authority.pilot * grown(atOutlet);
    expect(effect(3).top).toBeCloseTo(-Math.log(fuel), 9);
  });
  it("refuses a level above the nozzle's lip and one out of the world", () => {
    expect(() => effect(-15)).toThrow("nozzle above fuel must be in 0..0.05 m");
    expect(() => effect(40)).toThrow("change of fuel level must be in -20..20 mm, got 40");
  });
});

describe("pin gauges", () => {
  const by = { by: "diameter" } as const;
  it("agree with the stamp, or find a drilled or a blocked jet", () => {
    expect(judgePins(1.64, 1.66, 165, by).verdict).toBe("asStamped");
    expect(judgePins(1.7, 1.72, 165, by).verdict).toBe("drilled");
    expect(judgePins(1.5, 1.6, 165, by).verdict).toBe("blocked");
    expect(judgePins(1.64, 1.66, 165, by).stampedMm).toBeCloseTo(1.65, 12);
  });
  it("hold a flow number against the hole it stands for", () => {
    const flow = { by: "flow", referenceNumber: 100, referenceDiameterM: 0.001 } as const;
    expect(judgePins(1.4, 1.42, 200, flow)).toMatchObject({ verdict: "asStamped" }); // √2 mm
    expect(judgePins(1.9, 2.1, 200, flow)).toMatchObject({ verdict: "drilled" });
  });
  it("refuse pins in the wrong order", () => {
    expect(() => judgePins(1.7, 1.6, 165, by)).toThrow("go pin must be thinner than the no-go pin");
    expect(() => judgePins(0, 1.6, 165, by)).toThrow("go pin must be in 0.1..5 mm, got 0");
  });
});

describe("concentricity", () => {
  it("finds a carburettor that sits low, and a bore that is merely smaller", () => {
    const low = alignment({ topMm: 0.8, bottomMm: -0.8, leftMm: 0, rightMm: 0 });
    expect(low).toMatchObject({ upMm: 0.8, toLeftMm: 0, offsetMm: 0.8, radiusStepMm: 0 });
    const small = alignment({ topMm: 0.4, bottomMm: 0.4, leftMm: 0.4, rightMm: 0.4 });
    expect(small.offsetMm).toBe(0);
    expect(small.radiusStepMm).toBeCloseTo(0.4, 12);
    expect(alignment({ topMm: 0.3, bottomMm: -0.3, leftMm: 0.4, rightMm: -0.4 }).offsetMm).toBeCloseTo(
      0.5,
      12,
    );
    expect(() => alignment({ topMm: 30, bottomMm: 0, leftMm: 0, rightMm: 0 })).toThrow(RangeError);
  });
});

describe("overflow", () => {
  it("from the side drain points to the seat, from the stand-pipe of a shaking engine to vibration", () => {
    expect(overflowCauses({ from: "sideDrain", when: "standing" })[0]).toBe("dirtInSeat");
    expect(overflowCauses({ from: "standPipe", when: "roughRunning" })[0]).toBe("vibration");
    expect(overflowCauses({ from: "standPipe", when: "leaning" })[0]).toBe("angle");
    for (const from of ["sideDrain", "standPipe"] as const)
      for (const when of ["standing", "idling", "roughRunning", "leaning"] as const) {
        const causes = overflowCauses({ from, when });
        expect(causes.length).toBeGreaterThan(0);
        expect(new Set(causes).size).toBe(causes.length);
      }
  });
});

describe("the state a check comes to", () => {
  const state = (...args: Parameters<typeof propose>) => propose(...args).state;
  it("is a pass when nothing was found, a stop for an open choke", () => {
    expect(state("choke", seen({ chokeSlackMm: 2 }), ENDURO_BUILD, FITTED)).toBe("pass");
    expect(state("choke", seen({}, ["chokePartOpen"]), ENDURO_BUILD, FITTED)).toBe("stop");
    expect(state("breathing", seen({}, ["filterDirty"]), ENDURO_BUILD, FITTED)).toBe("notes");
  });
  it("names the measure and the side of a float outside the manual's limits", () => {
    expect(propose("floatHeight", seen({ floatLeftMm: 14 }), ENDURO_BUILD, FITTED, SHEET)).toEqual({
      state: "stop",
      outside: [{ measure: "floatLeftMm", side: "below" }],
    });
    expect(state("floatHeight", seen({ floatLeftMm: 14 }), ENDURO_BUILD, FITTED)).toBe("pass");
    expect(
      state("floatHeight", seen({ floatLeftMm: 15, floatRightMm: 17 }), ENDURO_BUILD, FITTED, SHEET),
    ).toBe("notes");
  });
  it("stops on a jet that is not what its stamp says, and notes axes that are apart", () => {
    const pins = { mainGoMm: 1.7, mainNoGoMm: 1.72 };
    expect(state("passages", seen(pins), ENDURO_BUILD, FITTED)).toBe("stop");
    expect(state("passages", seen(pins), ENDURO_BUILD, { pilot: 45, main: 171 })).toBe("pass");
    const steps = { stepTopMm: 0.4, stepBottomMm: -0.4, stepLeftMm: 0.4, stepRightMm: -0.4 };
    expect(state("airLeaks", seen(steps), ENDURO_BUILD, FITTED)).toBe("notes");
    expect(state("airLeaks", seen({ stepTopMm: 2 }), ENDURO_BUILD, FITTED)).toBe("stop");
  });
});
