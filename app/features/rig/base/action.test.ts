/** Walk-round, box, base sheet, teardown and work: what their actions log, and what they refuse. */
import { build, fit } from "../../../../core/__tests__/entries.ts";
import type { BaseSheet, Build } from "#core/log/schema.ts";
import { ENDURO_BUILD } from "#demo/enduro-build.ts";
import { baseTexts } from "./form.ts";
import { listSheets, saveSheets } from "#app/store/base-sheets.ts";
import { database, metaKey } from "#app/store/database.ts";
import { freshRig, logged, present, refused, sent } from "#app/testing/rig.ts";
import { clientAction as tap } from "#app/frame/route.tsx";
import { clientAction as importSheets } from "./sheets.ts";
import { clientAction as base } from "./route.tsx";

beforeEach(() => freshRig([build(), fit("0001", "08:30", 160)]));
afterEach(() => jest.restoreAllMocks());

describe("the base sheet", () => {
  const sheet: BaseSheet = {
    stamp: "E 38-2",
    source: "manual",
    setting: { ...ENDURO_BUILD.baseline.setting, main: 170, clip: 4 },
    limits: {},
  };
  it("is saved with the rig and found again by its number", async () => {
    await base(sent(baseTexts(sheet)));
    expect((await present()).sheet).toEqual(sheet);
    expect(await listSheets()).toEqual({ ok: true, value: [sheet] });
  });

  it("puts everything back to base as one entry", async () => {
    await base(sent(baseTexts(sheet)));
    const before = (await logged()).length;
    await tap(sent({ intent: "toBase" }));
    const after = await logged();
    expect(after.length).toBe(before + 1);
    expect(after.at(-1)).toMatchObject({ kind: "fit", because: "base" });
    expect((await present()).setting).toEqual(sheet.setting);
    expect(await refused(() => tap(sent({ intent: "toBase" })))).toContain("at its base already");
  });

  it("puts each of several carburettors back to its own base", async () => {
    const { setting } = ENDURO_BUILD.baseline;
    const change: Partial<Build> = {
      engine: { ...ENDURO_BUILD.engine, cylinders: 2 },
      carburettors: 2,
      others: [{ carburettor: ENDURO_BUILD.carburettor, setting: { ...setting, main: 150 } }],
    };
    await freshRig([build("08:00", change), fit("0001", "08:30", 160)]);
    await tap(sent({ intent: "toBase" }));
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
    [
      "a jet that is none",
      { setting: { ...baseTexts(sheet).setting, main: "big" } },
      "“big” is not a number",
    ],
    [
      "a groove the needle has not",
      { setting: { ...baseTexts(sheet).setting, clip: "9" } },
      "clip must be in 1..5",
    ],
  ])("refuses %s", async (_, change, words) => {
    expect(await refused(() => base(sent({ ...baseTexts(sheet), ...change })))).toContain(words);
  });

  it("imports sheets; a newer one takes the place of an older one of that number", async () => {
    await saveSheets([sheet, { ...sheet, stamp: "A 1" }]);
    await importSheets(sent([{ ...sheet, source: "newer manual" }]));
    const kept = await listSheets();
    expect(kept.ok && kept.value.map(({ stamp, source }) => [stamp, source])).toEqual([
      ["A 1", "manual"],
      ["E 38-2", "newer manual"],
    ]);
    await database.setItem(metaKey("base-sheets"), [{ stamp: 3 }]);
    expect(await saveSheets([sheet])).toMatchObject({ ok: false, problem: { reason: "unreadable" } });
  });
});
