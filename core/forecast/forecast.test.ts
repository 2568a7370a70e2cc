import { stationPressureFromMean } from "../air/barometer.ts";
import { dewPointOf, humidityFromDewPoint } from "../air/humidity.ts";
import type { ForecastEntry } from "../log/schema.ts";
import { seededRandom } from "../numbers/random.ts";
import { drawDay, forecastFor } from "../simulator/forecasts.ts";
import { aheadOf, airOfWeather, heldAir, type Reading } from "./air-ahead.ts";
import { forecastOf } from "./forecast.ts";

const HOUR = 3_600_000;
const MIDNIGHT = Date.UTC(2026, 4, 23);
const iso = (hour: number) => new Date(MIDNIGHT + hour * HOUR).toISOString();

const entry = (
  hours: ForecastEntry["hours"],
  elevationM = 0,
): Pick<ForecastEntry, "at" | "hours" | "elevationM"> => ({
  at: iso(0),
  elevationM,
  hours,
});
const hour = (
  at: number,
  celsius: number,
  fraction: number,
  hPa = 1013.25,
): ForecastEntry["hours"][number] => ({
  at: iso(at),
  temperatureK: 273.15 + celsius,
  humidity: { kind: "relative", fraction },
  pressure: { kind: "seaLevel", pressurePa: 100 * hPa },
});

describe("a forecast between its hours", () => {
  it("goes in dew point: air that warms over a damp morning does not gain water", () => {
    // The same water at 10 and at 20 °C: 90 % and, by Magnus, about 47 %.
    const dew = dewPointOf(283.15, 0.9);
    const noon = humidityFromDewPoint(293.15, dew);
    const forecast = forecastOf(entry([hour(6, 10, 0.9), hour(12, 20, noon)]));
    const between = forecast.at(MIDNIGHT + 9 * HOUR, 0);
    expect(between.temperatureK).toBeCloseTo(288.15, 6);
    expect(between.dewPointK).toBeCloseTo(dew, 3);
    // Humidity itself would have been taken as the mean of both, with seven per cent more water.
    const { relativeHumidity } = airOfWeather(between);
    expect(relativeHumidity).toBeCloseTo(humidityFromDewPoint(288.15, dew), 3);
    expect((0.9 + noon) / 2 / relativeHumidity).toBeGreaterThan(1.04);
  });

  it("keeps the sea's pressure and brings it to the height with that day's warmth", () => {
    const forecast = forecastOf(entry([hour(6, 30, 0.4), hour(12, 30, 0.4)]));
    const up = forecast.at(MIDNIGHT + 9 * HOUR, 1500);
    expect(up.temperatureK).toBeCloseTo(303.15 - 9.75, 6);
    // By the barometric formula at the mean of both temperatures, a second way.
    const mean = (303.15 + up.temperatureK) / 2;
    expect(up.pressurePa / (101_325 * Math.exp((-9.80665 * 1500) / (287.05 * mean)))).toBeCloseTo(1, 3);
  });

  it("turns a station's own pressure to the sea and back without losing any", () => {
    const at = { ...hour(6, 18, 0.5), pressure: { kind: "station" as const, pressurePa: 86_300 } };
    const forecast = forecastOf(entry([at, { ...at, at: iso(12) }], 1380));
    expect(forecast.at(MIDNIGHT + 8 * HOUR, 1380).pressurePa).toBeCloseTo(86_300, 6);
    expect(stationPressureFromMean(101_325, 0, 290)).toBe(101_325);
  });

  it("refuses a height nobody rides at and a moment that is none", () => {
    const forecast = forecastOf(entry([hour(6, 10, 0.9), hour(12, 20, 0.5)]));
    expect(() => forecast.at(Number.NaN, 0)).toThrow(RangeError);
    expect(() => forecast.at(MIDNIGHT, 9000)).toThrow("elevation must be in -430..5500 m, got 9000");
  });
});

describe("its doubt", () => {
  const forecast = forecastOf(entry(Array.from({ length: 25 }, (_, i) => hour(i, 15 + i / 4, 0.6))));
  const warmer: Reading = {
    ms: MIDNIGHT + 8 * HOUR,
    weather: {
      ...forecast.at(MIDNIGHT + 8 * HOUR, 0),
      temperatureK: forecast.at(MIDNIGHT + 8 * HOUR, 0).temperatureK + 3,
    },
  };

  it("grows with the time ahead and shrinks with a reading, most of all near it", () => {
    const blind = aheadOf(forecast, [], 0);
    const told = aheadOf(forecast, [warmer], 0);
    const sd = (ahead: typeof blind, at: number) => ahead(MIDNIGHT + at * HOUR).lnDrySd;
    expect(sd(blind, 20)).toBeGreaterThan(sd(blind, 8) * 1.1);
    expect(sd(told, 8.2)).toBeLessThan(0.5 * sd(blind, 8.2));
    expect(sd(told, 20)).toBeLessThan(sd(blind, 20));
    expect(sd(told, 20)).toBeGreaterThan(sd(told, 10));
  });

  it("learns how far the day is off, and believes less of it hours later", () => {
    const told = aheadOf(forecast, [warmer], 0);
    const off = (at: number) =>
      told(MIDNIGHT + at * HOUR).air.temperatureK - forecast.at(MIDNIGHT + at * HOUR, 0).temperatureK;
    expect(off(8)).toBeGreaterThan(2.2);
    expect(off(8)).toBeLessThan(3);
    expect(off(20)).toBeGreaterThan(1);
    expect(off(20)).toBeLessThan(off(10));
  });

  it("is wider across a gap, and wider away from the height that was told", () => {
    const gap = forecastOf(entry([hour(6, 15, 0.6), hour(16, 20, 0.5)]));
    const ahead = aheadOf(gap, [], 0);
    expect(ahead(MIDNIGHT + 11 * HOUR).sd.temperatureK).toBeGreaterThan(
      1.4 * ahead(MIDNIGHT + 6 * HOUR).sd.temperatureK,
    );
    expect(ahead(MIDNIGHT + 6 * HOUR, 1500).sd.temperatureK).toBeGreaterThan(
      ahead(MIDNIGHT + 6 * HOUR).sd.temperatureK,
    );
  });

  it("is as wide as the simulated service errs, and shrinks as its readings come", () => {
    const off = { blind: [] as number[], told: [] as number[] };
    for (let seed = 1; seed <= 150; seed += 1) {
      const random = seededRandom(seed);
      const day = drawDay(400, random);
      const hours = forecastFor(day, { midnightMs: MIDNIGHT, offsetMin: 0, madeAt: -6, hours: 24 }, random);
      const told = forecastOf({ at: iso(-6), elevationM: 400, hours });
      const at = MIDNIGHT + 15 * HOUR;
      const true_ = Math.log(airOfWeather(day.at(15)).dryDensityKgM3);
      const readings = [9, 12, 14].map((h) => ({ ms: MIDNIGHT + h * HOUR, weather: day.at(h) }));
      for (const [name, known] of [
        ["blind", []],
        ["told", readings],
      ] as const) {
        const { air, lnDrySd } = aheadOf(told, known, 400)(at);
        off[name].push((Math.log(air.dryDensityKgM3) - true_) / lnDrySd);
      }
    }
    for (const list of Object.values(off)) {
      const spread = Math.sqrt(list.reduce((sum, z) => sum + z * z, 0) / list.length);
      expect(spread).toBeGreaterThan(0.75);
      expect(spread).toBeLessThan(1.25);
    }
  });

  it("stands in for a forecast where there is none: the air that was read, less sure the later", () => {
    const held = heldAir(warmer, 0);
    expect(held(warmer.ms).air.temperatureK).toBeCloseTo(warmer.weather.temperatureK, 6);
    expect(held(warmer.ms + 6 * HOUR).lnDrySd).toBeGreaterThan(3 * held(warmer.ms).lnDrySd);
  });
});
