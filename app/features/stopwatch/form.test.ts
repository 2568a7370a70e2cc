import { compareRuns } from "#core/runs/compare.ts";
import type { SeenRun } from "#core/log/present.ts";
import { fold } from "#core/log/fold.ts";
import type { Run } from "#core/log/schema.ts";
import { at, build, fit } from "../../../core/__tests__/entries.ts";
import { clientAction as stopwatch } from "./route.tsx";
import { Preferences } from "#app/vocabulary/preferences.ts";
import { comparisonWords, runFigure, runName, timeWords } from "#app/vocabulary/runs.ts";
import { answerOf, freshRig, logged, sent } from "#app/testing/rig.ts";
import type { Fix } from "#core/satellites/fix.ts";
import { newestKind, readTime, runForm } from "./form.ts";
import { courseDoubts, goalOf, rateOf, speedTaken, timeTaken } from "./satellite-form.ts";

const units = Preferences.parse({});
const imperial = Preferences.parse({ speed: "mph", length: "ft" });

describe("a time as typed", () => {
  it.each([
    ["8.42", 8.42],
    ["8,42", 8.42],
    ["1:23.4", 83.4],
    ["1:02:03", 3723],
    ["83.4", 83.4],
  ])("reads %s", (text, seconds) => expect(readTime(text)).toBeCloseTo(seconds, 9));
  it.each(["", "quick", "1:75", "1.5:10", "-3", "1:2:3:4"])("does not read %j", (text) =>
    expect(readTime(text)).toBeUndefined(),
  );
});

describe("a run as typed", () => {
  it.each([
    [
      { what: "lap", figure: "1:02.5", over: "" },
      { what: "lap", seconds: 62.5 },
    ],
    [
      { what: "toSpeed", figure: "8.4", over: "90" },
      { what: "toSpeed", seconds: 8.4, speedMs: 25 },
    ],
    [
      { what: "distance", figure: "12", over: "200" },
      { what: "distance", seconds: 12, lengthM: 200 },
    ],
    [
      { what: "topSpeed", figure: "108", over: "" },
      { what: "topSpeed", speedMs: 30 },
    ],
    [
      { what: "fuel", figure: "3,2", over: "64" },
      { what: "fuel", litres: 3.2, lengthM: 64_000 },
    ],
  ] as const)("becomes %p in SI", (sent, run) => {
    const read = runForm(units).parse(sent);
    for (const [key, value] of Object.entries(run))
      expect(read.run[key as keyof Run]).toEqual(
        typeof value === "number" ? expect.closeTo(value, 6) : value,
      );
  });
  it("is read in miles where speeds are", () => {
    expect(runForm(imperial).parse({ what: "fuel", figure: "4", over: "10" })).toMatchObject({
      run: { lengthM: 16_093.44 },
    });
  });
  it.each([
    [{ what: "lap", figure: "0", over: "" }, ["figure"]],
    [{ what: "toSpeed", figure: "8.4", over: "" }, ["over"]],
    [{ what: "distance", figure: "x", over: "y" }, ["figure", "over"]],
    [{ what: "topSpeed", figure: "900", over: "" }, ["figure"]],
    [{ what: "fuel", figure: "-1", over: "10" }, ["figure"]],
  ] as const)("says at which field %p is wrong", (sent, fields) => {
    const { error } = runForm(units).safeParse(sent);
    expect(error?.issues.map(({ path }) => path.join(".")).sort()).toEqual(fields);
  });
});

describe("runs beside each other", () => {
  const run = (id: string, time: string, seconds: number) =>
    ({ id: `run:${id}`, at: at(time), kind: "run", run: { what: "toSpeed", seconds, speedMs: 25 } }) as const;
  const runs = (): readonly SeenRun[] =>
    fold([
      build(),
      run("0001", "09:00", 8.5),
      run("0002", "09:10", 8.45),
      fit("0001", "09:20", 160),
      run("0003", "09:30", 8.2),
      run("0004", "09:40", 8.22),
    ]).runs;
  it("are grouped by what was fitted and compared, the newest against the one before", () => {
    const kind = newestKind(runs(), units);
    expect(kind?.name).toBe("0 to 90 km/h");
    expect(kind?.groups.map(({ settings, runs: mine }) => [settings[0]?.main, mine.length])).toEqual([
      [165, 2],
      [160, 2],
    ]);
    expect(kind?.comparison?.difference).toBeCloseTo(-0.265, 9);
  });
  it("are not compared while either was run once, nor across kinds", () => {
    expect(newestKind(runs().slice(0, 3), units)?.comparison).toBeUndefined();
    expect(newestKind([], units)).toBeUndefined();
  });
});

describe("runs in words", () => {
  it("tell better from worse by what is run: less time, more speed", () => {
    const found = compareRuns([8.5, 8.45, 8.52], [8.2, 8.22, 8.18]);
    expect(comparisonWords("toSpeed", found, units)).toMatchObject({
      title: expect.stringMatching(/^The newer setting is better/) as string,
      verdict: "better",
    });
    expect(comparisonWords("topSpeed", compareRuns([30, 30.1], [27, 27.2]), units).verdict).toBe("worse");
  });
  it("say what so many runs could have shown, and how many more would settle it", () => {
    const { title, reason, verdict } = comparisonWords(
      "lap",
      compareRuns([62, 64, 63], [62.5, 64.2, 63.1]),
      units,
    );
    expect(title).toBe("These runs show no difference");
    expect(reason).toMatch(/So many could show \d\.\d\d s\. \d+ more on each side would settle/);
    expect(verdict).toBe("same");
  });
  it("show times, speeds and fuel in the usual units", () => {
    expect([timeWords(8.416), timeWords(83.4)]).toEqual(["8.42 s", "1:23.40"]);
    expect(runFigure({ what: "fuel", litres: 5, lengthM: 100_000 }, units)).toBe(
      "5.0 L/100 km (47 mpg US, 56 imp.)",
    );
    expect(runName({ what: "distance", seconds: 9, lengthM: 200 }, units)).toBe("Over 200 m");
    expect(runFigure({ what: "topSpeed", speedMs: 30 }, imperial)).toBe("67 mph");
  });
});

describe("the stopwatch's action", () => {
  beforeEach(() => freshRig());
  it("logs a run, and refuses one that cannot be", async () => {
    await stopwatch(sent({ what: "toSpeed", figure: "8.42", over: "100" }));
    expect((await logged()).at(-1)).toMatchObject({ kind: "run", run: { what: "toSpeed", seconds: 8.42 } });
    const before = (await logged()).length;
    expect(answerOf(await stopwatch(sent({ what: "lap", figure: "fast" }))).status).toBe(400);
    expect(answerOf(await stopwatch(sent({ what: "jump", figure: "3" }))).status).toBe(400);
    expect(await logged()).toHaveLength(before);
  });
});

describe("a run by satellites", () => {
  const fixAt = (seconds: number, over: Partial<Fix> = {}): Fix => ({
    atMs: 1000 * seconds,
    channel: 1,
    latitude: 45 + 2e-4 * seconds,
    longitude: 6,
    accuracyM: 4,
    heightM: 400,
    heightAccuracyM: 2,
    ...over,
  });
  const ridden = Array.from({ length: 11 }, (_, i) => fixAt(i / 2));

  it("is saved with its error and how often it was seen, and marked when it was a stand-in", async () => {
    await freshRig([build(), fit("0001", "08:40", 160)]);
    const taken = { errorShare: 0.012, rateHz: 10, simulated: true };
    const run = { what: "toSpeed", figure: "5.12", over: "80", taken };
    expect(answerOf(await stopwatch(sent(run))).data).toMatchObject({
      logged: [expect.stringMatching(/^run:/)],
    });
    expect((await logged()).at(-1)).toMatchObject({
      kind: "run",
      run: { seconds: 5.12 },
      receiver: { errorShare: 0.012, rateHz: 10 },
      simulated: true,
    });
  });
  it("knows what is run to in the tuner's units, and waits for it", () => {
    expect(goalOf("toSpeed", "90", units)).toEqual({ what: "toSpeed", speedMs: 25 });
    expect(goalOf("distance", "660", imperial)).toMatchObject({
      lengthM: expect.closeTo(201.168, 3) as number,
    });
    expect(goalOf("toSpeed", "fast", units)).toBeUndefined();
    expect(goalOf("lap", "", units)).toBeUndefined();
  });
  it("carries its own error and rate", () => {
    const taken = timeTaken(8, 0.08, ridden, { simulated: false, doubts: [] });
    expect(taken).toMatchObject({ figure: "8.00", words: "8.00 s ± 0.08", errorShare: 0.01, rateHz: 2 });
    expect(speedTaken(25, 0.25, ridden, units, { simulated: true, doubts: [] })).toMatchObject({
      figure: "90",
      errorShare: 0.01,
      simulated: true,
    });
    expect(rateOf([])).toBe(1);
  });
  it("says when its course was no course", () => {
    expect(courseDoubts(ridden, units)).toEqual([]);
    const steep = ridden.map((one, i) => ({ ...one, heightM: 400 - 2 * i }));
    expect(courseDoubts(steep, units).join()).toContain("down. Hold it only against runs the same way");
    expect(
      courseDoubts(
        ridden.map((one) => ({ ...one, heightAccuracyM: 90 })),
        units,
      ).join(),
    ).toContain("too coarse");
  });
  it("counts no better in a comparison than its receiver is", () => {
    const at3 = [8.4, 8.4, 8.4];
    expect(compareRuns(at3, [8.3, 8.3, 8.3]).moreRuns).toBe(0);
    expect(compareRuns(at3, [8.3, 8.3, 8.3], 0.02).moreRuns).toBeGreaterThan(0);
  });
});
