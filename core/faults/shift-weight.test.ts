/** The rank-one step against two other ways: sites that are exactly normal by an integral, and all looks taken anew. */
import { air, at, build, fitPart, lookWith, plug } from "../__tests__/entries.ts";
import { replay, type Replayed, type MatchedEvidence } from "../belief/replay.ts";
import type { Entry } from "../log/schema.ts";
import { foldPossible } from "../rig/check-log.ts";
import { lnShiftsWeight, lnShiftWeight, shiftParabola } from "./shift-weight.ts";
import { lnBayesFactor } from "./bayes-factor.ts";

const lambda = (id: string, time: string, zone: "idle" | "mid" | "top", value: number, day?: string): Entry =>
  lookWith(id, time, { type: "lambda", zone, lambda: value, sensor: "inside" }, day);
const replayOf = (...entries: Entry[]): Replayed =>
  replay(foldPossible([build(), air("0001", "08:30"), ...entries]));

const DAY2 = "2026-05-30";
const POINTS = [1, 1.5, 2].map((turns) => ({ turns, rpm: 1700 }));
const bench = (id: string, time: string, middleTurns: number, day?: string): Entry =>
  lookWith(
    id,
    time,
    {
      type: "bestIdle",
      zone: "idle",
      fallInTurns: middleTurns - 0.6,
      fallOutTurns: middleTurns + 0.6,
      sdTurns: 0.1,
      points: POINTS,
    },
    day,
  );
const claimed = (id: string, time: string, day?: string): Entry => ({
  id: `proven:${id}`,
  at: at(time, day),
  kind: "proven",
  how: "measured",
  note: "",
});
/** Only what is normal: every site is exact, so is the parabola. Two days, an air of their own on one of them only. */
const EXACT = replayOf(
  bench("0001", "09:00", 1.9),
  fitPart("0001", "09:20", "main", 170),
  claimed("0003", "10:00"),
  bench("0004", "09:00", 1.2, DAY2),
  bench("0005", "09:30", 1.3, DAY2),
);
const atIdle = ({ item, at: when }: MatchedEvidence): number =>
  when !== undefined && item.zone === "idle" ? 1 : 0;
const everywhere = ({ at: when }: MatchedEvidence): number => (when === undefined ? 0 : 0.5);
const nowhere = () => 0;

describe("how much better a log is explained by something that is added", () => {
  it("is nothing for what adds nothing, and for a fault of no size", () => {
    expect(shiftParabola(EXACT.sessions, nowhere)).toEqual({ pull: 0, precision: 0 });
    const parabola = shiftParabola(EXACT.sessions, atIdle);
    expect(lnShiftWeight(parabola, { mean: 0, sd: 1e-9 })).toBeCloseTo(0, 9);
  });

  it.each([
    ["lean at idle", atIdle, 0.15, 0.05],
    ["rich at idle", atIdle, -0.2, 0.08],
    ["everywhere", everywhere, 0.1, 0.04],
  ])("is the same with all looks matched anew where every look is exact: %s", (_, share, mean, sd) => {
    const quick = lnShiftWeight(shiftParabola(EXACT.sessions, share), { mean, sd });
    const anew = lnBayesFactor(EXACT.sessions, share, nowhere, { mean, sd });
    expect(quick).toBeCloseTo(anew ?? NaN, 8);
    expect(Math.abs(quick)).toBeGreaterThan(0.01);
  });

  it("holds for the last days alone, whichever of them had no air of its own", () => {
    const size = { mean: 0.15, sd: 0.05 };
    const last = EXACT.sessions.slice(-1);
    expect(last[0]?.after.mean.length).toBe((last[0]?.known ?? 0) + 1);
    expect(lnShiftWeight(shiftParabola(last, atIdle), size)).toBeCloseTo(
      lnBayesFactor(last, atIdle, nowhere, size) ?? NaN,
      8,
    );
  });

  it("integrates over the size: the same by a sum over many sizes", () => {
    const parabola = shiftParabola(EXACT.sessions, atIdle);
    const [mean, sd] = [0.12, 0.06];
    const steps = 4000;
    let sum = 0;
    for (let i = 0; i < steps; i += 1) {
      const s = mean + sd * (12 * ((i + 0.5) / steps) - 6);
      const density = Math.exp(-0.5 * ((s - mean) / sd) ** 2) / (sd * Math.sqrt(2 * Math.PI));
      sum += density * Math.exp(parabola.pull * s - 0.5 * parabola.precision * s * s) * ((12 * sd) / steps);
    }
    expect(lnShiftWeight(parabola, { mean, sd })).toBeCloseTo(Math.log(sum), 6);
  });

  it("takes what is added besides with it, whatever the size", () => {
    const size = { mean: 0.1, sd: 0.05 };
    const fixed = ({ item }: MatchedEvidence) => (item.zone === "top" ? -0.03 : 0);
    const quick = lnShiftsWeight(EXACT.sessions, atIdle, fixed, size);
    expect(quick).toBeCloseTo(lnBayesFactor(EXACT.sessions, atIdle, fixed, size) ?? NaN, 8);
    expect(lnShiftsWeight(EXACT.sessions, atIdle, nowhere, size)).toBe(
      lnShiftWeight(shiftParabola(EXACT.sessions, atIdle), size),
    );
  });

  it("is near the long way for plugs, which are no parabolas", () => {
    const plugs = replayOf(
      plug("0001", "09:00", "idle", "bone"),
      plug("0002", "09:30", "idle", "chalk"),
      plug("0003", "10:00", "mid", "biscuit"),
    );
    const size = { mean: 0.12, sd: 0.04 };
    const quick = lnShiftWeight(shiftParabola(plugs.sessions, atIdle), size);
    const anew = lnBayesFactor(plugs.sessions, atIdle, nowhere, size) ?? NaN;
    expect(anew).toBeGreaterThan(0.5);
    expect(Math.abs(quick - anew)).toBeLessThan(0.5);
  });

  it("is left at its first answer where it began too long ago", () => {
    const days = Array.from({ length: 9 }, (_, i) => `2026-05-${String(10 + i)}`);
    const long = replay(
      foldPossible([
        { ...build(), at: at("08:00", "2026-05-01") },
        ...days.map((day, i) => lambda(`day-${i}`, "10:00", "idle", 0.9, day)),
      ]),
    );
    expect(lnBayesFactor(long.sessions, atIdle, nowhere, { mean: 0.1, sd: 0.05 })).toBeUndefined();
    expect(lnShiftWeight(shiftParabola(long.sessions, atIdle), { mean: 0.1, sd: 0.05 })).toBeLessThan(0);
  });
});
