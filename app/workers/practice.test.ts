/** @jest-environment node */
import type { Entry } from "#core/log/schema.ts";
import { after, begin, debriefed, view, type GameRecord } from "./practice.ts";

const asked = { level: "mountain", seed: 5 } as const;
const { build, air } = begin(asked);
const entry = (kind: string, n: number, content: object) =>
  ({ id: `${kind}:practice-${n}`, at: `2026-05-23T08:0${n}:00Z`, kind, ...content }) as Entry;
const begun = [
  entry("build", 0, { build, reopens: [], why: "" }),
  entry("air", 1, {
    temperatureK: air.temperatureK,
    humidity: { kind: "relative", fraction: air.relativeHumidity },
    pressure: { kind: "station", pressurePa: air.pressurePa },
    place: "",
  }),
];
const fit = entry("fit", 2, {
  changes: [{ part: "main", to: build.baseline.setting.main - 10 }],
  because: "own",
});
const of = (entries: readonly Entry[], done: GameRecord["done"] = []): GameRecord => ({
  asked,
  entries,
  done,
});

describe("practice in the worker", () => {
  it("shows a game as it stands, and the idle over the screw for the tachometer", () => {
    const before = view(of(begun));
    expect([before.minutes, before.holds, before.shown]).toEqual([0, [], []]);
    expect(before.idleOver).toHaveLength(81);
    expect(before.idleOver.every((error) => Number.isFinite(error))).toBe(true);
    expect(view(of([...begun, fit])).errors.top).toBeGreaterThan(before.errors.top);
  });
  it("refuses what the level or the clock does not let one do", () => {
    expect(after(of(begun, [{ after: 2, action: { do: "ride", hold: "top", cut: "clean" } }]))).toEqual({
      refused: "noRideHere",
    });
    expect(after(of([...begun, fit]))).toMatchObject({ view: { minutes: 8 } });
  });
  it("debriefs it: four players, and what the card would have said at each stop", () => {
    const done = [{ after: 3, action: { do: "done" } as const }];
    const { learner, others, debrief, advice } = debriefed(of([...begun, fit], done));
    expect(debrief.stops.map(({ changes }) => changes.map(({ part }) => part))).toEqual([["main"]]);
    expect(advice.map(({ next }) => next.kind)).toEqual(["fit"]);
    expect([learner.hurt, learner.minutes]).toEqual([false, 8]);
    expect(others.tamis.score).toBeGreaterThan(60);
    for (const { score } of [learner, ...Object.values(others)]) {
      expect(score).toBeGreaterThanOrEqual(0);
      expect(score).toBeLessThanOrEqual(100);
    }
  });
});
