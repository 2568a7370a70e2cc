import ICAL from "ical.js";
import { air, at, build, plug } from "../../../core/__tests__/entries.ts";
import { openCase } from "#core/advice/judge/case.ts";
import { dayAnswer } from "#core/day/day-answer.ts";
import type { Entry } from "#core/log/schema.ts";
import { RIG, answerOf, freshRig, logged, refusal, sent } from "#app/testing/rig.ts";
import { countdownWords } from "#app/vocabulary/days.ts";
import { Preferences } from "#app/vocabulary/preferences.ts";
import { dayOption } from "./chart.ts";
import { clockText, heatsEvery, heatsForm } from "./form.ts";
import { heatsCalendar } from "./ics.ts";
import { clientAction as keepForecast } from "./forecast.ts";
import { clientAction } from "./route.tsx";
import { airShare, gainWords, sourceWords, totalsWords } from "./words.ts";

const units = Preferences.parse({});
const ROWS = [
  { name: "Heat 2", time: "11:00", minutes: "15" },
  { name: "Heat 1", time: "9.30", minutes: "12,5" },
];
const TYPED = { day: "2026-05-24", place: "Quai Nord", elevation: "4", heats: ROWS };

describe("heats as typed", () => {
  it("are put in the order of the clock", () => {
    const read = heatsForm("m").parse(TYPED);
    expect(read.heats.map(({ name, minutes }) => [name, minutes])).toEqual([
      ["Heat 1", 12.5],
      ["Heat 2", 15],
    ]);
    expect(read.heats[0]?.at).toMatch(/^2026-05-24T09:30:00[+-]\d\d:\d\d$/);
    expect(read.elevationM).toBe(4);
  });

  it.each([
    ["9:05", "09:05"],
    ["09.05", "09:05"],
    ["14h30", "14:30"],
    ["24:00", undefined],
    ["9", undefined],
    ["", undefined],
  ])("read %j as %j", (text, clock) => expect(clockText(text)).toBe(clock));

  it("are laid out in one go", () => {
    expect(heatsEvery("9:30", 45, 3, "15").map(({ name, time }) => `${name} ${time}`)).toEqual([
      "Heat 1 09:30",
      "Heat 2 10:15",
      "Heat 3 11:00",
    ]);
    expect(heatsEvery("23:00", 60, 3, "15").map(({ time }) => time)).toEqual(["23:00", "23:59", "23:59"]);
    expect(() => heatsEvery("soon", 60, 3, "15")).toThrow("first start must be a time, got soon");
  });
});

const FORECAST = {
  place: "Quai Nord",
  elevationM: 4,
  file: "hours.csv",
  simulated: false,
  hours: [8, 12, 16].map((hour) => ({
    at: `2026-05-24T${String(hour).padStart(2, "0")}:00:00+02:00`,
    temperatureK: 285 + hour / 2,
    humidity: { kind: "relative", fraction: 0.6 },
    pressure: { kind: "seaLevel", pressurePa: 101_500 },
  })),
};

describe("what the day keeps", () => {
  beforeEach(() => freshRig([build(), air("0001", "08:30")]));

  it("is the heats, and a forecast with its hours", async () => {
    const there = { status: 302, location: `/rigs/${RIG}/day` };
    expect(answerOf(await clientAction(sent(TYPED)))).toEqual(there);
    expect((await logged()).at(-1)).toMatchObject({ kind: "heats", place: "Quai Nord", elevationM: 4 });
    expect(answerOf(await keepForecast(sent(FORECAST)))).toEqual(there);
    expect((await logged()).at(-1)).toMatchObject({ kind: "forecast", hours: FORECAST.hours });
  });

  it.each([
    ["a time", { heats: [{ ...ROWS[0], time: "noon" }] }, "heats.0.time", "A time, such as 14:30."],
    ["minutes", { heats: [{ ...ROWS[0], minutes: "0" }] }, "heats.0.minutes", "Minutes, 1 to 600."],
    ["a name", { heats: [{ ...ROWS[0], name: " " }] }, "heats.0.name", "A name, such as Heat 1."],
    ["a day", { day: "tomorrow" }, "day", "A day, such as 2026-05-23."],
    ["a day of this century", { day: "0001-05-23" }, "day", "A day, such as 2026-05-23."],
    ["a height", { elevation: "high" }, "elevation", "“high” is not a number."],
    ["a height on earth", { elevation: "9000" }, "elevation", "Must lie between -430 m and 5500 m."],
    ["one heat", { heats: [] }, "heats", "Name one heat at least."],
  ])("must have %s, and says so at its field", async (_, change, field, words) => {
    const { fields } = await refusal(async () => clientAction(sent({ ...TYPED, ...change })));
    expect(fields?.[field]).toBe(words);
  });

  it.each([
    ["no hours", { hours: [] }],
    ["an hour that is none", { hours: [{ ...FORECAST.hours[0], at: "soon" }, FORECAST.hours[1]] }],
    ["air nobody breathes", { hours: [{ ...FORECAST.hours[0], temperatureK: 20 }, FORECAST.hours[1]] }],
    ["a place without end", { place: "x".repeat(61) }],
  ])("is no forecast with %s", async (_, change) => {
    const { message } = await refusal(async () => keepForecast(sent({ ...FORECAST, ...change })));
    expect(message).toContain("This forecast cannot be read.");
  });
});

const heats: Entry = {
  id: "heats:0001",
  at: at("08:50"),
  kind: "heats",
  place: "Col de la Brume",
  elevationM: 1380,
  heats: [10, 12, 14].map((hour, i) => ({ name: `Heat ${i + 1}`, at: at(`${hour}:00`), minutes: 15 })),
};
const answer = () => {
  const looks = [plug("0001", "08:40", "top", "umber"), plug("0002", "08:41", "mid", "cocoa")];
  const told = dayAnswer(openCase([build(), air("0001", "08:30"), ...looks, heats]));
  if (!told) throw new Error("no day");
  return told;
};

describe("a planned day", () => {
  it("opens in a calendar: an event a heat, with its card, and a warning where something changes", async () => {
    const { plan } = answer();
    const text = await heatsCalendar({
      plan,
      rig: "27 · 250 enduro",
      place: "Col de la Brume",
      id: "heats-0001",
      madeAt: new Date(at("09:00")),
    });
    const calendar = new ICAL.Component(ICAL.parse(text) as unknown[]);
    const events = calendar.getAllSubcomponents("vevent").map((event) => new ICAL.Event(event));
    expect(events.map(({ uid }) => uid)).toEqual([
      "heats-0001-1@tamis",
      "heats-0001-2@tamis",
      "heats-0001-3@tamis",
    ]);
    expect(events.map(({ startDate }) => startDate.toJSDate().toISOString())).toEqual(
      [10, 12, 14].map((hour) => new Date(at(`${hour}:00`)).toISOString()),
    );
    const [first] = events;
    expect(first?.endDate.toJSDate().getTime()).toBe(Date.parse(at("10:15")));
    expect(first?.location).toBe("Col de la Brume");
    expect(first?.summary).toMatch(/^Heat 1: (Main jet|Clip|Mixture screw) .+ → /);
    expect(first?.description).toContain(`Main: ${plan.heats[0]?.setting.main}`);
    const alarms = calendar
      .getAllSubcomponents("vevent")
      .map((event) => event.getAllSubcomponents("valarm").length);
    expect(alarms).toEqual(plan.heats.map(({ changes }) => (changes.length > 0 ? 1 : 0)));
  });

  it("says where its air is known from, and what following every air would take", () => {
    const { source, plan } = answer();
    expect(sourceWords(source, units)).toBe(
      "No forecast for that time. The plan uses your last reading at Col de la Brume, less sure with every hour.",
    );
    expect(totalsWords(plan)).toMatch(/^(Nothing to change|\d+ changes? of parts) all day/);
    const learnt = { temperatureK: 2.3, dewPointK: 0, pressurePa: -120 };
    const told = { kind: "forecast", place: "Quai Nord", readings: 2, learnt, short: true } as const;
    expect(sourceWords(told, units)).toBe(
      "By the forecast for Quai Nord. 2 readings of the place counted. Your last reading was 2.3 °C warmer and 1 hPa lower than the forecast. The plan uses your reading. The forecast misses part of the day. For the rest it keeps what it knew last, with more doubt.",
    );
    expect(sourceWords({ kind: "usual", readings: 0, short: false }, units)).toContain("No air was read");
  });

  it("says of a change how sure it is and what it is worth", () => {
    const { plan } = answer();
    const [card] = plan.heats;
    if (!card) throw new Error("no heat");
    expect(gainWords({ ...card, gain: 0.75, chanceBetter: 0.82, safe: true, ridden: 3 })).toBe(
      "Better with 82 %, worth 2 % of mixture in each of 3 heats.",
    );
    expect(gainWords({ ...card, gain: -1, safe: false })).toContain("start richer");
    expect(airShare(1.1, 1.2, 0.006)).toBe("91.7 % ± 0.6");
  });

  it("counts down to a heat, and is over when it is", () => {
    const start = Date.parse(at("10:00"));
    const words = (minutesBefore: number) => countdownWords(start, 15, start - 60_000 * minutesBefore);
    expect([12, 99, 130, 0, -14, -15, 60 * 24 * 3].map(words)).toEqual([
      "in 12 min",
      "in 99 min",
      "in 2 h 10",
      "now",
      "now",
      undefined,
      "in 3 days",
    ]);
  });

  it("is drawn with a band about the air, and the planned part from heat to heat", () => {
    const { plan, moments } = answer();
    const option = dayOption({ plan, moments, part: "main", baseKgM3: 1 }) as {
      series: { name: string; data: [string, number][] }[];
      aria: { label: { description: string } };
    };
    expect(option.aria.label.description).toMatch(
      /^Air, per cent of the day your setting was right: \d+\.\d at \d\d:\d\d to \d+\.\d at \d\d:\d\d\. Main wanted: /,
    );
    const named = (name: string) => option.series.find((one) => one.name === name)?.data ?? [];
    expect(named("Air that burns")).toHaveLength(moments.length);
    expect(named("Planned").map(([, main]) => main)).toEqual([
      ...plan.heats.map(({ setting }) => setting.main),
      plan.heats.at(-1)?.setting.main,
    ]);
    for (const [, wide] of named("Air that burns to")) expect(wide).toBeGreaterThan(0);
    for (const [, wide] of named("wanted to")) expect(wide).toBeGreaterThanOrEqual(0);
  });
});
