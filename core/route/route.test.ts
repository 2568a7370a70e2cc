import { openCase } from "../advice/judge/case.ts";
import { air, at, build, plug } from "../__tests__/entries.ts";
import { heldAir } from "../forecast/air-ahead.ts";
import { seededRandom } from "../numbers/random.ts";
import { MOST_ROUTE_POINTS, RouteEntry } from "../log/schema.ts";
import { planRoute, stretchesOf } from "./plan-route.ts";
import { wayOf, type TrackPoint } from "./track.ts";

const METRES_A_DEGREE = 111_195;
/** North at 10 m/s, up by a tenth of it, a fix every two seconds. */
const climb = (
  count: number,
  change: (point: TrackPoint, i: number) => Partial<TrackPoint> = () => ({}),
): TrackPoint[] =>
  Array.from({ length: count }, (_, i) => {
    const point = {
      latitude: (20 * i) / METRES_A_DEGREE,
      longitude: 0,
      elevationM: 400 + 2 * i,
      ms: 1_779_500_000_000 + 2000 * i,
    };
    return { ...point, ...change(point, i) };
  });
const way = (points: TrackPoint[], speedMs = 10) => wayOf({ name: "Climb", segments: [points] }, speedMs);

describe("a way from a receiver's points", () => {
  it("has their length, heights and times", () => {
    const { points, lengthM, seconds, timed, notes } = way(climb(501));
    expect(lengthM / 10_000).toBeCloseTo(1, 3);
    expect(seconds).toBe(1000);
    expect([timed, notes]).toEqual([true, []]);
    expect(points[0]?.elevationM).toBeCloseTo(402, 0);
    expect(points.at(-1)?.elevationM).toBeCloseTo(1398, 0);
  });

  it("passes over spikes of place and height, and says so", () => {
    const { lengthM, points, notes } = way(
      climb(501, (_, i) => (i === 100 ? { latitude: 3 } : i === 200 ? { elevationM: 5000 } : {})),
    );
    expect(lengthM / 10_000).toBeCloseTo(1, 2);
    expect(Math.max(...points.map(({ elevationM }) => elevationM))).toBeLessThan(1405);
    expect(notes).toEqual([
      { what: "lost", points: 1, of: 501 },
      { what: "heightJumps", points: 1 },
    ]);
  });

  it("lets the clock stand while nobody rides, and takes the speed where there are no times", () => {
    const rest = climb(501, (point, i) => ({ ms: (point.ms ?? 0) + (i > 250 ? 3_600_000 : 0) }));
    expect(way(rest).seconds).toBeLessThan(1100);
    const untimed = way(
      climb(501).map(({ latitude, longitude, elevationM = 0 }) => ({ latitude, longitude, elevationM })),
      5,
    );
    expect(untimed.seconds).toBeCloseTo(2000, -1);
    expect(untimed.notes).toEqual([{ what: "noTimes" }]);
  });

  it("fills what has no height from its neighbours, and refuses a track that has none at all", () => {
    const some = way(climb(501, (_, i) => (i % 3 === 0 ? {} : { elevationM: Number.NaN })));
    expect(some.points.at(-1)?.elevationM).toBeCloseTo(1400, -1);
    expect(some.notes[0]).toEqual({ what: "heightless", points: 334 });
    const none = climb(501).map(({ latitude, longitude }) => ({ latitude, longitude }));
    expect(() => way(none)).toThrow("no heights");
    expect(() => way(climb(1))).toThrow("fewer than two points");
    expect(() => way(climb(2))).toThrow("shorter than 50 metres");
    expect(() => way(climb(501), 0)).toThrow(RangeError);
  });

  it("keeps as many points as a log takes of as many as there are", () => {
    const { points, lengthM } = way(
      climb(20_000, (_, i) => ({ elevationM: 400 + 1000 * Math.sin(i / 6000) })),
    );
    expect(points.length).toBeLessThanOrEqual(MOST_ROUTE_POINTS);
    expect(points.at(-1)?.alongM).toBe(Math.round(lengthM));
    const kept = {
      id: "route:0001",
      at: at("09:00"),
      kind: "route",
      name: "Climb",
      startAt: at("10:00"),
      points,
    };
    expect(RouteEntry.safeParse(kept).success).toBe(true);
  });
});

describe("a track that is not as it was ridden", () => {
  const segmented = (...segments: TrackPoint[][]) => wayOf({ name: "Climb", segments }, 10);
  const whole = way(climb(501));
  const like = ({ lengthM, seconds, points }: ReturnType<typeof way>) => {
    expect(lengthM / whole.lengthM).toBeCloseTo(1, 2);
    expect(Math.abs(seconds - whole.seconds)).toBeLessThan(60);
    expect(points.at(-1)?.elevationM).toBeCloseTo(1398, -1);
    expect(points.every((point, i) => point.seconds >= (points[i - 1]?.seconds ?? 0))).toBe(true);
  };

  it("is turned round where it was saved backward, and put in order where segments were swapped", () => {
    const turned = segmented(climb(501).toReversed());
    like(turned);
    expect(turned.notes).toEqual([{ what: "turnedRound", segments: 1, of: 1 }]);
    const points = climb(501);
    const swapped = segmented(points.slice(250), points.slice(0, 250));
    like(swapped);
    expect(swapped.notes).toEqual([{ what: "putInOrder" }]);
    const both = segmented(points.slice(250).toReversed(), points.slice(0, 250));
    like(both);
    expect(both.open).toEqual([]);
  });

  it("is asked about where times jump back and forth: by time, or by the order of the file", () => {
    const mixed = climb(501).map((point, i, all) => ({ ...point, ms: all[(i * 200) % 501]?.ms ?? 0 }));
    const asked = segmented(mixed);
    expect(asked.open).toEqual(["order"]);
    const filed = wayOf({ name: "", segments: [mixed] }, 10, { order: "asFiled" });
    expect([filed.timed, filed.open]).toEqual([false, []]);
    expect(filed.seconds).toBeCloseTo(1000, -1);
  });

  it("loses the few points whose clock was wrong, the first one too", () => {
    for (const wrong of [0, 250]) {
      const glitch = segmented(climb(501, (point, i) => (i === wrong ? { ms: (point.ms ?? 0) + 1e10 } : {})));
      like(glitch);
      expect(glitch.notes).toEqual([{ what: "lost", points: 1, of: 501 }]);
    }
  });

  it("does not count a stop, wherever the receiver wandered while it lay there", () => {
    const random = seededRandom(28);
    const standing: TrackPoint[] = Array.from({ length: 900 }, (_, i) => {
      const point = climb(251)[250] as TrackPoint;
      const wander = () => (8 * random.normal()) / METRES_A_DEGREE;
      return {
        ...point,
        latitude: point.latitude + wander(),
        longitude: point.longitude + wander(),
        ms: (point.ms ?? 0) + 2000 * i,
      };
    });
    const after = climb(501)
      .slice(251)
      .map((point) => ({ ...point, ms: (point.ms ?? 0) + 1_800_000 }));
    const stood = segmented([...climb(251), ...standing, ...after]);
    like(stood);
    expect(stood.notes).toMatchObject([{ what: "stood" }]);
    expect((stood.notes[0] as { seconds: number }).seconds / 1800).toBeCloseTo(1, 1);
  });

  it.each([1, 2, 3])("loses spikes of %d points, of place and of height, at its ends too", (long) => {
    for (const from of [0, 200, 501 - long]) {
      const inSpike = (i: number) => i >= from && i < from + long;
      const high = segmented(climb(501, (_, i) => (inSpike(i) ? { elevationM: 4000 } : {})));
      expect(Math.max(...high.points.map(({ elevationM }) => elevationM))).toBeLessThan(1420);
      if (from === 0) continue;
      const away = segmented(climb(501, (_, i) => (inSpike(i) ? { latitude: 3 } : {})));
      expect(away.lengthM / whole.lengthM).toBeCloseTo(1, 1);
    }
  });

  it("is asked about where heights are exactly nought: true by the sea, missing elsewhere", () => {
    const dead = climb(501, (_, i) => (i > 200 && i < 300 ? { elevationM: 0 } : {}));
    expect(segmented(dead).open).toEqual(["zeroHeights"]);
    const filled = wayOf({ name: "", segments: [dead] }, 10, { zeroHeights: "missing" });
    expect(Math.min(...filled.points.map(({ elevationM }) => elevationM))).toBeGreaterThan(390);
    const sea = climb(501, () => ({ elevationM: 0 }));
    expect(segmented(sea).open).toEqual(["zeroHeights"]);
    expect(wayOf({ name: "", segments: [sea] }, 10, { zeroHeights: "true" }).open).toEqual([]);
    expect(() => wayOf({ name: "", segments: [sea] }, 10, { zeroHeights: "missing" })).toThrow("no heights");
  });

  it("goes by the speed where its times leave none to ride in", () => {
    const atOnce = segmented(climb(501, () => ({ ms: 1_779_500_000_000 })));
    expect(atOnce.timed).toBe(false);
    expect(atOnce.seconds).toBeCloseTo(1000, -1);
  });
});

const open = openCase([
  build(),
  air("0001", "08:30"),
  plug("0001", "08:40", "top", "biscuit"),
  plug("0002", "08:41", "mid", "biscuit"),
  plug("0003", "08:42", "idle", "biscuit"),
]);
const held = heldAir(
  { ms: Date.parse(at("08:30")), weather: { temperatureK: 297.15, dewPointK: 285, pressurePa: 86_300 } },
  1380,
);
const col = (fromM: number, toM: number) => ({
  startAt: at("09:00"),
  points: Array.from({ length: 200 }, (_, i) => ({
    alongM: 100 * i,
    elevationM: fromM + ((toM - fromM) * i) / 199,
    seconds: 15 * i,
  })),
});

describe("the plan of a way", () => {
  it("cuts it into stretches of equal time that follow one another", () => {
    const stretches = stretchesOf(col(380, 1910).points);
    expect(stretches).toHaveLength(16);
    expect(new Set(stretches.map(({ seconds }) => Math.round(seconds))).size).toBe(1);
    for (const [i, { lowM, highM, fromM }] of stretches.entries()) {
      expect(highM).toBeGreaterThan(lowM);
      expect(fromM).toBeGreaterThanOrEqual(stretches[i - 1]?.fromM ?? 0);
    }
  });

  it("is leanest at the bottom, and keeps the lean margin there", () => {
    const plan = planRoute(open, col(380, 1910), held);
    const [bottom, middle, top] = plan.heights.map(({ judged }) => judged.zones.top.mean);
    expect(bottom).toBeGreaterThan(middle ?? 0);
    expect(middle).toBeGreaterThan(top ?? 0);
    expect(plan.safe).toBe(true);
    expect(plan.leanRisk).toBeLessThanOrEqual(0.05);
    expect(plan.loss.oneSetting).toBeLessThanOrEqual(plan.loss.asFitted);
  });

  it("does on a flat road what the card does there, and stops nowhere", () => {
    const plan = planRoute(open, col(1380, 1381), held);
    expect(plan.stops.filter(({ alongM }) => alongM > 0)).toEqual([]);
  });

  it("stops where a climb is too long for one setting, and says what that saves", () => {
    const plan = planRoute(open, col(0, 3500), held);
    const onTheWay = plan.stops.filter(({ alongM }) => alongM > 0);
    expect(onTheWay.length).toBeGreaterThan(0);
    expect(plan.loss.withStops).toBeLessThan(plan.loss.oneSetting);
    for (const { gain, changes, elevationM } of onTheWay) {
      expect(gain).toBeGreaterThan(0.05);
      expect(changes.every(({ from, to }) => from !== to)).toBe(true);
      expect(elevationM).toBeGreaterThan(0);
    }
  });
});
