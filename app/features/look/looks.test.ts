/** Looks of the newer kinds, from the form's texts to the log. */
import { air, build, fit } from "../../../core/__tests__/entries.ts";
import { fold } from "#core/log/fold.ts";
import type { Reading } from "#core/log/schema.ts";
import { BuildForm } from "#app/features/rig/described/form.ts";
import { buildTexts } from "#app/features/rig/described/texts.ts";
import { ENDURO_BUILD } from "#demo/enduro-build.ts";
import { clientAction as logLook } from "./route.tsx";
import { heatRangeOptions } from "#app/vocabulary/heat-range.ts";
import { answerOf, freshRig, logged, sent } from "#app/testing/rig.ts";
import { heatTexts, readHeat, type HeatSent } from "./heat-form.ts";
import { NOTHING_TYPED } from "./kinds.ts";
import { typedLook } from "#app/testing/typed-look.ts";
const lookOf = async (): Promise<Reading | undefined> => {
  const last = (await logged()).at(-1);
  return last?.kind === "look" ? last.reading : undefined;
};
beforeEach(() => freshRig([build(), air("0001", "08:30"), fit("0001", "08:40", 160)]));

describe("a plug with all there is to say of it", () => {
  const PLUG = { ...NOTHING_TYPED.plug, tone: "cocoa", colderSteps: "1" };
  it("is logged with its places, how it was marked, and the photo's certainty", async () => {
    const plug = {
      ...PLUG,
      places: { strap: "straw", ring: "umber" },
      made: { by: "steady", amount: 150 },
      used: true,
      photo: { tone: "cocoa", sure: 0.8 },
      findings: ["oily"],
    };
    expect(answerOf(await logLook(sent(typedLook("plug", plug)))).status).toBe(200);
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
    // The photo said another tone than the tuner: its certainty is not that of his word.
    await logLook(sent(typedLook("plug", { ...PLUG, photo: { tone: "soot", sure: 0.8 } })));
    expect(Object.keys((await lookOf()) ?? {})).toEqual(["type", "zone", "tone", "cut", "colderSteps"]);
  });
  it.each([
    ["places", "{"],
    ["places", { strap: "green" }],
    ["made", { by: "magic" }],
    ["photo", { tone: "cocoa", sure: 7 }],
  ])("refuses %s %s and saves nothing", async (field, value) => {
    expect(answerOf(await logLook(sent(typedLook("plug", { ...PLUG, [field]: value })))).status).toBe(400);
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
    await logLook(sent(typedLook("witness", { crown: "washed", colour: "black" })));
    const kinds = (await logged()).flatMap((entry) => (entry.kind === "look" ? [entry.reading.type] : []));
    expect(kinds).toEqual(["crown", "header"]);
  });
  it("ask for one of them at least", async () => {
    const { data } = answerOf(
      await logLook(sent(typedLook("witness", { crown: "unseen", colour: "unseen" }))),
    );
    expect(data).toMatchObject({ fields: { "witness.crown": "Say what the crown or the header showed." } });
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
      sent(typedLook("temperature", exhaust({ exhaust: "640", exhaustTarget: "620", exhaustWithin: "15" }))),
    );
    const { build: now } = fold(await logged());
    expect(now?.heat).toEqual({ exhaust: { top: { targetK: 893.15, withinK: 15 } } });
    expect(heatTexts(now?.heat ?? {}, "top", "°C")).toMatchObject({
      exhaustTarget: "620",
      exhaustWithin: "15",
    });
    await logLook(
      sent(typedLook("temperature", exhaust({ exhaust: "630", exhaustTarget: "620", exhaustWithin: "15" }))),
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
