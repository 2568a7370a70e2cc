import { seededRandom } from "../numbers/random.ts";
import {
  alongStraight,
  drawSprinter,
  roundCourse,
  seenBy,
  sprintOf,
  type Receiver,
} from "../simulator/satellite-ride.ts";
import type { AirEntry } from "../log/schema.ts";
import { courseOf } from "./course.ts";
import { flatAbout, metresBetween, type Fix } from "./fix.ts";
import { fromStandstill, stoodFirst, topSpeed, type Goal } from "./from-standstill.ts";
import { stampSdS } from "./stamps.ts";
import { heightOf, pressureWorth } from "./height.ts";
import { ellipsoidOverSea, nearestPlace } from "./known-place.ts";
import { lapsOf, oneWay, passes } from "./laps.ts";
import { progressOf } from "./progress.ts";
import { standingStarts } from "./standing-start.ts";

const HERE = { latitude: 45.1, longitude: 6.2, heightM: 400 };
const fix = (over: Partial<Fix> = {}): Fix => ({
  atMs: 0,
  channel: 1,
  latitude: 45.1,
  longitude: 6.2,
  accuracyM: 5,
  ...over,
});

describe("places", () => {
  it("are measured as by the other formula", () => {
    // A degree of latitude on a sphere of the mean radius: 111.195 km.
    expect(metresBetween({ latitude: 10, longitude: 20 }, { latitude: 11, longitude: 20 })).toBeCloseTo(
      111_195.1,
      0,
    );
    const [a, b] = [
      { latitude: 45, longitude: 6 },
      { latitude: 45.004, longitude: 6.005 },
    ];
    const { eastM, northM } = flatAbout(a, b);
    expect(Math.hypot(eastM, northM)).toBeCloseTo(metresBetween(a, b), 0);
  });
  it("hold over the line where the days change", () => {
    const { eastM } = flatAbout({ latitude: 0, longitude: 179.999 }, { latitude: 0, longitude: -179.999 });
    expect(eastM).toBeCloseTo(222.39, 1);
  });
});

describe("a height", () => {
  it("is the mean of its fixes by their accuracy, and no surer for many of one minute", () => {
    const one = { heightM: 400, heightAccuracyM: 19.6 };
    expect(heightOf([fix(one)])).toMatchObject({ heightM: 400, sdM: expect.closeTo(10, 6) as number });
    const many = heightOf(Array.from({ length: 50 }, () => fix(one)));
    expect(many?.sdM).toBeGreaterThan(8.9);
    const mixed = heightOf([fix(one), fix({ heightM: 420, heightAccuracyM: 196 })]);
    expect(mixed?.heightM).toBeCloseTo(400.2, 1);
  });
  it("is none where no fix has one that a wheel can reach", () => {
    expect(heightOf([fix(), fix({ heightM: 9000 }), fix({ heightM: NaN })])).toBeUndefined();
  });
  it("is worth some twelve pascals a metre at the sea", () => {
    expect(pressureWorth(0, 1)).toBeCloseTo(12.01, 1);
    expect(pressureWorth(0, 10)).toBeCloseTo(120.1, 0);
    expect(pressureWorth(6000, 1)).toBeGreaterThan(5);
  });
});

describe("places that the log knows", () => {
  const air = (over: Partial<AirEntry>): AirEntry => ({
    id: "air:0001",
    at: "2026-05-22T10:00:00+02:00",
    kind: "air",
    temperatureK: 290,
    humidity: { kind: "relative", fraction: 0.5 },
    pressure: { kind: "standard" },
    place: "Quai Nord",
    ...over,
  });
  it("are known again by nearness, the newest reading of a place first", () => {
    const airs = [
      air({ position: { latitude: 45.1, longitude: 6.2 }, elevationM: 4 }),
      air({
        position: { latitude: 45.1005, longitude: 6.2 },
        elevationM: 6,
        at: "2026-05-23T10:00:00+02:00",
      }),
      air({ position: { latitude: 45.2, longitude: 6.2 }, place: "Col de la Brume" }),
      air({ place: "nowhere" }),
    ];
    expect(nearestPlace(airs, HERE)).toMatchObject({ place: "Quai Nord", elevationM: 6 });
    expect(nearestPlace(airs, { latitude: 46, longitude: 6.2 })).toBeUndefined();
  });
  it("tell how far the ellipsoid lies off the sea, where a height was typed that the satellites did not say", () => {
    const typed = air({ position: { latitude: 45.1, longitude: 6.2, heightM: 452 }, elevationM: 400 });
    const taken = air({ position: { latitude: 45.1, longitude: 6.2, heightM: 452 }, elevationM: 452 });
    expect(ellipsoidOverSea([typed, taken], HERE)).toBe(52);
    expect(ellipsoidOverSea([taken], HERE)).toBeUndefined();
    expect(ellipsoidOverSea([typed], { latitude: 50, longitude: 6.2 })).toBeUndefined();
  });
});

const TRUTH_S = 0.002;
const GOALS: readonly Goal[] = [
  { what: "toSpeed", speedMs: 60 / 3.6 },
  { what: "distance", lengthM: 100 },
];

/** Sprints of other machines, timed, and by how much each was off. */
function sprints(receiver: Receiver, goal: Goal, seeds: readonly number[]) {
  return seeds.map((seed) => {
    const random = seededRandom(seed);
    const sprinter = drawSprinter(random);
    const truths = sprintOf(sprinter, 20);
    const at = (timeS: number) => truths[Math.round(timeS / TRUTH_S)] ?? { alongM: 0, speedMs: 0 };
    const see = seenBy(
      (timeS) => ({ ...alongStraight(at(timeS).alongM), speedMs: at(timeS).speedMs }),
      receiver,
      HERE,
      random,
    );
    const end = truths.findIndex(({ alongM, speedMs }) =>
      goal.what === "toSpeed" ? speedMs >= goal.speedMs : alongM >= goal.lengthM,
    );
    const count = Math.floor((end * TRUTH_S + 2) * receiver.rateHz);
    const fixes = Array.from({ length: count }, (_, k) => see(0.01 + k / receiver.rateHz));
    const run = fromStandstill(fixes, goal);
    return { fixes, run, off: (run?.seconds ?? NaN) - (end * TRUTH_S - sprinter.waitS) };
  });
}

describe("a run from a standstill", () => {
  const seeds = Array.from({ length: 12 }, (_, i) => 500 + i);
  it.each([
    [1, 0.25],
    [10, 0.12],
  ])("is timed from %d fixes a second, and its error is about what it says", (rateHz, most) => {
    for (const goal of GOALS) {
      const all = sprints({ rateHz, placeSdM: 3, lastsS: 20, speedSdMs: 0.2 }, goal, seeds);
      const rms = Math.sqrt(all.reduce((sum, { off }) => sum + off * off, 0) / all.length);
      const named = Math.sqrt(all.reduce((sum, { run }) => sum + (run?.sdS ?? NaN) ** 2, 0) / all.length);
      expect(rms).toBeLessThan(most);
      expect(rms / named).toBeLessThan(1.8);
      expect(named).toBeLessThan(1.5 * most);
    }
  });
  it("is timed by places alone, with an error that says so", () => {
    const all = sprints(
      { rateHz: 5, placeSdM: 3, lastsS: 20, speedSdMs: undefined },
      GOALS[1] ?? ({} as Goal),
      seeds,
    );
    for (const { run, off } of all) {
      expect(Math.abs(off)).toBeLessThan(0.9);
      expect(run?.sdS).toBeGreaterThan(0.05);
    }
  });
  it("is none while it has not started, or not got there, or was never seen to stand", () => {
    const [one] = sprints(
      { rateHz: 10, placeSdM: 2, lastsS: 20, speedSdMs: 0.2 },
      GOALS[0] ?? ({} as Goal),
      [3],
    );
    const fixes = one?.fixes ?? [];
    expect(fromStandstill(fixes.slice(0, 20), { what: "distance", lengthM: 100 })).toBeUndefined();
    expect(fromStandstill(fixes, { what: "distance", lengthM: 5000 })).toBeUndefined();
    expect(fromStandstill(fixes.slice(-15), { what: "toSpeed", speedMs: 16 })).toBeUndefined();
    expect(fromStandstill([], { what: "toSpeed", speedMs: 16 })).toBeUndefined();
  });
  it("is the newest one, where there were two", () => {
    const goal: Goal = { what: "toSpeed", speedMs: 60 / 3.6 };
    const [a, b] = sprints({ rateHz: 10, placeSdM: 2, lastsS: 20, speedSdMs: 0.2 }, goal, [3, 4]);
    const first = a?.fixes ?? [];
    const after = (first.at(-1)?.atMs ?? 0) + 5000;
    const both = [...first, ...(b?.fixes ?? []).map((one) => ({ ...one, atMs: one.atMs + after }))];
    expect(fromStandstill(both, goal)?.seconds).toBeCloseTo(b?.run?.seconds ?? NaN, 6);
  });
  it("is followed from fix to fix: it stands, runs, and is there", () => {
    const goal: Goal = { what: "distance", lengthM: 100 };
    const [one] = sprints({ rateHz: 10, placeSdM: 2, lastsS: 20, speedSdMs: 0.2 }, goal, [3]);
    const fixes = one?.fixes ?? [];
    expect(progressOf([], goal).phase).toBe("waiting");
    expect(progressOf(fixes.slice(0, 10), goal).phase).toBe("standing");
    const phases = fixes.map((_, i) => progressOf(fixes.slice(0, i + 1), goal).phase);
    expect([...new Set(phases)].filter((phase) => phase !== "rolling")).toEqual([
      "standing",
      "running",
      "reached",
    ]);
    expect(progressOf(fixes.slice(-8, -2), { what: "distance", lengthM: 1000 }).phase).toBe("rolling");
  });
  it("is none of a rolling start by places alone, and a long wait is no trouble", () => {
    const metres = (s: number) => (1 / 111_195) * s;
    const rolling = Array.from({ length: 20 }, (_, i) =>
      fix({ atMs: 1000 * i, latitude: 45.1 + metres(12 * i + 0.5 * i * i), accuracyM: 5 }),
    );
    expect(fromStandstill(rolling, { what: "distance", lengthM: 100 })).toBeUndefined();
    expect(stoodFirst(rolling)).toBe(false);
    const waits = Array.from({ length: 1900 }, (_, i) => {
      const t = Math.max(0, i / 10 - 175);
      return fix({ atMs: 100 * i, latitude: 45.1 + metres(2 * t * t), accuracyM: 5 });
    });
    expect(stoodFirst(waits)).toBe(true);
    const run = fromStandstill(waits, { what: "distance", lengthM: 100 });
    expect(run?.seconds).toBeCloseTo(Math.sqrt(50), 0);
  });
  it("refuses a search without fixes or without time", () => {
    expect(() => standingStarts([], 0, 1)).toThrow("fixes must be 4 to 1500, got 0");
    const still = Array.from({ length: 5 }, (_, i) => ({
      timeS: i,
      alongM: 0,
      sdM: 1,
      speedMs: 0,
      speedSdMs: 0.2,
    }));
    expect(() => standingStarts(still, 2, 2)).toThrow("start must be sought over some time");
  });
});

describe("the rest of a run", () => {
  const see = (rateHz: number, lastsS: number) =>
    seenBy(roundCourse, { rateHz, placeSdM: 1.5, lastsS, speedSdMs: 0.2 }, HERE, seededRandom(9));
  it("laps over a line are timed between fixes", () => {
    const look = see(5, 30);
    const fixes = Array.from({ length: 5 * 90 }, (_, i) => look(i / 5));
    const found = passes(fixes, fixes[0] ?? HERE);
    const laps = lapsOf(found);
    // Round once at 18 m/s: 2π · 60 m.
    const truth = (2 * Math.PI * 60) / 18;
    expect(laps.length).toBeGreaterThanOrEqual(3);
    for (const { seconds, sdS } of laps) {
      expect(Math.abs(seconds - truth)).toBeLessThan(0.5);
      expect(sdS).toBeLessThan(0.2);
    }
  });
  it("laps count one way: the crossing of a figure of eight, and a straight that leads back beside the line", () => {
    const look = (whereAt: Parameters<typeof seenBy>[0], n: number) => {
      const see = seenBy(
        whereAt,
        { rateHz: 5, placeSdM: 1, lastsS: 30, speedSdMs: 0.2 },
        HERE,
        seededRandom(n),
      );
      return Array.from({ length: 5 * 120 }, (_, i) => see(i / 5));
    };
    // An eight of 80 m a side crosses its middle twice a round, some eighty degrees apart.
    const eight = look((t) => {
      const turn = t / 5;
      return { eastM: 80 * Math.sin(turn), northM: 40 * Math.sin(2 * turn), speedMs: 16 };
    }, 3);
    const crossed = passes(eight, HERE);
    const round = 2 * Math.PI * 5;
    const { counted, otherWay } = oneWay(crossed);
    expect(otherWay).toBeGreaterThanOrEqual(3);
    for (const { seconds } of lapsOf(counted)) expect(Math.abs(seconds - round)).toBeLessThan(0.6);
    // Two straights 18 m apart, ridden to and fro: the way back is no end of a lap.
    const hairpins = look((t) => {
      const turn = t / 8;
      return { eastM: 100 * Math.sin(turn), northM: 9 * (1 - Math.cos(turn)), speedMs: 12 };
    }, 4);
    const laps = lapsOf(oneWay(passes(hairpins, HERE)).counted);
    expect(laps.length).toBeGreaterThanOrEqual(1);
    for (const { seconds } of laps) expect(Math.abs(seconds - 2 * Math.PI * 8)).toBeLessThan(0.6);
  });
  it("stamps are held against their own rate, and missing ones are no scatter", () => {
    const stamps = (at: (i: number) => number) =>
      stampSdS(Array.from({ length: 60 }, (_, i) => fix({ atMs: at(i) })).filter((_, i) => i < 20 || i > 34));
    expect(stamps((i) => 200 * i)).toBeLessThan(1e-6);
    const random = seededRandom(8);
    const scattered = stamps((i) => 200 * i + 50 * random.normal());
    expect(scattered).toBeGreaterThan(0.035);
    expect(scattered).toBeLessThan(0.065);
    expect(stampSdS([])).toBe(0);
  });
  it("a line that nobody comes near is never passed, and one pass is no lap", () => {
    const look = see(5, 30);
    const fixes = Array.from({ length: 5 * 30 }, (_, i) => look(i / 5));
    expect(passes(fixes, { latitude: 45.2, longitude: 6.2 })).toEqual([]);
    expect(lapsOf(passes(fixes.slice(0, 60), fixes[0] ?? HERE))).toEqual([]);
  });
  it("the top speed is the fastest second, not the fastest figure", () => {
    const fixes = Array.from({ length: 100 }, (_, i) => fix({ atMs: 100 * i, speedMs: i === 50 ? 40 : 30 }));
    expect(topSpeed(fixes)?.speedMs).toBeCloseTo(31, 1);
    expect(topSpeed([fix({ speedMs: 1 })])).toBeUndefined();
    const random = seededRandom(4);
    const byPlace = Array.from({ length: 100 }, (_, i) =>
      fix({ atMs: 100 * i, latitude: 45.1 + (3 * i + 2 * random.normal()) / 111_195 }),
    );
    expect(topSpeed(byPlace)?.speedMs).toBeGreaterThan(29);
    expect(topSpeed(byPlace)?.speedMs).toBeLessThan(32);
  });
  it("a bend and a slope are said", () => {
    const straight = Array.from({ length: 20 }, (_, i) =>
      fix({ atMs: 100 * i, latitude: 45.1 + i * 1e-4, heightM: 400, heightAccuracyM: 2 }),
    );
    expect(courseOf(straight)).toMatchObject({ straight: true, level: true });
    const bent = straight.map((one, i) => ({ ...one, longitude: 6.2 + 1e-3 * Math.sin((Math.PI * i) / 19) }));
    expect(courseOf(bent).straight).toBe(false);
    const steep = straight.map((one, i) => ({ ...one, heightM: 400 + i }));
    expect(courseOf(steep)).toMatchObject({ level: false });
    expect(courseOf(steep).climbM).toBeGreaterThan(14);
    expect(courseOf(straight.map((one) => ({ ...one, heightAccuracyM: 60 }))).level).toBeUndefined();
    expect(courseOf([])).toMatchObject({ straight: true });
  });
});
