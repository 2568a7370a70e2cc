/** Days to come as no service and no receiver would tell them, but as a file may: whatever the schema lets in is answered. */
import fc from "fast-check";
import { openCase } from "../advice/judge/case.ts";
import { air, at, build, twin } from "../__tests__/entries.ts";
import { dayAnswer } from "../day/day-answer.ts";
import { ForecastEntry, HeatsEntry, RouteEntry, type Entry } from "../log/schema.ts";
import { packAnswer } from "../pack/pack-answer.ts";
import { routeAnswer } from "./route-answer.ts";

const runs = { seed: 20261126, numRuns: 12 };
const within = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const instant = fc
  .integer({ min: Date.UTC(2026, 4, 20), max: Date.UTC(2026, 4, 27) })
  .map((ms) => new Date(ms).toISOString());
const hour = fc.record({
  at: instant,
  temperatureK: within(243.15, 328.15),
  humidity: fc.oneof(
    fc.record({ kind: fc.constant("relative"), fraction: within(0, 1) }),
    fc.record({ kind: fc.constant("dewPoint"), temperatureK: within(200, 330) }),
  ),
  pressure: fc.oneof(
    fc.record({ kind: fc.constant("station"), pressurePa: within(50_000, 110_000) }),
    fc.record({ kind: fc.constant("seaLevel"), pressurePa: within(85_000, 110_000) }),
  ),
});
const elevationM = within(-430, 5500);
const forecast = fc.record({
  id: fc.constant("forecast:0001"),
  at: instant,
  kind: fc.constant("forecast"),
  place: fc.constantFrom("", "Quai Nord"),
  elevationM,
  file: fc.constant("x.csv"),
  hours: fc.array(hour, { minLength: 2, maxLength: 12 }),
});
const heats = fc.record({
  id: fc.constant("heats:0001"),
  at: fc.constant(at("09:00")),
  kind: fc.constant("heats"),
  place: fc.constant(""),
  elevationM,
  heats: fc.array(fc.record({ name: fc.constant("Heat"), at: instant, minutes: within(1, 600) }), {
    minLength: 1,
    maxLength: 6,
  }),
});
const route = fc
  .array(fc.tuple(within(0, 3000), elevationM, within(0, 900)), { minLength: 2, maxLength: 12 })
  .map((steps) => {
    let [alongM, seconds] = [0, 0];
    const points = steps.map(([far, height, long]) => {
      [alongM, seconds] = [alongM + far, seconds + long];
      return { alongM, elevationM: height, seconds };
    });
    return { id: "route:0001", at: at("09:00"), kind: "route", name: "Way", startAt: at("10:00"), points };
  });

/** Every number anywhere in an answer is one. */
function allFinite(value: unknown): boolean {
  if (typeof value === "number") return Number.isFinite(value);
  if (ArrayBuffer.isView(value)) return Array.from(value as Float64Array).every(Number.isFinite);
  if (typeof value !== "object" || value === null) return true;
  return Object.values(value).every(allFinite);
}

const rigs: readonly Entry[][] = [[build(), air("0001", "08:30")], [twin(), air("0001", "08:30")], [build()]];

describe("whatever a log may hold of days to come", () => {
  it("is planned by without a NaN: heats in any air, at any height, in any order", () => {
    fc.assert(
      fc.property(forecast, heats, fc.constantFrom(...rigs), (told, list, rig) => {
        const entries = [...rig, ForecastEntry.parse(told), HeatsEntry.parse(list)];
        const answer = dayAnswer(openCase(entries));
        expect(answer?.plan.heats).toHaveLength(list.heats.length);
        expect(allFinite(answer)).toBe(true);
      }),
      runs,
    );
  });

  it("is ridden over without a NaN: ways that jump, stand still, or lead nowhere", () => {
    fc.assert(
      fc.property(forecast, route, fc.constantFrom(...rigs), (told, way, rig) => {
        const open = openCase([...rig, ForecastEntry.parse(told), RouteEntry.parse(way)]);
        expect(allFinite(routeAnswer(open, "route:0001"))).toBe(true);
      }),
      runs,
    );
  });

  it("is packed for without a NaN", () => {
    fc.assert(
      fc.property(forecast, elevationM, fc.constantFrom(...rigs), (told, height, rig) => {
        const open = openCase([...rig, ForecastEntry.parse(told)]);
        const asked = { kind: "event", fromAt: at("08:00"), toAt: at("19:00"), elevationM: height } as const;
        const list = packAnswer(open, asked);
        expect(allFinite(list)).toBe(true);
        expect(list.wanted.main.length).toBeGreaterThan(0);
      }),
      { ...runs, numRuns: 5 },
    );
  });
});
