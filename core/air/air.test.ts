import fc from "fast-check";
import { toSI } from "../units/quantity.ts";
import { densityAltitude, powerLeft } from "./air-worth.ts";
import { looksLikeSeaLevel, standardPressure, stationPressureFromSetting } from "./barometer.ts";
import { humidAir } from "./humid-air.ts";
import { humidityFromDewPoint, humidityFromWetBulb } from "./humidity.ts";
import { saturationVapourPressure } from "./saturation-vapour-pressure.ts";

// [°C, Pa, humidity, density, dry density, vapour pressure]: the paper's equations worked a second time,
// in another language with 30-digit decimal arithmetic.
const CIPM_CHECK = [
  [20, 101325, 0.5, 1.199314491, 1.190631109, 1174.28989],
  [15, 101325, 0.5, 1.221631664, 1.215190407, 856.18414],
  [0, 101325, 0.8, 1.290696546, 1.2868005, 490.82897],
  [35, 101325, 0.9, 1.124223033, 1.088425099, 5088.71227],
  [30, 84556, 0.4, 0.964549829, 0.952358428, 1705.13917],
  [-30, 50000, 1, 0.716477401, 0.716021281, 51.15498],
  [55, 110000, 1, 1.105075493, 1.000307879, 15852.93763],
  [55, 50000, 0, 0.530839408, 0.530839408, 0],
  [24, 86300, 0.46, 1.005967573, 0.995912844, 1378.40488],
  [27, 60000, 0.2, 0.693391241, 0.688223625, 715.6657],
  [-5, 98000, 0.95, 1.272031417, 1.268779205, 402.20025],
  [40, 101000, 0.15, 1.119160713, 1.111458128, 1112.91593],
] as const;

const celsius = (t: number) => toSI("temperature", t, "°C");
const anyAir = fc.record({
  temperatureK: fc.double({ min: 243.15, max: 328.15, noNaN: true }),
  pressurePa: fc.double({ min: 50_000, max: 110_000, noNaN: true }),
  relativeHumidity: fc.double({ min: 0, max: 1, noNaN: true }),
});
const seeded = { seed: 20260523, numRuns: 300 };

describe("moist air", () => {
  it.each(CIPM_CHECK)(
    "at %d °C, %d Pa, humidity %d agrees with a second computation",
    (t, p, h, rho, dry, pv) => {
      const air = humidAir({ temperatureK: celsius(t), pressurePa: p, relativeHumidity: h });
      expect(Math.abs(air.densityKgM3 / rho - 1)).toBeLessThan(1e-8);
      expect(Math.abs(air.dryDensityKgM3 / dry - 1)).toBeLessThan(1e-8);
      expect(air.vapourPressurePa).toBeCloseTo(pv, 4);
    },
  );

  it("says when it leaves the formula's own domain", () => {
    const at = (t: number, pressurePa: number) =>
      humidAir({ temperatureK: celsius(t), pressurePa, relativeHumidity: 0.5 }).extrapolated;
    expect([at(20, 101_325), at(10, 101_325), at(30, 101_325), at(20, 59_000)]).toEqual([
      false,
      true,
      true,
      true,
    ]);
  });

  it("thins with heat, with height and with damp, and never yields a NaN", () => {
    fc.assert(
      fc.property(anyAir, (air) => {
        const here = humidAir(air);
        for (const value of Object.values(here)) expect(value).not.toBeNaN();
        expect(here.dryDensityKgM3).toBeGreaterThan(0);
        expect(here.dryDensityKgM3).toBeLessThanOrEqual(here.densityKgM3);
        if (air.temperatureK < 327)
          expect(humidAir({ ...air, temperatureK: air.temperatureK + 1 }).dryDensityKgM3).toBeLessThan(
            here.dryDensityKgM3,
          );
        if (air.pressurePa < 109_000)
          expect(humidAir({ ...air, pressurePa: air.pressurePa + 500 }).dryDensityKgM3).toBeGreaterThan(
            here.dryDensityKgM3,
          );
        if (air.relativeHumidity < 0.9)
          expect(
            humidAir({ ...air, relativeHumidity: air.relativeHumidity + 0.1 }).dryDensityKgM3,
          ).toBeLessThan(here.dryDensityKgM3);
      }),
      seeded,
    );
  });

  it("refuses every value outside its ranges, with name, rule and value", () => {
    const good = { temperatureK: 293.15, pressurePa: 101_325, relativeHumidity: 0.5 };
    expect(() => humidAir({ ...good, temperatureK: 20 })).toThrow(
      "temperature must be in 243.15..328.15 K, got 20",
    );
    expect(() => humidAir({ ...good, pressurePa: 1013 })).toThrow(
      "pressure must be in 50000..110000 Pa, got 1013",
    );
    expect(() => humidAir({ ...good, relativeHumidity: 50 })).toThrow("humidity must be in 0..1, got 50");
    for (const key of ["temperatureK", "pressurePa", "relativeHumidity"] as const)
      for (const bad of [NaN, Infinity, -Infinity, -1])
        expect(() => humidAir({ ...good, [key]: bad })).toThrow(RangeError);
  });
});

describe("humidity from other instruments", () => {
  it("is 100 % when dew point or wet bulb equal the temperature, and falls as they part", () => {
    expect(humidityFromDewPoint(celsius(20), celsius(20))).toBe(1);
    expect(humidityFromWetBulb(celsius(20), celsius(20), 101_325)).toBe(1);
    expect(humidityFromDewPoint(celsius(20), celsius(9.27))).toBeCloseTo(0.5, 3);
  });

  it("reads the psychrometer as its published tables do", () => {
    // Aspirated psychrometer tables at 1000 hPa: dry 20.0, wet 15.0 -> 59 %; dry 30.0, wet 20.0 -> 40 %.
    expect(humidityFromWetBulb(celsius(20), celsius(15), 100_000)).toBeCloseTo(0.59, 2);
    expect(humidityFromWetBulb(celsius(30), celsius(20), 100_000)).toBeCloseTo(0.4, 1);
  });

  it("refuses bulbs that do not belong together", () => {
    expect(() => humidityFromDewPoint(celsius(10), celsius(12))).toThrow(
      "dew point must give a humidity in 0..1",
    );
    expect(() => humidityFromWetBulb(celsius(40), celsius(5), 101_325)).toThrow("wet bulb must give");
  });
});

describe("barometer", () => {
  it("follows the standard atmosphere", () => {
    // ISO 2533 table: geopotential height against pressure.
    expect(standardPressure(0)).toBe(101_325);
    expect(standardPressure(1000) / 89_874.6).toBeCloseTo(1, 4);
    expect(standardPressure(3000) / 70_108.5).toBeCloseTo(1, 4);
  });

  it("takes an altimeter setting to the place and agrees with the standard atmosphere at 1013.25 hPa", () => {
    expect(stationPressureFromSetting(101_325, 0)).toBeCloseTo(101_325, 6);
    for (const h of [300, 1000, 2500])
      expect(stationPressureFromSetting(101_325, h) / standardPressure(h)).toBeCloseTo(1, 4);
  });

  it("suspects sea-level pressure above 300 m only", () => {
    expect(looksLikeSeaLevel(101_800, 1380)).toBe(true);
    expect(looksLikeSeaLevel(101_800, 120)).toBe(false);
    expect(looksLikeSeaLevel(86_300, 1380)).toBe(false);
  });

  it("refuses heights and settings nobody can have", () => {
    expect(() => standardPressure(9000)).toThrow("elevation must be in -430..5500 m, got 9000");
    expect(() => stationPressureFromSetting(1013, 100)).toThrow("altimeter setting");
  });
});

describe("what the air is worth", () => {
  it("gives the density altitude back for the standard atmosphere", () => {
    // ISO 2533 densities.
    expect(densityAltitude(1.225)).toBeCloseTo(0, 6);
    expect(densityAltitude(1.1117)).toBeCloseTo(1000, -1);
    expect(densityAltitude(0.9093)).toBeCloseTo(3000, -1);
  });

  it("gives rated power at the rating conditions and less on a mountain", () => {
    const rated = humidAir({ temperatureK: 298.15, pressurePa: 99_000, relativeHumidity: 0 });
    expect(powerLeft(rated)).toBeCloseTo(1, 9);
    const mountain = humidAir({ temperatureK: 303.15, pressurePa: 84_556, relativeHumidity: 0.4 });
    expect(powerLeft(mountain)).toBeGreaterThan(0.75);
    expect(powerLeft(mountain)).toBeLessThan(0.85);
  });

  it("refuses a density that is none", () => {
    expect(() => densityAltitude(0)).toThrow("density must be a number above 0, got 0");
    expect(() => saturationVapourPressure(NaN)).toThrow(RangeError);
  });
});
