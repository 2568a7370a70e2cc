import { openCase } from "../advice/judge/case.ts";
import { air, build, fit, plug } from "../__tests__/entries.ts";
import { ZONES } from "../carburettor/zones.ts";
import type { Entry } from "../log/schema.ts";
import { compareDays, comparableDays } from "./compare-days.ts";

const on = (day: string, entry: Entry): Entry => ({
  ...entry,
  id: `${entry.id}${day.slice(-2)}`,
  at: `${day}${entry.at.slice(10)}`,
});
const FIRST = "2026-05-21";
const SECOND = "2026-05-22";
const steady: Entry[] = [
  on("2026-05-01", build()),
  on(FIRST, air("0001", "09:00")),
  on(FIRST, plug("0001", "09:30", "top", "biscuit")),
];
const totals = (entries: readonly Entry[]) => {
  const compared = compareDays(openCase(entries), FIRST, SECOND);
  for (const zone of ZONES) {
    const { a, b, air: byAir, parts, engine } = compared;
    expect(byAir[zone] + parts[zone] + engine[zone]).toBeCloseTo(b.zones[zone].mean - a.zones[zone].mean, 9);
  }
  return compared;
};

describe("two days side by side", () => {
  it("differ by nothing in the same air with the same parts", () => {
    const { air: byAir, parts, engine } = totals([...steady, on(SECOND, air("0002", "09:00"))]);
    for (const zone of ZONES) for (const part of [byAir, parts, engine]) expect(part[zone]).toBeCloseTo(0, 6);
  });

  it("owe to the air what thinner air does: richer", () => {
    const thin = on(SECOND, air("0002", "09:00", { pressurePa: 78_000 }));
    const { air: byAir, parts } = totals([...steady, thin]);
    expect(byAir.top).toBeLessThan(-0.03);
    expect(parts.top).toBeCloseTo(0, 9);
  });

  it("owe to the parts what a smaller main does: leaner, most of all at the top", () => {
    const { parts, air: byAir } = totals([
      ...steady,
      on(SECOND, air("0002", "09:00")),
      on(SECOND, fit("0001", "09:10", 155)),
    ]);
    expect(parts.top).toBeGreaterThan(0.02);
    expect(parts.top).toBeGreaterThan(parts.idle);
    expect(byAir.top).toBeCloseTo(0, 9);
  });

  it("owe to the engine, or to what is known of it, what the looks of the second day say", () => {
    const { engine, b } = totals([
      ...steady,
      on(SECOND, air("0002", "09:00")),
      on(SECOND, plug("0002", "09:30", "top", "soot")),
    ]);
    expect(b.looks).toBe(1);
    expect(b.zones.top.mean).toBeLessThan(-0.03);
    expect(engine.top).toBeLessThan(-0.03);
    expect(Math.abs(engine.idle)).toBeLessThan(Math.abs(engine.top));
  });

  it("can be any on which an air was read, the newest first", () => {
    const open = openCase([...steady, on(SECOND, air("0002", "09:00"))]);
    expect(comparableDays(open)).toEqual([SECOND, FIRST]);
    expect(() => compareDays(open, FIRST, "2026-05-23")).toThrow(
      "day must be one on which an air was read, got 2026-05-23",
    );
  });
});
