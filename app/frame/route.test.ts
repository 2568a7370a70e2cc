import { air, build, fit, lookWith, look, plug } from "../../core/__tests__/entries.ts";
import { fold } from "#core/log/fold.ts";
import { RIG, answerOf, dayAs, freshRig, logged, sent, refusal } from "#app/testing/rig.ts";
import { clientAction as tap, clientLoader as openRigScreen } from "./route.tsx";

beforeEach(() => freshRig([build(), air("0001", "08:30"), fit("0001", "08:40", 160)]));
afterEach(() => jest.restoreAllMocks());

describe("taps", () => {
  const fitted = (to: number) => ({
    intent: "fit",
    because: "advice",
    changes: [{ part: "main", to }],
  });

  it("mark a change fitted, and put it back", async () => {
    await tap(sent(fitted(155)));
    expect(fold(await logged()).openChange).toMatchObject({ before: { main: 165 }, after: { main: 155 } });
    await tap(sent({ intent: "fit", because: "putBack", changes: [{ part: "main", to: 165 }] }));
    expect(fold(await logged()).openChange).toBeUndefined();
  });

  it("strike an entry through and note something", async () => {
    await tap(sent({ intent: "strike", strikes: "fit:0001", why: "" }));
    await tap(sent({ intent: "note", text: " Dusty. " }));
    const entries = await logged();
    expect(fold(entries).setting?.main).toBe(165);
    expect(entries.at(-1)).toMatchObject({ kind: "note", text: "Dusty." });
  });

  it("tell a ride zone by zone, say one otherwise, and take all of it back", async () => {
    const felt = async () =>
      fold(await logged()).looks.map(({ entry }) =>
        entry.reading.type === "rideReport" ? entry.reading.felt : undefined,
      );
    const ride = async (fields: object) => {
      const { data } = answerOf(await tap(sent({ intent: "ride", ...fields }))) as {
        data: { logged: string[] };
      };
      return data.logged[0] ?? "";
    };
    const rides = async () => fold(await logged()).looks.map(({ entry }) => entry.ride);
    const told = (zones: object) => ({ felt: zones });
    const first = await ride(told({ top: "rich" }));
    const whole = await ride({ ...told({ top: "rich", mid: "clean" }), replaces: first });
    expect(await felt()).toEqual([{ top: "rich", mid: "clean" }]);
    const [name] = await rides();
    const again = await ride({ ...told({ top: "lean", mid: "clean" }), replaces: whole });
    expect(await felt()).toEqual([{ top: "lean", mid: "clean" }]);
    expect(await rides()).toEqual([name]);
    await tap(sent({ intent: "strikeAll", strikes: [again], why: "" }));
    expect(await felt()).toEqual([]);
    await ride(told({ idle: "clean" }));
    expect(await rides()).not.toEqual([name]);
  });

  it.each(["pings", "cutsOutHeldOpen", "seized"])("log %s in one tap, in its zone", async (symptom) => {
    await tap(sent({ intent: "stopped", symptom }));
    expect((await logged()).at(-1)).toMatchObject({
      kind: "look",
      reading: { type: "symptom", symptom, zone: "top" },
    });
  });

  it("settle what was felt and what was read, and keep what was said of other zones", async () => {
    await freshRig([
      build(),
      lookWith("ride", "09:00", { type: "rideReport", felt: { top: "rich", mid: "clean" } }),
      plug("0002", "09:10", "top", "bone"),
    ]);
    const between = { intent: "settle", zone: "top", ride: "look:ride", plug: "look:0002" };
    await tap(sent({ ...between, right: "plug" }));
    const { looks } = fold(await logged());
    expect(looks.map(({ entry }) => entry.reading)).toEqual([
      expect.objectContaining({ type: "plug", tone: "bone" }),
      { type: "rideReport", felt: { mid: "clean" } },
    ]);
    expect((await refusal(() => tap(sent({ ...between, right: "plug" })))).message).toContain("any more");
    await tap(sent({ ...between, right: "ride" }));
    expect(fold(await logged()).looks.map(({ entry }) => entry.reading.type)).toEqual(["rideReport"]);
  });

  it.each([
    [{ intent: "ride", felt: { attic: "rich" } }, "Unrecognized"],
    [{ intent: "ride", felt: { top: "fizzy" } }, "Choose one"],
    [{ intent: "ride", felt: {} }, "at least one zone"],
    [{ intent: "stopped", symptom: "smokes" }, "Choose one"],
    [{ intent: "strikeAll", strikes: [], why: "" }, "at least 1"],
    [{ intent: "strikeAll", strikes: "all", why: "" }, "cannot be read"],
    [{ intent: "note", text: "  " }, "Write a note first."],
    [{ intent: "fit", because: "advice", changes: [] }, "at least 1"],
    [
      { intent: "fit", because: "advice", changes: [{ part: "clip", to: 12 }] },
      "clip must be in 1..5, got 12",
    ],
    [{ intent: "explode" }, ""],
  ])("refuse %p", async (fields, words) => {
    expect((await refusal(() => tap(sent(fields)))).message).toContain(words);
  });
});

describe("opening a rig", () => {
  const opened = (rigId: string) => openRigScreen({ params: { rigId } } as never);

  it("gives the folded log and the units", async () => {
    await tap(sent({ intent: "note", text: "x" }));
    expect(await opened(RIG)).toMatchObject({ fitted: { main: 160 }, preferences: { pressure: "hPa" } });
  });

  it("answers 404 for a rig that is not here, 500 with the way out for one that cannot be read", async () => {
    await expect(opened("rig:none")).rejects.toMatchObject({ init: { status: 404 } });
    await dayAs({ version: 1, revision: 1, entries: [look("0001", "09:00"), 3] });
    await expect(opened(RIG)).rejects.toMatchObject({
      init: { status: 500 },
      data: expect.stringContaining("entries[1]") as string,
    });
  });
});
