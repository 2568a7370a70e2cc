import fc from "fast-check";
import { humidAir } from "../air/humid-air.ts";
import { airFlow } from "./air-flow.ts";
import { checkRig, type Carburettor, type Rig, type Setting } from "./carburettor.ts";
import { FUELS, fuelDensity } from "./fuel.ts";
import { correctedJetNumber, holeArea, jetArea } from "./jet.ts";
import { prepareShift, shiftAt } from "./mixture-shift.ts";
import { buildModel, feedAt, pointAt } from "./model.ts";
import { needleDiameter } from "./needle.ts";
import { nozzle } from "./nozzle.ts";
import { butterflyArea, segmentArea } from "./opening.ts";
import { WORKED_EXAMPLE } from "../__tests__/worked-example.ts";

const seeded = { seed: 20260524, numRuns: 150 };
const between = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const base = WORKED_EXAMPLE.baseline;
const withCarburettor = (change: Partial<Carburettor>): Rig => ({
  ...WORKED_EXAMPLE,
  carburettor: { ...WORKED_EXAMPLE.carburettor, ...change },
});
const VACUUM = withCarburettor({
  slide: { kind: "vacuum", restLiftM: 0.003, depressionPa: 2200 },
  screw: "fuel",
});

const anySetting = fc.record({
  pilot: between(30, 70),
  screwTurns: between(0, 5),
  clip: fc.integer({ min: 1, max: 5 }),
  main: between(90, 220),
  shimM: between(-0.0005, 0.0005),
});
const anyAir = fc
  .record({
    temperatureK: between(243.15, 328.15),
    pressurePa: between(60_000, 110_000),
    relativeHumidity: between(0, 1),
  })
  .map(humidAir);
function builds(rig: Rig): boolean {
  try {
    buildModel(rig);
    return true;
  } catch {
    return false;
  }
}
/** Rigs of both kinds of slide and screw that the model accepts: no small engine behind a huge bore. */
const anyRig: fc.Arbitrary<Rig> = fc
  .record({
    bore: between(0.018, 0.044),
    vacuum: fc.boolean(),
    screw: fc.constantFrom("air" as const, "fuel" as const),
    litres: between(0.05, 0.45),
    turns: fc.constantFrom(1 as const, 2 as const),
    needleJet: between(0.0024, 0.0032),
    gap: between(0.00008, 0.0002),
    drilled: fc.boolean(),
    airJet: between(0.0004, 0.0018),
    flow: fc.boolean(),
    fuel: fc.constantFrom(...Object.values(FUELS)),
  })
  .map((r): Rig => ({
    engine: { displacementM3: r.litres / 1000, turnsPerCycle: r.turns, idleRpm: 1500, peakRpm: 9000 },
    carburettor: {
      ...WORKED_EXAMPLE.carburettor,
      boreM: r.bore,
      slide: r.vacuum
        ? { kind: "vacuum", restLiftM: 0.003, depressionPa: 2200 }
        : { kind: "manual", idleLiftM: 0.002, cutawayM: 0.003 },
      needleJetM: r.needleJet,
      needle: {
        ...WORKED_EXAMPLE.carburettor.needle,
        profile: [
          { alongM: 0, diameterM: r.needleJet - r.gap },
          { alongM: 0.012, diameterM: r.needleJet - r.gap },
          { alongM: 0.04, diameterM: r.needleJet - r.gap - 0.001 },
        ],
      },
      screw: r.screw,
      mainAirJetM: r.airJet,
      pilotAirJetM: r.airJet,
      emulsionTubeDrilled: r.drilled,
      mainNumbering: r.flow
        ? { by: "flow", referenceNumber: 100, referenceDiameterM: 0.001 }
        : { by: "diameter" },
    },
    fuel: r.fuel,
    baseline: WORKED_EXAMPLE.baseline,
  }))
  .filter(builds);

describe("jets", () => {
  it("move by the root of the correction when numbered by diameter, by all of it when by flow", () => {
    const byFlow = { by: "flow", referenceNumber: 100, referenceDiameterM: 0.001 } as const;
    expect(Math.round(correctedJetNumber(165, 0.87, { by: "diameter" }))).toBe(154);
    expect(Math.round(correctedJetNumber(165, 0.87, byFlow))).toBe(144);
    for (const numbering of [{ by: "diameter" } as const, byFlow])
      expect(
        jetArea(correctedJetNumber(165, 0.87, numbering), numbering) / jetArea(165, numbering),
      ).toBeCloseTo(0.87, 12);
  });

  it("are holes", () => {
    expect(jetArea(100, { by: "diameter" })).toBeCloseTo(Math.PI * 0.25e-6, 15);
    expect(() => jetArea(0, { by: "diameter" })).toThrow("jet number must be a number above 0, got 0");
    expect(() => holeArea(NaN)).toThrow(RangeError);
  });
});

describe("openings", () => {
  it("are a full circle at full lift and half of it at half lift", () => {
    expect(segmentArea(0.038, 0.038)).toBeCloseTo(holeArea(0.038), 12);
    expect(segmentArea(0.038, 0.019)).toBeCloseTo(holeArea(0.038) / 2, 12);
    expect(segmentArea(0.038, 0)).toBe(0);
    expect(() => segmentArea(0.038, 0.039)).toThrow("lift must be in 0..0.038 m");
  });

  it("grow with the throttle past a butterfly too", () => {
    const areas = [0, 0.25, 0.5, 0.75, 1].map((throttle) => butterflyArea(0.034, throttle));
    expect([...areas].sort((a, b) => a - b)).toEqual(areas);
    expect(areas[0]).toBeGreaterThan(0);
  });
});

describe("needle", () => {
  it("is interpolated between measured points and keeps its end diameters", () => {
    const { needle } = WORKED_EXAMPLE.carburettor;
    expect(needleDiameter(needle, -0.001)).toBeCloseTo(0.00252, 12);
    expect(needleDiameter(needle, 0.0175)).toBeCloseTo(0.002385, 9);
    expect(needleDiameter(needle, 0.1)).toBeCloseTo(0.00155, 12);
  });
});

describe("air flow", () => {
  it("balances throttle and swallow: a second root finder agrees", () => {
    // At the root, the mass the throttle passes equals what the engine swallows at that pressure.
    for (const throttle of [0, 0.1, 0.3, 0.6, 1]) {
      const { massFlowKgS, pressureRatio } = airFlow(
        WORKED_EXAMPLE.carburettor,
        WORKED_EXAMPLE.engine,
        base.air,
        throttle,
      );
      const n = 1700 + 6800 * Math.sqrt(throttle);
      expect(massFlowKgS).toBeCloseTo(0.8 * 250e-6 * (n / 60) * base.air.densityKgM3 * pressureRatio, 12);
      const x = Math.max(pressureRatio, 0.5282817877);
      const psi = Math.sqrt(7 * (x ** (2 / 1.4) - x ** (2.4 / 1.4)));
      const area = segmentArea(0.038, Math.max(0.002, throttle * 0.038));
      const passed = ((0.75 * area * 101_325) / Math.sqrt((8.314472 / 0.02896546) * 288.15)) * psi;
      expect(passed / massFlowKgS).toBeCloseTo(1, 6);
    }
  });

  it("holds the depression of a vacuum slide while it floats, and lifts it as the throttle opens", () => {
    const { carburettor, engine } = VACUUM;
    const states = [0.1, 0.2, 0.35, 0.6].map((throttle) =>
      nozzle(carburettor, base.air, airFlow(carburettor, engine, base.air, throttle), throttle),
    );
    const floating = states.filter(({ liftM }) => liftM > 0.00301 && liftM < 0.0379);
    expect(floating.length).toBeGreaterThan(0);
    for (const state of floating) expect(state.depressionPa).toBeCloseTo(2200, 3);
    states
      .slice(1)
      .forEach((state, i) => expect(state.liftM).toBeGreaterThanOrEqual(states[i]?.liftM ?? NaN));
  });
});

describe("who feeds", () => {
  it("adds to 1 at every opening of any rig in any air, and no number is a NaN", () => {
    fc.assert(
      fc.property(anyRig, anySetting, anyAir, between(0, 1), (rig, setting, air, throttle) => {
        const model = buildModel(rig);
        const { authority, fuelKgS, lnAirFuel } = feedAt(model, setting, pointAt(rig, air, throttle));
        expect(authority.pilot + authority.needle + authority.main).toBeCloseTo(1, 12);
        for (const share of Object.values(authority)) expect(share).toBeGreaterThanOrEqual(0);
        expect(fuelKgS).toBeGreaterThan(0);
        expect(Number.isFinite(lnAirFuel)).toBe(true);
      }),
      seeded,
    );
  });

  it("is the derivative of the fuel by each part's area", () => {
    const model = buildModel(WORKED_EXAMPLE);
    const h = 1e-5;
    for (const throttle of [0, 0.18, 0.45, 0.95]) {
      const point = pointAt(WORKED_EXAMPLE, base.air, throttle);
      const fuel = (change: Partial<Setting>) =>
        Math.log(feedAt(model, { ...base.setting, ...change }, point).fuelKgS);
      // A jet by diameter has an area that goes with the square of its number.
      const slope = (part: "pilot" | "main") =>
        (fuel({ [part]: base.setting[part] * (1 + h) }) - fuel({ [part]: base.setting[part] * (1 - h) })) /
        (4 * h);
      const { authority } = feedAt(model, base.setting, point);
      expect(slope("pilot")).toBeCloseTo(authority.pilot, 6);
      expect(slope("main")).toBeCloseTo(authority.main, 6);
    }
  });

  it("gives the pilot 85 % of the idle fuel at any baseline", () => {
    fc.assert(
      fc.property(anyRig, (rig) => {
        const model = buildModel(rig);
        const { authority } = feedAt(model, rig.baseline.setting, pointAt(rig, rig.baseline.air, 0));
        expect(authority.pilot).toBeCloseTo(0.85, 9);
      }),
      seeded,
    );
  });
});

describe("mixture shift", () => {
  it("is nought for the baseline in its own air", () => {
    fc.assert(
      fc.property(anyRig, between(0, 1), (rig, throttle) => {
        const model = buildModel(rig);
        const [point] = prepareShift(model, rig.baseline.air, [throttle]);
        expect(point && shiftAt(model, rig.baseline.setting, point).shift).toBe(0);
      }),
      seeded,
    );
  });

  it("goes the way every part goes: bigger jets and a higher needle richer, the screw by its kind", () => {
    fc.assert(
      fc.property(anyRig, anySetting, anyAir, between(0, 1), (rig, setting, air, throttle) => {
        const model = buildModel(rig);
        const point = prepareShift(model, air, [throttle])[0];
        if (!point) throw new Error("no point");
        const at = (change: Partial<Setting>) => shiftAt(model, { ...setting, ...change }, point).shift;
        const here = at({});
        const tiny = 1e-12;
        expect(at({ main: setting.main * 1.03 })).toBeLessThanOrEqual(here + tiny);
        expect(at({ pilot: setting.pilot * 1.05 })).toBeLessThanOrEqual(here + tiny);
        if (setting.clip < 5) expect(at({ clip: setting.clip + 1 })).toBeLessThanOrEqual(here + tiny);
        expect(at({ shimM: setting.shimM + 0.0003 })).toBeLessThanOrEqual(here + tiny);
        const out = at({ screwTurns: setting.screwTurns + 0.25 });
        if (rig.carburettor.screw === "air") expect(out).toBeGreaterThanOrEqual(here - tiny);
        else expect(out).toBeLessThanOrEqual(here + tiny);
      }),
      seeded,
    );
  });

  it("leaves an air jet behind an undrilled tube dead, and lets it lean a drilled one", () => {
    const flow = (change: Partial<Carburettor>) => {
      const rig = withCarburettor(change);
      return feedAt(buildModel(rig), base.setting, pointAt(rig, base.air, 0.95)).fuelKgS;
    };
    const bare = flow({});
    expect(flow({ mainAirJetM: 0.001, emulsionTubeDrilled: false })).toBe(bare);
    expect(flow({ mainAirJetM: 0.001, emulsionTubeDrilled: true })).toBeLessThan(bare);
  });
});

describe("impossible rigs", () => {
  it.each([
    ["a needle as thick as its jet", { needleJetM: 0.0025 }, "needle must be thinner than its jet"],
    ["a bore of nothing", { boreM: 0 }, "bore must be in 0.008..0.08 m, got 0"],
    ["no height of fuel that is a number", { fuelDropM: NaN }, "fuel drop must be in 0..0.05 m, got NaN"],
    [
      "a slide that idles wide open",
      { slide: { kind: "manual", idleLiftM: 0.03, cutawayM: 0.004 } },
      "idle lift",
    ],
    [
      "a spring of steel",
      { slide: { kind: "vacuum", restLiftM: 0.003, depressionPa: 1e6 } },
      "slide depression",
    ],
  ] as [string, Partial<Carburettor>, string][])("refuses %s", (_, change, message) => {
    expect(() => buildModel(withCarburettor(change))).toThrow(message);
    expect(() => buildModel(withCarburettor(change))).toThrow(RangeError);
  });

  it("refuses a needle out of order and a groove it does not have", () => {
    const { needle } = WORKED_EXAMPLE.carburettor;
    const swapped = withCarburettor({ needle: { ...needle, profile: [...needle.profile].reverse() } });
    expect(() => checkRig(swapped)).toThrow("needle profile must run towards the tip");
    const model = buildModel(WORKED_EXAMPLE);
    const point = pointAt(WORKED_EXAMPLE, base.air, 0.5);
    expect(() => feedAt(model, { ...base.setting, clip: 6 }, point)).toThrow("clip must be in 1..5, got 6");
    expect(() => feedAt(model, { ...base.setting, main: -1 }, point)).toThrow(
      "main jet must be a number above 0",
    );
    expect(() => feedAt(model, { ...base.setting, screwTurns: NaN }, point)).toThrow(
      "screw must be in 0..10 turns",
    );
    expect(() => pointAt(WORKED_EXAMPLE, base.air, 1.01)).toThrow("throttle must be in 0..1, got 1.01");
  });

  it("refuses an engine too small to lift fuel through such a bore", () => {
    const engine = { displacementM3: 20e-6, turnsPerCycle: 2 as const, idleRpm: 800, peakRpm: 8000 };
    expect(() => buildModel({ ...WORKED_EXAMPLE, engine })).toThrow(
      "idle depression must lift fuel over 0.012 m",
    );
  });

  it("refuses an engine or a fuel that is none", () => {
    const engine = { ...WORKED_EXAMPLE.engine, peakRpm: 1700 };
    expect(() => checkRig({ ...WORKED_EXAMPLE, engine })).toThrow(
      "peak speed must be in 2040..25000 rpm, got 1700",
    );
    expect(() => fuelDensity({ ...FUELS.petrol, density15KgM3: -1 }, 288.15)).toThrow(RangeError);
  });
});
