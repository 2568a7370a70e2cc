/** Walk-round, box, base sheet, teardown and work: what their actions log, and what they refuse. */
import { build, fit } from "../../core/__tests__/entries.ts";
import { fold } from "#core/log/fold.ts";
import type { BaseSheet, Build } from "#core/log/schema.ts";
import { ENDURO_BUILD } from "#demo/enduro-build.ts";
import { baseTexts } from "#app/forms/base-form.ts";
import { listSheets, saveSheets } from "#app/store/base-sheets.ts";
import { database, metaKey } from "#app/store/database.ts";
import { photoKey, photosOf, putPhotos, readPhoto } from "#app/store/photos.ts";
import { importRigs, rawData, removeRig } from "#app/store/store.ts";
import { answerOf, freshRig, logged, posted, RIG } from "../__tests__/rig.ts";
import { clientAction as base } from "./base.tsx";
import { clientAction as box } from "./box.tsx";
import { clientAction as check, clientLoader as openCheck } from "./check.tsx";
import { clientAction as tap } from "./rig.tsx";
import { clientAction as teardown } from "./teardown.tsx";
import { clientAction as walkRound } from "./walk-round.tsx";
import { clientAction as work } from "./work.tsx";

const present = async () => fold(await logged());

const sent = (content: unknown, params: Record<string, string> = {}) =>
  ({
    request: new Request("http://localhost/", { method: "POST", body: JSON.stringify(content) }),
    params: { rigId: RIG, ...params },
    context: {},
  }) as never;

async function refused(run: () => Promise<unknown>) {
  const before = JSON.stringify(await rawData());
  const { status, data } = answerOf(await run());
  expect(status).toBeGreaterThanOrEqual(400);
  expect(JSON.stringify(await rawData())).toBe(before);
  return JSON.stringify(data);
}

beforeEach(() => freshRig([build(), fit("0001", "08:30", 160)]));
afterEach(() => jest.restoreAllMocks());

describe("the walk-round", () => {
  const nothing = { state: "pass", texts: {}, limits: {}, findings: [], note: "" };

  it("logs a pass in one tap", async () => {
    await walkRound(posted({ check: "choke", state: "pass" }));
    expect((await present()).checks.choke).toMatchObject({ state: "pass", measured: {} });
    expect(await refused(() => walkRound(posted({ check: "horn", state: "pass" })))).toContain(
      "cannot be saved",
    );
  });

  it("logs what was measured and goes on to the next check", async () => {
    const content = { ...nothing, texts: { cableSlackMm: "3,5" }, note: "new cable" };
    expect(answerOf(await check(sent(content, { check: "cable" })))).toMatchObject({
      location: `/rigs/${RIG}/walk-round/breathing`,
    });
    expect((await present()).checks.cable).toMatchObject({
      measured: { cableSlackMm: 3.5 },
      note: "new cable",
    });
  });

  it("keeps the tuner's own limits, in the log and for the next carburettor with that number", async () => {
    const limits = { floatLeftMm: { min: "15", max: "17", source: "manual, page 41" } };
    await check(sent({ ...nothing, texts: { floatLeftMm: "16" }, limits }, { check: "floatHeight" }));
    const { sheet } = await present();
    expect(sheet).toMatchObject({ stamp: "E 38-2", limits: { floatLeftMm: { min: 15, max: 17 } } });
    expect(await listSheets()).toMatchObject({ ok: true, value: [{ stamp: "E 38-2" }] });
    const entries = (await logged()).length;
    await check(sent({ ...nothing, texts: { floatLeftMm: "16" }, limits }, { check: "floatHeight" }));
    expect((await logged()).length).toBe(entries + 1); // the limits say what they said: no new sheet
  });

  it.each([
    ["a height that is no number", { texts: { floatLeftMm: "high" } }, "is not a number"],
    [
      "limits the wrong way round",
      { limits: { floatLeftMm: { min: "17", max: "15", source: "" } } },
      "wrong way round",
    ],
    [
      "a limit that is no number",
      { limits: { floatLeftMm: { min: "x", max: "", source: "" } } },
      "A limit is a number",
    ],
    ["a float of a metre", { texts: { floatLeftMm: "1000" } }, "float height, left must be in 0..80 mm"],
    ["a state that is none", { state: "fine" }, "cannot be read"],
  ])("refuses %s", async (_, change, words) => {
    expect(await refused(() => check(sent({ ...nothing, ...change }, { check: "floatHeight" })))).toContain(
      words,
    );
  });

  it("has no page for a check that is none", () => {
    expect(() => openCheck({ params: { check: "horn" } } as never)).toThrow();
  });

  it("holds the card back on a stop, until I know is said with a reason", async () => {
    const content = { ...nothing, state: "stop", findings: ["chokePartOpen"] };
    expect(answerOf(await check(sent(content, { check: "choke" })))).toMatchObject({
      location: `/rigs/${RIG}/walk-round`,
    });
    expect((await present()).held).toEqual(["choke"]);
    expect(await refused(() => tap(posted({ intent: "override", reason: " " })))).toContain("Say why");
    await tap(posted({ intent: "override", reason: "last heat" }));
    expect(await present()).toMatchObject({
      held: [],
      overridden: { checks: ["choke"], reason: "last heat" },
    });
    expect(await refused(() => tap(posted({ intent: "override", reason: "again" })))).toContain(
      "Nothing holds",
    );
  });
});

describe("the box", () => {
  it("is logged whole, and is the rig's from then on", async () => {
    const next = {
      pilots: [45],
      mains: [150, 155],
      shimsMm: [],
      drilled: [{ part: "main", stamped: 148, measuredMm: 1.58 }],
    };
    await box(sent(next));
    expect((await present()).build?.box).toEqual(next);
    expect(await refused(() => box(sent({ ...next, mains: [2] })))).toContain("cannot be read");
  });
});

describe("the base sheet", () => {
  const sheet: BaseSheet = {
    stamp: "E 38-2",
    source: "manual",
    setting: { ...ENDURO_BUILD.baseline.setting, main: 170, clip: 4 },
    limits: {},
  };
  it("is saved with the rig and found again by its number", async () => {
    await base(sent({ intent: "sheet", ...baseTexts(sheet) }));
    expect((await present()).sheet).toEqual(sheet);
    expect(await listSheets()).toEqual({ ok: true, value: [sheet] });
  });

  it("puts everything back to base as one entry", async () => {
    await base(sent({ intent: "sheet", ...baseTexts(sheet) }));
    const before = (await logged()).length;
    await base(sent({ intent: "putToBase" }));
    const after = await logged();
    expect(after.length).toBe(before + 1);
    expect(after.at(-1)).toMatchObject({ kind: "fit", because: "base" });
    expect((await present()).setting).toEqual(sheet.setting);
    expect(await refused(() => base(sent({ intent: "putToBase" })))).toContain("at its base already");
  });

  it("puts each of several carburettors back to its own base", async () => {
    const { setting } = ENDURO_BUILD.baseline;
    const change: Partial<Build> = {
      engine: { ...ENDURO_BUILD.engine, cylinders: 2 },
      carburettors: 2,
      others: [{ carburettor: ENDURO_BUILD.carburettor, setting: { ...setting, main: 150 } }],
    };
    await freshRig([build("08:00", change), fit("0001", "08:30", 160)]);
    await base(sent({ intent: "putToBase" }));
    const { settings } = await present();
    expect(settings.map(({ main }) => main)).toEqual([165, 150]);
    expect((await logged()).at(-1)).toMatchObject({
      changes: [
        { part: "main", to: 165, carburettor: 1 },
        { part: "main", to: 150, carburettor: 2 },
      ],
    });
  });

  it.each([
    ["no number", { stamp: " " }, "Type the number stamped"],
    ["a jet that is none", { setting: { ...baseTexts(sheet).setting, main: "big" } }, "This is not a number"],
    [
      "a groove the needle has not",
      { setting: { ...baseTexts(sheet).setting, clip: "9" } },
      "clip must be in 1..5",
    ],
  ])("refuses %s", async (_, change, words) => {
    expect(await refused(() => base(sent({ intent: "sheet", ...baseTexts(sheet), ...change })))).toContain(
      words,
    );
  });

  it("imports sheets; a newer one takes the place of an older one of that number", async () => {
    await saveSheets([sheet, { ...sheet, stamp: "A 1" }]);
    await base(sent({ intent: "import", sheets: [{ ...sheet, source: "newer manual" }] }));
    const kept = await listSheets();
    expect(kept.ok && kept.value.map(({ stamp, source }) => [stamp, source])).toEqual([
      ["A 1", "manual"],
      ["E 38-2", "newer manual"],
    ]);
    await database.setItem(metaKey("base-sheets"), [{ stamp: 3 }]);
    expect(await saveSheets([sheet])).toMatchObject({ ok: false, problem: { reason: "unreadable" } });
  });
});

describe("the teardown", () => {
  const photo = { id: "photo:0001", widthPx: 4, heightPx: 3 };
  const taken = (step: string, reads: string, more: object = {}, blobs = 0) => {
    const form = new FormData();
    form.set(
      "content",
      JSON.stringify({ step, moved: "out", reads, torque: "", note: "", photos: [], ...more }),
    );
    for (let i = 0; i < blobs; i += 1) {
      const bytes = new Uint8Array([1, 2, 3]);
      // jsdom's files have no arrayBuffer
      form.append(
        "photo",
        Object.assign(new File([bytes], "p.jpg"), { arrayBuffer: () => Promise.resolve(bytes.buffer) }),
      );
    }
    // Read in another realm the form would not be one: the action only asks for its form.
    return {
      request: { formData: () => Promise.resolve(form) },
      params: { rigId: RIG },
      context: {},
    } as never;
  };

  it("puts a jet's stamp straight into what is fitted, and a measure straight into the rig", async () => {
    expect(answerOf(await teardown(taken("mainJet", "158")))).toMatchObject({
      location: `/rigs/${RIG}/teardown?step=needleJet`,
    });
    expect((await present()).setting?.main).toBe(158);
    await teardown(taken("needleJet", "2,70"));
    expect((await present()).build?.carburettor.needleJetMm).toBe(2.7);
    await teardown(taken("stamp", "E 38-3"));
    expect((await present()).build?.carburettor.stamp).toBe("E 38-3");
    expect((await present()).teardown.map(({ step }) => step)).toEqual(["mainJet", "needleJet", "stamp"]);
  });

  it("takes a float's height for the walk-round's own measure", async () => {
    await teardown(taken("float", "16,2"));
    expect((await present()).checks.floatHeight).toMatchObject({
      measured: { floatLeftMm: 16.2 },
      state: "pass",
    });
    expect(await refused(() => teardown(taken("float", "900")))).toContain(
      "float height, left must be in 0..80 mm",
    );
  });

  it("logs nothing twice: what reads as it stood is only a step", async () => {
    const before = (await logged()).length;
    await teardown(taken("mainJet", "160"));
    expect((await logged()).length).toBe(before + 1);
  });

  it.each([
    ["mainJet", "one fifty", "is not a number"],
    ["mainJet", "2", "cannot be 2"],
    ["clip", "9", "clip must be in 1..5, got 9"],
    ["needleJet", "2.5", "needle must be thinner than its jet"],
  ])("refuses %s that reads %s", async (step, reads, words) => {
    expect(await refused(() => teardown(taken(step, reads)))).toContain(words);
  });

  it("keeps photos with the rig, and gives them up with it", async () => {
    await teardown(taken("asFound", "", { photos: [photo] }, 1));
    expect(await readPhoto(RIG, photo.id)).toHaveLength(3);
    expect(await photosOf(RIG, await logged())).toMatchObject([{ rigId: RIG, id: photo.id }]);
    expect(await refused(() => teardown(taken("slide", "", { photos: [photo] }, 0)))).toContain("got lost");
    await removeRig(RIG);
    expect(await database.getItem(photoKey(RIG, photo.id))).toBeNull();
  });

  it("keeps neither photo nor entry on a full device", async () => {
    const full = Object.assign(new Error("full"), { name: "QuotaExceededError" });
    const setItem = database.setItem.bind(database);
    jest
      .spyOn(database, "setItem")
      .mockImplementation((key, value) =>
        key.includes("/day/") ? Promise.reject(full) : setItem(key, value),
      );
    expect(await refused(() => teardown(taken("asFound", "", { photos: [photo] }, 1)))).toContain(
      "no room left",
    );
    expect(await readPhoto(RIG, photo.id)).toBeUndefined();
  });

  it("imports photos with their rig, or not at all", async () => {
    const bytes = new Uint8Array([1, 2]);
    const clash = { header: { id: RIG, name: "x", plate: "1" }, entries: [fit("0001", "08:30", 150)] };
    expect(await importRigs([clash], [{ rigId: RIG, id: "photo:0002", bytes }])).toMatchObject({ ok: false });
    expect(await readPhoto(RIG, "photo:0002")).toBeUndefined();
    expect(await putPhotos([{ rigId: RIG, id: "photo:0002", bytes }])).toMatchObject({ ok: true });
    expect(await readPhoto(RIG, "photo:0002")).toHaveLength(2);
  });
});

describe("work done", () => {
  it("is logged by what it was", async () => {
    await work(posted({ what: "pipeChanged", why: "class pipe" }));
    expect((await present()).reopenings).toEqual([["pilot", "needle", "main", "zones"]]);
    expect(await refused(() => work(posted({ what: "polished", why: "" })))).toContain(
      "Choose what was done",
    );
  });
});
