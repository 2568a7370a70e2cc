/** Preferences and work half done: small records of the device. */
import { IdleDraft } from "#app/features/idle/form.ts";
import type { Advice } from "#core/advice/card/advise.ts";
import { keepLastAdvice, readLastAdvice } from "./last-advice.ts";
import { database } from "./database.ts";
import { dropDraft, keepDraft, readDraft } from "./drafts.ts";
import type { Revision } from "#app/workers/revision.ts";
import { readPreferences, writePreferences } from "./preferences.ts";

const rev = (rigId: string, count: number, token = "t"): Revision => ({ rigId, token, count });

describe("preferences", () => {
  it("are kept, and the usual ones stand in for unreadable ones", async () => {
    await writePreferences({
      temperature: "°F",
      pressure: "inHg",
      length: "ft",
      mixture: "afr",
      speed: "km/h",
      vacuum: "kPa",
      keys: "on",
      hints: "shown",
      walkRoundPutOff: {},
    });
    expect((await readPreferences()).pressure).toBe("inHg");
    await database.setItem("meta/preferences", { pressure: "bar" });
    expect(await readPreferences()).toEqual({
      temperature: "°C",
      pressure: "hPa",
      length: "m",
      mixture: "lambda",
      speed: "km/h",
      vacuum: "kPa",
      keys: "on",
      hints: "shown",
      walkRoundPutOff: {},
    });
  });

  it("that cannot be kept say so", async () => {
    const full = Object.assign(new Error("full"), { name: "QuotaExceededError" });
    jest.spyOn(database, "setItem").mockRejectedValueOnce(full);
    const units = await readPreferences();
    expect(await writePreferences(units)).toMatchObject({ ok: false, problem: { reason: "full" } });
  });
});

describe("the last advice", () => {
  it("is kept with the face of the rig, and never with the log that was at hand", async () => {
    const log = { lines: Array.from({ length: 1000 }, (_, i) => ({ entry: i })) };
    const face = { advice: { card: 1 } as unknown as Advice, air: undefined, held: [], ...log };
    await keepLastAdvice(rev("rig:one", 1), [], face);
    expect(JSON.stringify(await database.getItem("rig:one/advice")).length).toBeLessThan(300);
    expect(await readLastAdvice(rev("rig:one", 1), [])).toMatchObject({ advice: { card: 1 } });
    expect(await readLastAdvice(rev("rig:one", 2), [])).toBeUndefined();
  });
});

describe("advice that has become something else in storage", () => {
  it.each([
    ["an empty one", { advice: {} }],
    ["one without its card", { advice: { card: null } }],
    ["one without a seal", { seal: undefined }],
  ])("is worked out again: %s", async (_, change) => {
    const face = { advice: { card: { rows: [] } } as unknown as Advice, air: undefined, held: [] };
    await keepLastAdvice(rev("rig:one", 1), [], face);
    const kept = await database.getItem<object>("rig:one/advice");
    await database.setItem("rig:one/advice", { ...kept, ...change });
    expect(await readLastAdvice(rev("rig:one", 1), [])).toBeUndefined();
  });
});

describe("work half done", () => {
  const half = { phase: "walk", points: [{ turns: 1, rpm: 1500 }], raised: true, simulated: false, round: 1 };
  it("is kept for its rig, and forgotten when it is done", async () => {
    await keepDraft("rig:one", "idle", half);
    expect(await readDraft(IdleDraft, "rig:one", "idle")).toEqual(half);
    expect(await readDraft(IdleDraft, "rig:two", "idle")).toBeUndefined();
    await dropDraft("rig:one", "idle");
    expect(await readDraft(IdleDraft, "rig:one", "idle")).toBeUndefined();
  });
  it("is as good as none when it cannot be read, and no reason to stop when it cannot be kept", async () => {
    await database.setItem("meta/draft/idle/rig:one", { ...half, phase: "dance" });
    expect(await readDraft(IdleDraft, "rig:one", "idle")).toBeUndefined();
    jest.spyOn(database, "setItem").mockRejectedValue(new Error("full"));
    await expect(keepDraft("rig:one", "idle", half)).resolves.toBeUndefined();
    jest.restoreAllMocks();
  });
});
