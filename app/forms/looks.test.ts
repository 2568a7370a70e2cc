/** Looks of the newer kinds, from the form's texts to the log. */
import { air, build, fit } from "../../core/__tests__/entries.ts";
import { fold } from "#core/log/fold.ts";
import type { Reading } from "#core/log/schema.ts";
import { BuildForm, buildTexts } from "./build-form.ts";
import { ENDURO_BUILD } from "#demo/enduro-build.ts";
import { clientAction as logLook } from "#app/routes/look.tsx";
import { clientAction as importLog } from "#app/routes/logger.tsx";
import { fixesFor, leftOutWords, troubleWords } from "#app/words/logger.ts";
import { heatRangeOptions } from "#app/words/heat-range.ts";
import { readingResult, readingWords } from "#app/words/readings.ts";
import { Preferences } from "#app/store/preferences.ts";
import type { Reduced } from "#core/logger/reduce.ts";
import { answerOf, freshRig, logged, posted } from "../__tests__/rig.ts";
import { heatTexts, readHeat, type HeatSent } from "./heat-form.ts";
import { loggerContents, loggerSent, runsOf } from "./logger-form.ts";

const asked = (request: Request) => ({ ...(posted({}) as object), request }) as never;
const units = Preferences.parse({});
const lookOf = async (): Promise<Reading | undefined> => {
  const last = (await logged()).at(-1);
  return last?.kind === "look" ? last.reading : undefined;
};
beforeEach(() => freshRig([build(), air("0001", "08:30"), fit("0001", "08:40", 160)]));

describe("a plug with all there is to say of it", () => {
  const PLUG = { type: "plug", zone: "top", tone: "cocoa", cut: "clean", colderSteps: "1" };
  it("is logged with its places, how it was marked, and the photo's certainty", async () => {
    const sent = {
      ...PLUG,
      places: JSON.stringify({ strap: "straw", ring: "umber" }),
      made: JSON.stringify({ by: "steady", amount: 150 }),
      used: "yes",
      photoSure: "0.8",
      findings: "oily",
    };
    expect(answerOf(await logLook(posted(sent))).status).toBe(302);
    expect(await lookOf()).toEqual({
      type: "plug",
      zone: "top",
      tone: "cocoa",
      cut: "clean",
      colderSteps: 1,
      places: { strap: "straw", ring: "umber" },
      made: { by: "steady", amount: 150 },
      used: true,
      photoSure: 0.8,
      findings: ["oily"],
    });
  });
  it("leaves out what was not looked at", async () => {
    await logLook(posted({ ...PLUG, places: "{}", made: "", used: "", photoSure: "" }));
    expect(Object.keys((await lookOf()) ?? {})).toEqual(["type", "zone", "tone", "cut", "colderSteps"]);
  });
  it.each([
    ["places", "{"],
    ["places", JSON.stringify({ strap: "green" })],
    ["made", JSON.stringify({ by: "magic" })],
    ["photoSure", "7"],
  ])("refuses %s %s and saves nothing", async (field, value) => {
    expect(answerOf(await logLook(posted({ ...PLUG, [field]: value }))).status).toBe(400);
    expect((await logged()).at(-1)?.kind).toBe("fit");
  });
  it("has its heat range named in the way its maker counts", () => {
    const plug = { thread: "M14", heatRange: 8, higherIs: "colder", gapMm: 0.6 } as const;
    expect(heatRangeOptions(plug)[2]).toEqual(["1", "9: 1 step too cold"]);
    expect(heatRangeOptions({ ...plug, higherIs: "hotter" })[2]).toEqual(["1", "7: 1 step too cold"]);
    expect(heatRangeOptions(undefined)[3]).toEqual(["0", "the right one"]);
  });
});

describe("crown and header", () => {
  it("become a look each", async () => {
    await logLook(posted({ type: "witness", zone: "top", crown: "washed", colour: "black" }));
    const kinds = (await logged()).flatMap((entry) => (entry.kind === "look" ? [entry.reading.type] : []));
    expect(kinds).toEqual(["crown", "header"]);
  });
  it("ask for one of them at least", async () => {
    const { data } = answerOf(
      await logLook(posted({ type: "witness", zone: "top", crown: "unseen", colour: "unseen" })),
    );
    expect(data).toEqual({ fields: { crown: "Say what the crown or the header showed." } });
  });
});

describe("temperatures", () => {
  const NONE = {
    exhaust: "",
    staging: "",
    finish: "",
    exhaustTarget: "",
    exhaustWithin: "",
    stagingTarget: "",
    stagingWithin: "",
    riseFrom: "",
    riseTo: "",
  };
  const exhaust = (change: Partial<HeatSent>): HeatSent => ({
    ...NONE,
    zone: "top",
    sensor: "exhaust",
    unit: "°C",
    ...change,
  });
  const head = (change: Partial<HeatSent>): HeatSent => ({
    ...NONE,
    zone: "top",
    sensor: "head",
    unit: "°C",
    ...change,
  });
  const readings = (sent: HeatSent, heat?: NonNullable<typeof ENDURO_BUILD.heat>) => {
    const read = readHeat(sent, heat ? { ...ENDURO_BUILD, heat } : ENDURO_BUILD);
    return read.ok ? read.readings : read;
  };

  it("are read in either unit", () => {
    expect(readings(exhaust({ exhaust: "620" }))).toMatchObject([{ temperatureK: 893.15, zone: "top" }]);
    const [fahrenheit] = readings(exhaust({ exhaust: "1148", unit: "°F" })) as Reading[];
    expect(fahrenheit).toMatchObject({ temperatureK: expect.closeTo(893.15, 2) as number });
  });
  it("in the wrong unit are offered the other one", () => {
    expect(readHeat(exhaust({ exhaust: "1250" }), ENDURO_BUILD)).toEqual({
      ok: false,
      fields: { exhaust: "1250 °C is not what exhaust gas has. Did the probe show °F?" },
      otherUnit: "°F",
    });
    const known = { staging: { targetK: 350, withinK: 5 } };
    expect(
      readHeat(head({ staging: "172" }), {
        ...ENDURO_BUILD,
        heat: { staging: { targetK: 350.9, withinK: 5 } },
      }).ok,
    ).toBe(true);
    expect(readHeat(head({ staging: "360", unit: "°F" }), { ...ENDURO_BUILD, heat: known }).ok).toBe(true);
    expect(readHeat(head({ staging: "9000" }), ENDURO_BUILD)).toMatchObject({
      fields: { staging: "9000 °C is not what a head has." },
    });
  });
  it("of a run are two looks: the staging for the idle, the rise for the top", () => {
    expect(readings(head({ staging: "80", finish: "150" }))).toEqual([
      { type: "temperature", zone: "idle", sensor: "head", temperatureK: 353.15 },
      { type: "temperature", zone: "top", sensor: "head", temperatureK: 423.15, risenFromK: 353.15 },
    ]);
    expect(readHeat(head({ staging: "80", finish: "60" }), ENDURO_BUILD)).toMatchObject({
      fields: { finish: expect.stringContaining("Cooler than at the start line") as string },
    });
    expect(readHeat(head({}), ENDURO_BUILD)).toMatchObject({ ok: false });
  });
  it("keep the rig's own targets, typed once, and log no new rig for the same ones", async () => {
    await logLook(
      posted({
        ...exhaust({ exhaust: "640", exhaustTarget: "620", exhaustWithin: "15" }),
        type: "temperature",
      }),
    );
    const { build: now } = fold(await logged());
    expect(now?.heat).toEqual({ exhaust: { top: { targetK: 893.15, withinK: 15 } } });
    expect(heatTexts(now?.heat ?? {}, "top", "°C")).toMatchObject({
      exhaustTarget: "620",
      exhaustWithin: "15",
    });
    await logLook(
      posted({
        ...exhaust({ exhaust: "630", exhaustTarget: "620", exhaustWithin: "15" }),
        type: "temperature",
      }),
    );
    const builds = (await logged()).filter(({ kind }) => kind === "build");
    expect(builds).toHaveLength(2);
  });
  it("refuse a window that ends before it begins", () => {
    expect(readHeat(head({ staging: "80", riseFrom: "40", riseTo: "30" }), ENDURO_BUILD)).toMatchObject({
      fields: { riseTo: "The window’s end lies above its start." },
    });
  });
  it("survive the rig's editor", () => {
    const heat = { staging: { targetK: 350, withinK: 5 }, rise: { fromK: 60, toK: 80 } };
    expect(BuildForm.parse(buildTexts({ ...ENDURO_BUILD, heat })).heat).toEqual(heat);
  });
});

describe("a logger's file in the log", () => {
  const stretch = { count: 900, seconds: 42, mean: 0.87, spread: 0.012 };
  const split = { to: 80 / 3.6, seconds: 4.21 };
  const pull = {
    startS: 4,
    seconds: 9,
    fromMs: 0,
    toMs: 30,
    fromRpm: undefined,
    toRpm: undefined,
    lambda: 0.87,
    leanest: 0.9,
    toSpeed: [split],
    toDistance: [{ to: 100, seconds: 6.1 }],
    exhaustK: 880,
    headK: undefined,
    headFromK: undefined,
    series: undefined,
  };
  const reduced: Reduced = {
    rows: 1000,
    seconds: 50,
    channels: ["throttle", "lambda", "speed"],
    delay: { delayS: 0.2624, explains: 0.8 },
    lambda: {
      zones: { idle: undefined, low: undefined, mid: stretch, top: { ...stretch, mean: 0.85 } },
      throttle: [],
      rpm: [],
      impossible: 3,
    },
    pulls: [pull, { ...pull, startS: 30, toSpeed: [], toDistance: [] }],
    leftOut: { overrun: 0.1, gearChange: 0.05, settling: 0.1 },
    hottest: { exhaust: undefined, head: undefined },
    throttle: { zero: 0, full: 1 },
    doubts: [],
    medianLambda: 0.87,
    trouble: { ragged: 2, unreadable: 1, firstBadLine: 17, wentBack: 1, setAside: 40 },
  };
  const file = { name: "session.csv", simulated: true };

  it("is one entry of its own, a weighted look a zone, and the standing starts that were wanted", async () => {
    const sent = loggerSent(reduced, file, "inside", { what: "toSpeed", to: split.to });
    const [first, ...rest] = loggerContents(sent);
    expect(first).toEqual({
      kind: "import",
      file: "session.csv",
      rows: 1000,
      seconds: 50,
      delayS: 0.262,
      simulated: true,
    });
    expect(rest).toMatchObject([
      {
        kind: "look",
        reading: { type: "lambda", zone: "mid", lambda: 0.87, logged: { seconds: 42, spread: 0.012 } },
      },
      { kind: "look", reading: { type: "lambda", zone: "top" }, simulated: true },
      // Where each of the two pulls ended.
      { kind: "look", reading: { type: "temperature", zone: "top", sensor: "exhaust", temperatureK: 880 } },
      { kind: "look", reading: { type: "temperature" } },
      { kind: "run", run: { what: "toSpeed", seconds: 4.21 }, simulated: true },
    ]);
    expect(runsOf(reduced.pulls, { what: "distance", to: 100 })).toEqual([
      { what: "distance", seconds: 6.1, lengthM: 100 },
    ]);
    expect(runsOf(reduced.pulls, { what: "none" })).toEqual([]);
    const request = new Request("http://tamis/rigs/rig:test/logger", {
      method: "POST",
      body: JSON.stringify(sent),
    });
    const answer = await importLog(asked(request));
    expect(answerOf(answer).status).toBe(302);
    expect(fold(await logged())).toMatchObject({
      openChange: undefined,
      runs: [{}],
      looks: [{}, {}, {}, {}],
    });
  });
  it.each([
    [{ zones: [], runs: [] }, "nothing in it to log"],
    [{ zones: [{ zone: "top", lambda: 9, seconds: 1, spread: 0 }] }, "cannot be logged"],
  ])("refuses %j and saves nothing", async (change, words) => {
    const sent = { ...loggerSent(reduced, file, "inside", { what: "none" }), ...change };
    const request = new Request("http://tamis/rigs/rig:test/logger", {
      method: "POST",
      body: JSON.stringify(sent),
    });
    const { data } = answerOf(await importLog(asked(request)));
    expect((data as { message: string }).message).toContain(words);
    expect((await logged()).at(-1)?.kind).toBe("fit");
  });
  it("says what could not be used, and where", () => {
    const words = troubleWords(reduced).join(" ");
    expect(words).toContain("2 rows are cut short and were passed over, the first in line 17.");
    expect(words).toContain("The time goes back once");
    expect(leftOutWords(reduced)).toContain("0.26 s behind");
    expect(leftOutWords({ ...reduced, delay: undefined })).toContain("could not be told");
  });
  it("offers the scale on which an engine would run: AFR of petrol on a methanol rig", () => {
    const mapping = {
      delimiter: ",",
      decimal: ".",
      headerLines: 1,
      columns: [{ role: "lambda", column: 2, unit: "AFR" }],
      stoichiometric: 6.45,
    } as const;
    // The meter showed 12.6 of petrol: by methanol's ratio that would be λ 1.95.
    const fixes = fixesFor(
      "lambda",
      { ...mapping, columns: [...mapping.columns] },
      { ...reduced, medianLambda: 12.6 / 6.45 },
    );
    expect(fixes.map(({ words }) => words)).toContain("AFR of petrol (14.6)");
    expect(fixes[0]?.mapping.stoichiometric).toBe(14.6);
  });
});

describe("the words of each kind of look", () => {
  it.each<[Reading, string, string]>([
    [{ type: "crown", zone: "top", crown: "island" }, "Piston crown, Top (¾ to open)", "island, clean edges"],
    [
      { type: "header", zone: "mid", colour: "black" },
      "Inside of the header, Middle (¼ to ¾)",
      "black, sooty",
    ],
    [
      { type: "temperature", zone: "top", sensor: "head", temperatureK: 423.15, risenFromK: 353.15 },
      "Head, rise of the run, Top (¾ to open)",
      "+70 °C to 150.0 °C",
    ],
    [
      { type: "lambda", zone: "top", lambda: 0.87, sensor: "inside", logged: { seconds: 42, spread: 0.01 } },
      "λ, Top (¾ to open), sensor inside the pipe, 42.00 s logged",
      "λ 0.87",
    ],
    [
      {
        type: "plug",
        zone: "top",
        tone: "bone",
        cut: "clean",
        colderSteps: 0,
        used: true,
        made: { by: "laps", amount: 6 },
      },
      "Plug, Top (¾ to open), clean cut, after 6 laps, used before",
      "bone",
    ],
  ])("%#", (reading, what, result) => {
    expect(readingWords(reading)).toBe(what);
    expect(readingResult(reading, units, 14.6)).toBe(result);
  });
});
