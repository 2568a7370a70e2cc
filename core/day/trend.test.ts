import { openCase } from "../advice/judge/case.ts";
import { air, build, plug } from "../__tests__/entries.ts";
import { PRIOR_SD } from "../belief/unknowns.ts";
import type { Tone } from "../log/parts.ts";
import type { Entry } from "../log/schema.ts";
import { trendOf } from "./trend.ts";

const on = (day: string, entry: Entry): Entry => ({
  ...entry,
  id: `${entry.id}${day.slice(-2)}`,
  at: `${day}${entry.at.slice(10)}`,
});
const dayWith = (day: string, tone: Tone): Entry[] => [
  on(day, air("0001", "09:00")),
  on(day, plug("0001", "09:30", "top", tone)),
  on(day, plug("0002", "10:30", "top", tone)),
];

describe("how an engine has moved", () => {
  const start = on("2026-05-01", build());

  it("has no day before anybody has looked", () => {
    expect(trendOf(openCase([start])).days).toEqual([]);
  });

  it("is surer of a path with every day that it was looked at, and follows what the looks say", () => {
    const { days, instruments } = trendOf(
      openCase([
        start,
        ...dayWith("2026-05-10", "soot"),
        ...dayWith("2026-05-20", "soot"),
        ...dayWith("2026-05-21", "soot"),
      ]),
    );
    expect(days.map(({ day }) => day)).toEqual(["2026-05-10", "2026-05-20", "2026-05-21"]);
    const [first, , last] = days.map(({ engine }) => engine.main);
    expect(first?.sd).toBeLessThan(PRIOR_SD.main);
    expect(last?.sd).toBeLessThan(first?.sd ?? 0);
    // Soot at the top again and again: less lean than the model says, and more so.
    expect(first?.mean).toBeLessThan(0);
    expect(last?.mean).toBeLessThan(first?.mean ?? 0);
    expect(instruments.map(({ kind }) => kind)).toEqual(["reader"]);
    expect(days.every((day) => day.instruments.length === 1)).toBe(true);
  });
});
