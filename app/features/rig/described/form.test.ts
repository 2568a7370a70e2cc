import { STARTING_KINDS, startingBuild } from "#core/rig/starting-builds.ts";
import { checkBuild } from "#core/rig/check-build.ts";
import type { Build } from "#core/log/schema.ts";
import { ENDURO_BUILD } from "#demo/enduro-build.ts";
import { BuildForm } from "./form.ts";
import { buildTexts, type BuildTexts } from "./texts.ts";

const flow: Build = {
  ...ENDURO_BUILD,
  carburettor: {
    ...ENDURO_BUILD.carburettor,
    slide: { kind: "vacuum", restLiftMm: 3, depressionPa: 2200 },
    mainNumbering: { by: "flow", referenceNumber: 100, referenceDiameterMm: 1 },
    mainAirJetMm: 0.8,
  },
  fuel: { name: "other", density15KgM3: 730, expansionPerK: 0.001, stoichiometric: 13.8 },
  screwWindow: { kind: "fixed", from: 1, to: 2.5 },
  rules: { locked: ["clip", "shimMm"], noWashers: true, onePlug: true, floatMm: { from: 15, to: 17 } },
  plug: { thread: "M14", heatRange: 8, higherIs: "hotter", gapMm: 0.6 },
  breathing: { pipe: "as made", filter: "foam, oiled", lid: "off" },
  assumed: ["carburettor.boreMm", "baseline.setting.main"],
};

const four: Build = {
  ...ENDURO_BUILD,
  engine: { ...ENDURO_BUILD.engine, cylinders: 4, revLimitRpm: 10_500 },
  carburettors: 2,
  others: [
    {
      carburettor: {
        ...flow.carburettor,
        stamp: "B 7",
        pumpBaseTurns: 1.5,
        slideSpringMm: 96,
      },
      setting: { ...ENDURO_BUILD.baseline.setting, main: 160 },
    },
  ],
};

describe("a rig as typed", () => {
  const builds: [string, Build][] = [
    ["the enduro", ENDURO_BUILD],
    ["one of every other variant", flow],
    ["two carburettors, each its own", four],
    ["a twin that fires unevenly", { ...ENDURO_BUILD, firing: "uneven" }],
    ["four alike", { ...ENDURO_BUILD, engine: { ...ENDURO_BUILD.engine, cylinders: 4 }, carburettors: 4 }],
    ...STARTING_KINDS.map((kind): [string, Build] => [kind, startingBuild(kind)]),
  ];
  it.each(builds)("opens and reads back unchanged: %s", (_, build) => {
    expect(BuildForm.parse(buildTexts(build))).toEqual(build);
  });

  it("is read in the units it was typed in, whatever is preferred by then", () => {
    const texts = buildTexts(ENDURO_BUILD, { temperature: "°F", pressure: "inHg" });
    expect(Number(texts.baseline.air.temperatureK)).toBeGreaterThan(32);
    const { temperatureK, pressurePa } = BuildForm.parse(texts).baseline.air;
    expect(temperatureK).toBeCloseTo(ENDURO_BUILD.baseline.air.temperatureK, 4);
    expect(pressurePa).toBeCloseTo(ENDURO_BUILD.baseline.air.pressurePa, 0);
    // Kept by an older build, or spoilt: as it was typed then.
    const old = { ...buildTexts(ENDURO_BUILD), units: undefined as never };
    expect(BuildForm.parse(old)).toEqual(ENDURO_BUILD);
    expect(BuildForm.parse({ ...old, units: { temperature: "K" } as never })).toEqual(ENDURO_BUILD);
  });

  it("takes commas, fractions and units", () => {
    const texts = buildTexts(ENDURO_BUILD);
    texts.carburettor.boreMm = "38,0";
    texts.baseline.setting.screwTurns = "1 3/4";
    texts.baseline.air.temperatureK = "59 °F";
    const build = BuildForm.parse(texts);
    expect(build.baseline.setting.screwTurns).toBe(1.75);
    expect(build.baseline.air.temperatureK).toBeCloseTo(288.15, 6);
  });

  it("marks what is wrong with the second carburettor at the second carburettor", () => {
    const texts = buildTexts(four);
    const second = texts.others[0];
    if (!second) throw new Error("four must have a second carburettor");
    second.carburettor.needleJetMm = "2.5";
    const parsed = BuildForm.safeParse(texts);
    expect(parsed.error?.issues[0]?.path.join(".")).toBe("others.0.carburettor.needleJetMm");
    second.carburettor.needleJetMm = "2.68";
    second.setting.clip = "9";
    expect(BuildForm.safeParse(texts).error?.issues[0]?.path.join(".")).toBe("others.0.setting.clip");
    texts.alike = "yes"; // what was typed for the second waits, and does not count
    expect(BuildForm.parse(texts).others).toBeUndefined();
  });

  it.each([
    [
      "a number that is none",
      (t: BuildTexts) => (t.engine.idleRpm = "slow"),
      "engine.idleRpm",
      "“slow” is not a number",
    ],
    [
      "a missing one",
      (t: BuildTexts) => (t.carburettor.needleJetMm = " "),
      "carburettor.needleJetMm",
      "Type a number here",
    ],
    [
      "carburettors that cannot share the cylinders",
      (t: BuildTexts) => (t.carburettors = "3"),
      "carburettors",
      "carburettors must share the 1 cylinders evenly",
    ],
    [
      "a rev limit below the peak",
      (t: BuildTexts) => (t.engine.revLimitRpm = "7000"),
      "engine.revLimitRpm",
      "rev limit must not lie below peak power",
    ],
    [
      "a float range turned round",
      (t: BuildTexts) => (t.rules.floatMm = { from: "17", to: "15" }),
      "rules.floatMm.from",
      "float range must run from less to more",
    ],
    [
      "jets the wrong way round",
      (t: BuildTexts) => (t.baseline.setting.pilot = "200"),
      "baseline.setting.pilot",
      "pilot jet must be finer than the main jet",
    ],
    [
      "half a plug",
      (t: BuildTexts) => (t.plug = { thread: "M14", heatRange: "8", higherIs: "colder", gapMm: "" }),
      "plug.gapMm",
      "Type a number here",
    ],
    [
      "a bore of a thimble",
      (t: BuildTexts) => (t.carburettor.boreMm = "3"),
      "carburettor.boreMm",
      "Must be at least 8",
    ],
    [
      "half a groove",
      (t: BuildTexts) => (t.baseline.setting.clip = "2.5"),
      "baseline.setting.clip",
      "whole number",
    ],
    [
      "a needle thicker than its jet",
      (t: BuildTexts) => (t.carburettor.needleJetMm = "2.5"),
      "carburettor.needleJetMm",
      "needle must be thinner than its jet",
    ],
    [
      "a needle measured backwards",
      (t: BuildTexts) => t.carburettor.needle.profile.reverse(),
      "carburettor.needle.profile.0.alongMm",
      "needle profile must run towards the tip",
    ],
    [
      "a groove it has not",
      (t: BuildTexts) => (t.baseline.setting.clip = "7"),
      "baseline.setting.clip",
      "clip must be in 1..5, got 7",
    ],
    [
      "an idle above its peak",
      (t: BuildTexts) => (t.engine.peakRpm = "1800"),
      "engine.peakRpm",
      "peak speed must be",
    ],
    [
      "a machine never ridden",
      (t: BuildTexts) => (t.usage = { idle: "0", low: "0", mid: "0", top: "0" }),
      "usage.top",
      "usage must give",
    ],
  ] as [string, (texts: BuildTexts) => unknown, string, string][])(
    "refuses %s at its own field",
    (_, spoil, field, words) => {
      const texts = buildTexts(structuredClone(ENDURO_BUILD));
      spoil(texts);
      const issues = BuildForm.safeParse(texts).error?.issues ?? [];
      const found = issues.find(({ path }) => path.join(".") === field);
      expect(found?.message).toContain(words);
    },
  );
});

describe("where a new rig starts", () => {
  it.each(STARTING_KINDS)("%s is a machine that can be", (kind) => {
    expect(() => checkBuild(startingBuild(kind))).not.toThrow();
    expect(startingBuild(kind).box.mains).toContain(startingBuild(kind).baseline.setting.main);
  });
});
