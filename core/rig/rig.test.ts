import { standardPressure } from "../air/barometer.ts";
import { jetArea } from "../carburettor/jet.ts";
import { AirEntry, type Build } from "../log/schema.ts";
import { air } from "../__tests__/entries.ts";
import { ENDURO_BUILD } from "../../demo/enduro-build.ts";
import { checkBuild } from "./check-build.ts";
import { checkSettingOn } from "./check-setting.ts";
import { airStateFromLog, humidAirFromLog, rigFromBuild, settingFromLog } from "./from-build.ts";

const carburettor = (change: Partial<Build["carburettor"]>): Build => ({
  ...ENDURO_BUILD,
  carburettor: { ...ENDURO_BUILD.carburettor, ...change },
});

describe("from the log to the model", () => {
  it("turns millimetres into metres and strokes into turns", () => {
    const rig = rigFromBuild(ENDURO_BUILD);
    expect(rig.engine).toEqual({ displacementM3: 250e-6, turnsPerCycle: 1, idleRpm: 1700, peakRpm: 8500 });
    expect(rig.carburettor.boreM).toBeCloseTo(0.038, 12);
    expect(rig.carburettor.needle.profile[2]?.diameterM).toBeCloseTo(0.00225, 12);
    expect(settingFromLog({ ...ENDURO_BUILD.baseline.setting, shimMm: 0.3 }).shimM).toBeCloseTo(0.0003, 12);
    expect(
      rigFromBuild({ ...ENDURO_BUILD, engine: { ...ENDURO_BUILD.engine, strokes: 4 } }).engine.turnsPerCycle,
    ).toBe(2);
  });

  it("knows a vacuum slide, jets by flow, air jets and a fuel of one's own", () => {
    const build = carburettor({
      slide: { kind: "vacuum", restLiftMm: 3, depressionPa: 2200 },
      mainNumbering: { by: "flow", referenceNumber: 100, referenceDiameterMm: 1 },
      mainAirJetMm: 0.8,
      pilotAirJetMm: 1.2,
    });
    const fuel = { name: "other", density15KgM3: 730, expansionPerK: 0.001, stoichiometric: 13.8 } as const;
    const rig = rigFromBuild({ ...build, fuel });
    expect(rig.carburettor.slide).toEqual({ kind: "vacuum", restLiftM: 0.003, depressionPa: 2200 });
    expect(
      jetArea(200, rig.carburettor.mainNumbering) / jetArea(100, rig.carburettor.mainNumbering),
    ).toBeCloseTo(2, 12);
    expect([rig.carburettor.mainAirJetM, rig.carburettor.pilotAirJetM]).toEqual([0.0008, 0.0012]);
    expect(rig.fuel.stoichiometric).toBe(13.8);
  });

  it("works the air out from whatever was read", () => {
    const base = AirEntry.parse(air("0001", "08:30"));
    expect(airStateFromLog(base)).toEqual({
      temperatureK: 297.15,
      pressurePa: 86_300,
      relativeHumidity: 0.46,
    });
    expect(airStateFromLog({ ...base, pressure: { kind: "standard" } }).pressurePa).toBe(
      standardPressure(1380),
    );
    const seaLevel = airStateFromLog({ ...base, pressure: { kind: "seaLevel", pressurePa: 101_325 } });
    expect(seaLevel.pressurePa / standardPressure(1380)).toBeCloseTo(1, 4);
    const dew = airStateFromLog({ ...base, humidity: { kind: "dewPoint", temperatureK: 297.15 } });
    expect(dew.relativeHumidity).toBe(1);
    const wet = airStateFromLog({ ...base, humidity: { kind: "wetBulb", temperatureK: 290.15 } });
    expect(wet.relativeHumidity).toBeGreaterThan(0.4);
    expect(wet.relativeHumidity).toBeLessThan(0.6);
    expect(humidAirFromLog(base).dryDensityKgM3).toBeCloseTo(0.99591, 4);
  });

  it("wants the height where the pressure is not the station's", () => {
    const { temperatureK, humidity } = AirEntry.parse(air("0001", "08:30"));
    expect(() => airStateFromLog({ temperatureK, humidity, pressure: { kind: "standard" } })).toThrow(
      "elevation must be given",
    );
  });
});

describe("machines that cannot be", () => {
  it.each([
    [
      "a needle thicker than its jet at the tip",
      carburettor({ needleJetMm: 2.5 }),
      "needle must be thinner than its jet",
    ],
    [
      "jets in the wrong order",
      {
        ...ENDURO_BUILD,
        baseline: { ...ENDURO_BUILD.baseline, setting: { ...ENDURO_BUILD.baseline.setting, pilot: 170 } },
      },
      "pilot jet must be finer than the main jet, got 170 and 165",
    ],
    [
      "a needle that grows thicker towards its tip",
      carburettor({
        needle: {
          ...ENDURO_BUILD.carburettor.needle,
          profile: [
            { alongMm: 0, diameterMm: 2.4 },
            { alongMm: 20, diameterMm: 2.5 },
          ],
        },
      }),
      "needle profile must not grow thicker towards its tip, got 2.4 then 2.5 mm",
    ],
    [
      "a needle measured out of order",
      carburettor({
        needle: {
          ...ENDURO_BUILD.carburettor.needle,
          profile: [
            { alongMm: 20, diameterMm: 2.4 },
            { alongMm: 10, diameterMm: 2.3 },
          ],
        },
      }),
      "needle profile",
    ],
    [
      "a baseline clip the needle has not",
      {
        ...ENDURO_BUILD,
        baseline: { ...ENDURO_BUILD.baseline, setting: { ...ENDURO_BUILD.baseline.setting, clip: 8 } },
      },
      "clip must be in 1..5, got 8",
    ],
    [
      "a reference clip the needle has not",
      carburettor({ needle: { ...ENDURO_BUILD.carburettor.needle, referenceClip: 9 } }),
      "reference clip must be in 1..5, got 9",
    ],
    [
      "an idle above its peak",
      { ...ENDURO_BUILD, engine: { ...ENDURO_BUILD.engine, idleRpm: 8000, peakRpm: 8500 } },
      "peak speed must be in 9600..25000 rpm",
    ],
  ] as [string, Build, string][])("are refused: %s", (_, build, words) => {
    expect(() => checkBuild(build)).toThrow(words);
    expect(() => checkBuild(build)).toThrow(RangeError);
  });

  it("are told from those that can, and so are settings", () => {
    expect(() => checkBuild(ENDURO_BUILD)).not.toThrow();
    expect(() =>
      checkSettingOn(ENDURO_BUILD, { ...ENDURO_BUILD.baseline.setting, clip: 1, main: 140 }),
    ).not.toThrow();
    expect(() => checkSettingOn(ENDURO_BUILD, { ...ENDURO_BUILD.baseline.setting, clip: 6 })).toThrow(
      "clip must be",
    );
  });
});
