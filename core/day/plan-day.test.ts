import { openCase } from "../advice/judge/case.ts";
import { judgeOver } from "../advice/judge/judge-over.ts";
import { air, at, build, lookWith, plug } from "../__tests__/entries.ts";
import { FRAME, judgeWith, PRIOR } from "../__tests__/judged.ts";
import { aheadOf, airOfWeather, type AirAhead } from "../forecast/air-ahead.ts";
import { forecastOf } from "../forecast/forecast.ts";
import { changedParts } from "../log/settings.ts";
import type { Heat } from "../log/schema.ts";
import { planDay } from "./plan-day.ts";
import { wantedOver } from "./wanted.ts";

const HEATS = [9, 11, 13, 15, 17].map((hour): Heat => ({
  name: `Heat at ${hour}`,
  at: at(`${String(hour).padStart(2, "0")}:00`),
  minutes: 20,
}));

/** A day whose heats climb from the valley by so many metres: what the air does to the parts is plain then. */
function dayThatClimbs(byM: number): (ms: number) => AirAhead {
  const hours = Array.from({ length: 13 }, (_, i) => ({
    at: at(`${String(7 + i).padStart(2, "0")}:00`),
    temperatureK: 290,
    humidity: { kind: "dewPoint" as const, temperatureK: 278 },
    pressure: { kind: "station" as const, pressurePa: 86_300 },
  }));
  const ahead = aheadOf(forecastOf({ at: at("06:00"), hours, elevationM: 1380 }), [], 1380);
  const [from, to] = [Date.parse(at("09:00")), Date.parse(at("17:00"))];
  return (ms) => ahead(ms, 1380 + (byM * (ms - from)) / (to - from));
}

const seen = [
  build(),
  air("0001", "08:30"),
  plug("0001", "08:40", "top", "biscuit"),
  plug("0002", "08:41", "mid", "biscuit"),
  plug("0003", "08:42", "idle", "biscuit"),
  plug("0004", "08:50", "top", "biscuit"),
  plug("0005", "08:51", "mid", "biscuit"),
  plug("0006", "08:52", "idle", "biscuit"),
];
const open = openCase(seen);

describe("the plan of a day", () => {
  it("leaves a steady day alone once it is right", () => {
    const plan = planDay(open, HEATS, dayThatClimbs(0));
    const later = plan.heats.slice(1);
    expect(later.every(({ changes }) => changes.length === 0)).toBe(true);
  });

  it("leans no top that was only felt: once its plug is read it does", () => {
    const [rig] = seen.slice(0, 1);
    if (rig?.kind !== "build") throw new Error("the first is the build");
    const baseline = { ...rig.build.baseline, proven: "guess" as const };
    const guess = [
      { ...rig, build: { ...rig.build, baseline } },
      air("0001", "08:30"),
      plug("0002", "08:41", "mid", "soot"),
      plug("0003", "08:42", "idle", "soot"),
      lookWith("0004", "08:43", { type: "rideReport", felt: { idle: "rich", mid: "rich", top: "rich" } }),
    ];
    const leanest = (...more: typeof guess) => {
      const plan = planDay(openCase([...guess, ...more]), HEATS, dayThatClimbs(0));
      return Math.min(...plan.heats.map(({ setting }) => setting.main)) - baseline.setting.main;
    };
    expect(leanest()).toBeGreaterThanOrEqual(0);
    expect(leanest(plug("0005", "08:50", "top", "soot"))).toBeLessThan(0);
  });

  it("follows a day that climbs by two thousand metres with leaner parts, in few stops, and saves loss", () => {
    const plan = planDay(open, HEATS, dayThatClimbs(2000));
    const [first, last] = [plan.heats[0]?.setting, plan.heats.at(-1)?.setting];
    expect(first && last && (last.main < first.main || last.clip < first.clip)).toBe(true);
    const stops = plan.heats.filter(({ changes }) => changes.length > 0);
    expect(stops.length).toBeLessThanOrEqual(3);
    expect(plan.loss.planned).toBeLessThan(plan.loss.asFitted);
    expect(plan.changes.planned).toBeLessThanOrEqual(plan.changes.eachHeat);
    expect(stops.every(({ gain, chanceBetter }) => gain > 0.05 && chanceBetter >= 0.6)).toBe(true);
    expect(plan.heats.every(({ safe }) => safe)).toBe(true);
    expect(plan.candidates.length).toBeLessThanOrEqual(12);
  });

  it("touches one zone a stop where that is the school", () => {
    const school = {
      id: "school:0001",
      at: at("08:20"),
      kind: "school",
      school: { what: "changes", is: "oneAtATime" },
    } as const;
    const plan = planDay(openCase([...seen, school]), HEATS, dayThatClimbs(2000));
    for (const { changes } of plan.heats) {
      const zones = new Set(
        changes.map(({ part }) =>
          part === "pilot" || part === "screwTurns" ? "idle" : part === "main" ? "top" : "mid",
        ),
      );
      expect(zones.size).toBeLessThanOrEqual(1);
    }
  });

  it("wants less of each part as the air thins, with the doubt of that air", () => {
    const ahead = dayThatClimbs(2000);
    const airs = [8, 10, 12, 14, 16, 18].map((hour) =>
      ahead(Date.parse(at(`${String(hour).padStart(2, "0")}:00`))),
    );
    const moments = wantedOver(
      open,
      airs,
      planDay(open, HEATS, ahead).heats[0]?.setting ?? FRAME.build.baseline.setting,
    );
    const mains = moments.map(({ parts }) => parts.main.value);
    expect(mains.every((main, i) => i === 0 || main <= (mains[i - 1] ?? 0) + 1e-9)).toBe(true);
    expect((mains[0] ?? 0) - (mains.at(-1) ?? 0)).toBeGreaterThan(3);
    for (const { parts } of moments) expect(parts.main.low).toBeLessThanOrEqual(parts.main.high);
  });

  it("cannot be made of no heats", () => {
    expect(() => planDay(open, [], dayThatClimbs(0))).toThrow("a day must have heats, got none");
  });
});

describe("a judge over several airs", () => {
  const { setting } = FRAME.build.baseline;
  const dense = judgeWith(PRIOR, airOfWeather({ temperatureK: 278, dewPointK: 270, pressurePa: 90_000 }));
  const thin = judgeWith(PRIOR, airOfWeather({ temperatureK: 303, dewPointK: 280, pressurePa: 80_000 }));
  const [inDense, inThin] = [dense.judge(setting), thin.judge(setting)];

  it("takes the mean of what each costs, and the doubt between them into its own", () => {
    const both = judgeOver(
      [
        { judge: dense, weight: 1 },
        { judge: thin, weight: 3 },
      ],
      "byChance",
    ).judge(setting);
    expect(both.reachedLoss).toBeCloseTo(0.25 * inDense.reachedLoss + 0.75 * inThin.reachedLoss, 12);
    expect(both.leanRisk).toBeCloseTo(0.25 * inDense.leanRisk + 0.75 * inThin.leanRisk, 12);
    expect(both.zones.top.mean).toBeCloseTo(0.25 * inDense.zones.top.mean + 0.75 * inThin.zones.top.mean, 12);
    expect(both.zones.top.sd).toBeGreaterThan(inDense.zones.top.sd);
    expect(changedParts(both.setting, setting)).toEqual([]);
  });

  it("takes the worst danger of a way along which every air comes", () => {
    const { leanRisk } = judgeOver(
      [
        { judge: dense, weight: 1 },
        { judge: thin, weight: 9 },
      ],
      "theWorst",
    ).judge(setting);
    expect(leanRisk).toBe(Math.max(inDense.leanRisk, inThin.leanRisk));
  });

  it("needs something to judge by", () => {
    expect(() => judgeOver([], "byChance")).toThrow(RangeError);
    expect(() => judgeOver([{ judge: dense, weight: 0 }], "byChance")).toThrow("got 0");
  });
});
