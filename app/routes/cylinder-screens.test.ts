/** Idle bench, idle speed, balance, cylinders, and change per carburettor: what they log, and what they refuse. */
import { air, at } from "../../core/__tests__/entries.ts";
import { fold } from "#core/log/fold.ts";
import type { Entry } from "#core/log/schema.ts";
import { TWIN } from "#demo/other-rigs.ts";
import { humidAirFromLog } from "#core/rig/from-build.ts";
import { idleShare } from "#core/simulator/idle-bench.ts";
import { simulatedEngine } from "#app/idle/simulated-engine.ts";
import { FRESH_IDLE, IdleDraft } from "#app/forms/idle-form.ts";
import { keepDraft, readDraft } from "#app/store/drafts.ts";
import { rawData } from "#app/store/store.ts";
import { writePreferences, readPreferences } from "#app/store/preferences.ts";
import { answerOf, freshRig, logged, posted, RIG } from "../__tests__/rig.ts";
import { clientAction as balance } from "./balance.tsx";
import { clientAction as change } from "./change.tsx";
import { clientAction as cylinders } from "./cylinders.tsx";
import { clientAction as idle, clientLoader as openIdle } from "./idle.tsx";
import { clientAction as idleSpeed } from "./idle-speed.tsx";
import { clientAction as look } from "./look.tsx";

const twin: Entry = {
  id: "build:twin",
  at: at("08:00"),
  kind: "build",
  build: { ...TWIN.build, carburettor: { ...TWIN.build.carburettor, pumpBaseTurns: 1.5 } },
  reopens: [],
  why: "",
};
const present = async () => fold(await logged());
const sent = (content: unknown) =>
  ({
    request: new Request("http://localhost/", { method: "POST", body: JSON.stringify(content) }),
    params: { rigId: RIG },
    context: {},
  }) as never;

async function refused(run: () => Promise<unknown>): Promise<string> {
  const before = JSON.stringify(await rawData());
  const { status, data } = answerOf(await run());
  expect(status).toBeGreaterThanOrEqual(400);
  expect(JSON.stringify(await rawData())).toBe(before);
  return JSON.stringify(data);
}

beforeEach(() => freshRig([twin, air("twin", "08:30")]));

const airOfTest = humidAirFromLog(air("twin", "08:30") as Extract<Entry, { kind: "air" }>);

/** Readings of an engine that is this far off at its base, walked in quarter turns. */
const walked = (error: number, from = 0.25, to = 5) => {
  const engine = simulatedEngine(RIG, TWIN.build, TWIN.build.baseline.setting, airOfTest, {
    mean: error,
    sd: 0,
  });
  return Array.from({ length: Math.round((to - from) * 4) + 1 }, (_, i) => from + i / 4)
    .map((turns) => ({ turns, rpm: Math.round(engine.crestRpm * idleShare(engine.errorAt(turns))) }))
    .filter(({ rpm }) => rpm > 0);
};

describe("the idle bench", () => {
  const log = (points: unknown, changes: readonly object[], simulated = false, carburettor = 0) =>
    idle(sent({ intent: "log", points, changes, simulated, carburettor }));
  const screw = [{ part: "screwTurns", to: 1.75 }];
  const jet = [
    { part: "pilot", to: 40 },
    { part: "screwTurns", to: 2.25 },
  ];

  it("logs its readings, and where the screw was set, in one write", async () => {
    const { data } = answerOf(await log(walked(-0.1, 0.25, 6), screw, true));
    expect(data).toMatchObject({ next: { phase: "blip", points: [], round: 1 } });
    const { looks, setting } = await present();
    expect(looks.at(-1)?.entry).toMatchObject({ simulated: true, reading: { type: "bestIdle" } });
    expect(setting?.screwTurns).toBeLessThan(2.25);
    expect(setting?.pilot).toBe(38);
    expect(await readDraft(IdleDraft, RIG, "idle")).toMatchObject({ phase: "blip" });
  });

  it("says that the idle is still raised, and speaks of one carburettor once they differ", async () => {
    const texts = { pilot: "40", screwTurns: "2 1/4", clip: "3", main: "120", shimMm: "0", carburettor: "2" };
    await change(posted(texts));
    await keepDraft(RIG, "idle", { ...FRESH_IDLE, phase: "walk", raised: true });
    const { data } = answerOf(await log(walked(-0.1, 0.25, 6), screw, false, 1));
    expect(data).toMatchObject({ next: { raised: true } });
    const { looks, settings } = await present();
    expect(looks.at(-1)?.entry).toMatchObject({ cylinder: 2, reading: { type: "bestIdle" } });
    expect(settings[0]).toMatchObject({ pilot: 38, screwTurns: 2.25 });
    expect(settings[1]).not.toMatchObject({ pilot: 40, screwTurns: 2.25 });
  });

  it("fits the next jet of the box with the screw at its base, and begins the walk again", async () => {
    const { data } = answerOf(await log(walked(0.2, 0.5, 10), jet));
    expect(data).toMatchObject({ next: { phase: "walk", round: 2 } });
    expect((await present()).setting).toMatchObject({ pilot: 40, screwTurns: 2.25 });
  });

  it("only logs where nothing was followed, and forgets the half walk", async () => {
    expect(answerOf(await log(walked(-0.1, 0.25, 6), [])).location).toBe(`/rigs/${RIG}`);
    expect((await present()).setting?.screwTurns).toBe(2.25);
    expect(await openIdle({ params: { rigId: RIG } } as never)).toEqual({ draft: FRESH_IDLE });
  });

  it("logs what a blip showed in the zone where it is felt", async () => {
    await idle(sent({ intent: "symptom", symptom: "bogs", simulated: false }));
    expect((await present()).looks.at(-1)?.entry.reading).toEqual({
      type: "symptom",
      zone: "low",
      symptom: "bogs",
    });
  });

  it("refuses readings that show no crest, and what it cannot read", async () => {
    expect(await refused(() => log(walked(0).slice(0, 4), []))).toContain("Five readings at least");
    expect(await refused(() => log(walked(0), [{ part: "screwTurns", to: 12 }]))).toContain("cannot be read");
    expect(await refused(() => log([{ turns: 1, rpm: -5 }], screw))).toContain("cannot be read");
    expect(await refused(() => idle(sent({ intent: "symptom", symptom: "sings" })))).toContain(
      "cannot be read",
    );
  });
});

describe("idle speed and pump", () => {
  it("are kept as they were set", async () => {
    await idleSpeed(posted({ what: "idleSpeed", figure: "1210" }));
    await idleSpeed(posted({ what: "spareIdleSpeed", figure: "900" }));
    await idleSpeed(posted({ what: "pump", figure: "1 3/4" }));
    const { adjusted } = await present();
    expect(adjusted.idleSpeed?.set).toEqual({ what: "idleSpeed", rpm: 1210 });
    expect(adjusted.spareIdleSpeed?.set).toEqual({ what: "spareIdleSpeed", rpm: 900 });
    expect(adjusted.pump?.set).toEqual({ what: "pump", turns: 1.75 });
  });
  it.each([
    ["idleSpeed", "fast", "300 to 8000"],
    ["idleSpeed", "12", "300 to 8000"],
    ["spareIdleSpeed", "1250", "below the idle of 1200"],
    ["pump", "-1", "0 to 20"],
    ["horn", "1", "cannot be read"],
  ])("refuses %s at %s", async (what, figure, words) => {
    expect(await refused(() => idleSpeed(posted({ what, figure })))).toContain(words);
  });
});

describe("the balance", () => {
  const content = {
    linkage: "shaft",
    allowedPa: 2700,
    speed: "idle",
    beforePa: [50_000, 56_000],
    afterPa: [53_000, 53_500],
    simulated: true,
  };
  it("is stored before and after, marked as simulated", async () => {
    expect(answerOf(await balance(sent(content))).location).toBe(`/rigs/${RIG}/cylinders`);
    expect((await present()).balances).toMatchObject([
      { speed: "idle", beforePa: [50_000, 56_000], afterPa: [53_000, 53_500], simulated: true },
    ]);
    expect((await present()).builds).toHaveLength(1);
  });
  it("keeps with the rig what was said of its linkage", async () => {
    await balance(sent({ ...content, linkage: "cables", allowedPa: 2000, simulated: false }));
    const { build, balances, builds } = await present();
    expect(build?.sync).toMatchObject({ linkage: "cables", vacuumSpreadPa: 2000, headerSpreadK: 30 });
    expect(builds).toHaveLength(2);
    expect(balances[0]?.simulated).toBeUndefined();
  });
  it("refuses another number of gauges than carburettors, and gauges that cannot be", async () => {
    const three = [1, 2, 3].map((n) => n * 10_000);
    expect(await refused(() => balance(sent({ ...content, beforePa: three, afterPa: three })))).toContain(
      "2 carburettors",
    );
    expect(await refused(() => balance(sent({ ...content, afterPa: [-5, 1e9] })))).toContain(
      "cannot be read",
    );
  });
});

describe("the cylinders", () => {
  const plugs = { intent: "plugs", zone: "mid", cut: "clean" };
  it("are looked at side by side, each look with its cylinder", async () => {
    await cylinders(sent({ ...plugs, tones: ["biscuit", "umber"] }));
    await cylinders(sent({ ...plugs, tones: [null, "soot"] }));
    const seen = (await present()).looks.map(({ entry: { cylinder, reading } }) => [
      cylinder,
      reading.type === "plug" && reading.tone,
    ]);
    expect(seen).toEqual([
      [1, "biscuit"],
      [2, "umber"],
      [2, "soot"],
    ]);
  });
  it("have their header pipes measured, in the tuner's unit, with the spread that is allowed", async () => {
    await writePreferences({ ...(await readPreferences()), temperature: "°F" });
    await cylinders(sent({ intent: "headers", texts: ["437", "410"], allowed: "36" }));
    const { headers, build } = await present();
    expect(headers?.temperaturesK.map((kelvin) => Math.round(kelvin ?? 0))).toEqual([498, 483]);
    expect(build?.sync?.headerSpreadK).toBeCloseTo(20, 6);
  });
  it("refuse nothing looked at, one pipe alone, and what is no temperature", async () => {
    expect(await refused(() => cylinders(sent({ ...plugs, tones: [null, null] })))).toContain(
      "at least one plug",
    );
    expect(await refused(() => cylinders(sent({ ...plugs, tones: ["biscuit", null, "soot"] })))).toContain(
      "at least one",
    );
    const headers = { intent: "headers", allowed: "" };
    expect(await refused(() => cylinders(sent({ ...headers, texts: ["220", ""] })))).toContain("Two pipes");
    expect(await refused(() => cylinders(sent({ ...headers, texts: ["220", "hot"] })))).toContain("header-1");
    expect(
      await refused(() => cylinders(sent({ ...headers, texts: ["220", "210"], allowed: "-3" }))),
    ).toContain("allowed");
  });
  it("name themselves in a single look too", async () => {
    const plug = { type: "plug", zone: "top", tone: "cocoa", cut: "clean", colderSteps: "0" };
    await look(posted({ ...plug, cylinder: "2" }));
    await look(posted({ ...plug, cylinder: "" }));
    await look(posted({ ...plug, cylinder: "7" }));
    expect((await present()).looks.map(({ entry }) => entry.cylinder)).toEqual([2, undefined, undefined]);
  });
});

describe("a change on one carburettor", () => {
  const texts = { pilot: "38", screwTurns: "2 1/4", clip: "3", main: "122.5", shimMm: "0" };
  it("leaves the others as they are; without a number it is for all", async () => {
    await change(posted({ ...texts, carburettor: "2" }));
    expect((await present()).settings.map(({ main }) => main)).toEqual([120, 122.5]);
    await change(posted({ ...texts, main: "117.5", carburettor: "" }));
    expect((await present()).settings.map(({ main }) => main)).toEqual([117.5, 117.5]);
  });
  it("is refused where it is fitted there already, or the machine cannot have it", async () => {
    expect(await refused(() => change(posted({ ...texts, main: "120", carburettor: "1" })))).toContain(
      "Nothing differs",
    );
    expect(await refused(() => change(posted({ ...texts, clip: "9", carburettor: "2" })))).toContain("clip");
  });
});
