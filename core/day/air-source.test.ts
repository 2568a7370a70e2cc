import { openCase } from "../advice/judge/case.ts";
import { air, at, build } from "../__tests__/entries.ts";
import type { Entry, ForecastEntry } from "../log/schema.ts";
import { airSource } from "./air-source.ts";

const forecast = (id: string, change: Partial<ForecastEntry> = {}): Entry => ({
  id: `forecast:${id}`,
  at: at("07:00"),
  kind: "forecast",
  place: "Col de la Brume",
  elevationM: 1380,
  file: "hours.csv",
  hours: ["08:00", "12:00", "18:00"].map((time) => ({
    at: at(time),
    temperatureK: 295.15,
    humidity: { kind: "relative", fraction: 0.46 },
    pressure: { kind: "station", pressurePa: 86_300 },
  })),
  ...change,
});
const WHEN = { elevationM: 1380, fromMs: Date.parse(at("09:00")), toMs: Date.parse(at("17:00")) };
const source = (entries: readonly Entry[], change: object = {}) => {
  const { present, build: rig } = openCase([build("06:00"), ...entries]);
  return airSource(present, rig, { ...WHEN, ...change });
};

describe("where the air of a day is known from", () => {
  it("is the newest forecast, with the day's readings of that height taken in", () => {
    const told = source([forecast("0001"), forecast("0002"), air("0001", "08:30")]);
    expect(told).toMatchObject({ kind: "forecast", entryId: "forecast:0002", readings: 1, short: false });
    expect(told.learnt?.temperatureK).toBeCloseTo(2, 6);
    expect(told.airAt(Date.parse(at("08:40"))).air.temperatureK).toBeGreaterThan(296.5);
  });

  it("is that place's own before a newer one of another place", () => {
    const entries = [forecast("0001"), forecast("0002", { place: "Quai Nord" })];
    expect(source(entries, { place: "col de la brume" }).entryId).toBe("forecast:0001");
    expect(source(entries).entryId).toBe("forecast:0002");
  });

  it("is one that tells all of the day before one that tells less", () => {
    const half = forecast("0002", { hours: (forecast("x001") as ForecastEntry).hours.slice(0, 2) });
    expect(source([forecast("0001"), half])).toMatchObject({ entryId: "forecast:0001", short: false });
    expect(source([half])).toMatchObject({ entryId: "forecast:0002", short: true });
  });

  it("is the air that was read last where none tells of that day, and the baseline's where none was read", () => {
    const other = {
      fromMs: Date.parse(at("09:00", "2026-06-23")),
      toMs: Date.parse(at("17:00", "2026-06-23")),
    };
    expect(source([forecast("0001"), air("0001", "08:30")], other)).toMatchObject({
      kind: "held",
      entryId: "air:0001",
    });
    expect(source([], other)).toMatchObject({ kind: "usual", readings: 0 });
  });

  it("does not take a paddock's hundred metres for an error of the forecast", () => {
    const below = {
      ...air("0001", "08:30", { temperatureK: 295.15, pressurePa: 87_304 }),
      elevationM: 1280,
    } as Entry;
    const { learnt, readings } = source([forecast("0001"), below]);
    expect(readings).toBe(1);
    // 86 300 Pa at 1380 m are 87 304 at 1280: by the barometric formula at 295.5 K, a second way.
    expect(Math.abs(learnt?.pressurePa ?? Infinity)).toBeLessThan(15);
  });

  it("takes no reading of another height, and none that was struck through", () => {
    const valley = { ...air("0001", "08:30"), elevationM: 380 } as Entry;
    expect(source([forecast("0001"), valley]).readings).toBe(0);
    const strike: Entry = {
      id: "strike:0001",
      at: at("08:31"),
      kind: "strike",
      strikes: "air:0001",
      why: "",
    };
    expect(source([forecast("0001"), air("0001", "08:30"), strike]).readings).toBe(0);
  });
});
