/** Walk-round, box, base sheet, teardown and work: what their actions log, and what they refuse. */
import { build, fit } from "../../../core/__tests__/entries.ts";
import { listSheets } from "#app/store/base-sheets.ts";
import { RIG, answerOf, freshRig, logged, present, refused, sent } from "#app/testing/rig.ts";
import { clientAction as check, clientLoader as openCheck } from "./check/route.tsx";
import { clientAction as tap } from "#app/frame/route.tsx";
import { clientAction as walkRound } from "./route.tsx";

beforeEach(() => freshRig([build(), fit("0001", "08:30", 160)]));
afterEach(() => jest.restoreAllMocks());

describe("the walk-round", () => {
  const nothing = { state: "pass", measured: {}, limits: {}, findings: [], note: "" };

  it("logs a pass in one tap", async () => {
    await walkRound(sent({ check: "choke", state: "pass" }));
    expect((await present()).checks.choke).toMatchObject({ state: "pass", measured: {} });
    expect(await refused(() => walkRound(sent({ check: "horn", state: "pass" })))).toContain(
      "cannot be read",
    );
  });

  it("logs what was measured and goes on to the next check", async () => {
    const content = { ...nothing, measured: { cableSlackMm: "3,5" }, note: "new cable" };
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
    await check(sent({ ...nothing, measured: { floatLeftMm: "16" }, limits }, { check: "floatHeight" }));
    const { sheet } = await present();
    expect(sheet).toMatchObject({ stamp: "E 38-2", limits: { floatLeftMm: { min: 15, max: 17 } } });
    expect(await listSheets()).toMatchObject({ ok: true, value: [{ stamp: "E 38-2" }] });
    const entries = (await logged()).length;
    await check(sent({ ...nothing, measured: { floatLeftMm: "16" }, limits }, { check: "floatHeight" }));
    expect((await logged()).length).toBe(entries + 1); // the limits say what they said: no new sheet
  });

  it.each([
    ["a height that is no number", { measured: { floatLeftMm: "high" } }, "is not a number"],
    [
      "limits the wrong way round",
      { limits: { floatLeftMm: { min: "17", max: "15", source: "" } } },
      "wrong way round",
    ],
    [
      "a limit that is no number",
      { limits: { floatLeftMm: { min: "x", max: "", source: "" } } },
      "is not a number",
    ],
    ["a float of a metre", { measured: { floatLeftMm: "1000" } }, "float height, left must be in 0..80 mm"],
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
    expect(await refused(() => tap(sent({ intent: "override", reason: " " })))).toContain("Say why");
    await tap(sent({ intent: "override", reason: "last heat" }));
    expect(await present()).toMatchObject({
      held: [],
      overridden: { checks: ["choke"], reason: "last heat" },
    });
    expect(await refused(() => tap(sent({ intent: "override", reason: "again" })))).toContain(
      "Nothing holds",
    );
  });
});
