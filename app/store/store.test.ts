import { air, at, build, fit, look, plug } from "../../core/__tests__/entries.ts";
import { ENDURO_HEADER } from "#demo/enduro-build.ts";
import { freshRig, logged, RIG } from "../__tests__/rig.ts";
import { database, dayKey, headerKey } from "./database.ts";
import { gatherRigs } from "./export.ts";
import { IdleDraft } from "#app/forms/idle-form.ts";
import { dropDraft, keepDraft, readDraft } from "./drafts.ts";
import { readPreferences, writePreferences } from "./preferences.ts";
import { append, importRigs, listRigs, rawData, readRig, removeRig } from "./store.ts";

const quotaError = () => Object.assign(new Error("full"), { name: "QuotaExceededError" });
const everything = async () => JSON.stringify(await rawData());

beforeEach(() => freshRig());
afterEach(() => jest.restoreAllMocks());

describe("appending", () => {
  it("keeps an entry under its own day and raises the day's revision", async () => {
    const before = await readRig(RIG);
    expect(await append(RIG, look("0001", "09:00"))).toEqual({ ok: true, value: null });
    const after = await readRig(RIG);
    expect(after.ok && after.value.entries.map(({ id }) => id)).toEqual(["build:0001", "look:0001"]);
    expect(before.ok && after.ok && before.value.revision !== after.value.revision).toBe(true);
    expect(await database.keys()).toContain(dayKey(RIG, "2026-05-23"));
  });

  it("loses nothing when many write at once", async () => {
    const ids = Array.from({ length: 25 }, (_, i) => String(1000 + i));
    await Promise.all(ids.map((id) => append(RIG, look(id, "09:00"))));
    expect((await logged()).length).toBe(26);
  });

  it("says that the device is full, and changes nothing", async () => {
    const before = await everything();
    jest.spyOn(database, "setItem").mockRejectedValueOnce(quotaError());
    const result = await append(RIG, look("0001", "09:00"));
    expect(result).toMatchObject({ ok: false, problem: { reason: "full" } });
    expect(!result.ok && result.problem.message).toContain("What you typed is still here");
    expect(await everything()).toBe(before);
  });

  it("says that a private window keeps nothing", async () => {
    jest.spyOn(database, "getItem").mockRejectedValue(new Error("A mutation operation was attempted"));
    expect(await append(RIG, look("0001", "09:00"))).toMatchObject({
      ok: false,
      problem: { reason: "unavailable" },
    });
  });

  it("refuses a rig that is not there", async () => {
    expect(await append("rig:none", look("0001", "09:00"))).toMatchObject({
      ok: false,
      problem: { reason: "missing" },
    });
  });
});

describe("reading", () => {
  it("orders entries by time whatever order they came in", async () => {
    await append(RIG, look("0002", "11:00"));
    await append(RIG, look("0001", "09:00"));
    expect((await logged()).map(({ id }) => id)).toEqual(["build:0001", "look:0001", "look:0002"]);
  });

  it.each([
    ["a number where entries belong", { version: 1, revision: 2, entries: 7 }, "entries"],
    ["a record of nothing", "gone", "the record: Invalid input: expected object"],
    ["a newer Tamis", { version: 99, revision: 2, entries: [] }, "newer Tamis"],
  ])("says where the store cannot be read: %s", async (_, value, words) => {
    await database.setItem(dayKey(RIG, "2026-05-23"), value);
    const read = await readRig(RIG);
    expect(read).toMatchObject({ ok: false, problem: { reason: "unreadable" } });
    expect(!read.ok && read.problem.message).toContain(words);
    expect(await database.getItem(dayKey(RIG, "2026-05-23"))).toEqual(value);
    expect(await append(RIG, look("0001", "09:00"))).toMatchObject({ ok: false });
    expect(await database.getItem(dayKey(RIG, "2026-05-23"))).toEqual(value);
  });

  it("lists only rigs whose header can be read", async () => {
    await database.setItem(headerKey("rig:broken"), { name: 3 });
    const list = await listRigs();
    expect(list.ok && list.value.map(({ id }) => id)).toEqual([RIG]);
    expect(await readRig("rig:broken")).toMatchObject({ ok: false, problem: { reason: "unreadable" } });
  });
});

describe("exporting and importing", () => {
  const other = { ...ENDURO_HEADER, id: "rig:other-0001" };

  it("brings a whole log to another browser and back unchanged", async () => {
    await append(RIG, look("0001", "09:00"));
    const file = await gatherRigs([RIG], at("18:00"));
    await database.clear();
    expect(await importRigs(file.rigs)).toEqual({ ok: true, value: { rigs: 1, entries: 2 } });
    expect((await gatherRigs([RIG], at("18:00"))).rigs).toEqual(file.rigs);
  });

  it("adds only what is new, and nothing the second time", async () => {
    const entries = [build(), look("0001", "09:00"), fit("0001", "09:30", 160)];
    expect(await importRigs([{ header: ENDURO_HEADER, entries }])).toEqual({
      ok: true,
      value: { rigs: 0, entries: 2 },
    });
    expect(await importRigs([{ header: ENDURO_HEADER, entries }])).toEqual({
      ok: true,
      value: { rigs: 0, entries: 0 },
    });
  });

  it("refuses an entry that is here with other content, and changes nothing", async () => {
    await append(RIG, look("0001", "09:00"));
    const before = await everything();
    const entries = [build(), air("0001", "08:30"), plug("0001", "09:00", "top", "soot")];
    const result = await importRigs([{ header: ENDURO_HEADER, entries }]);
    expect(result).toMatchObject({ ok: false, problem: { reason: "conflict" } });
    expect(!result.ok && result.problem.message).toContain("look:0001");
    expect(await everything()).toBe(before);
  });

  it("imports none of several rigs when one of them clashes", async () => {
    await append(RIG, look("0001", "09:00"));
    const before = await everything();
    const clashing = { header: ENDURO_HEADER, entries: [build(), plug("0001", "09:00", "top", "soot")] };
    const result = await importRigs([{ header: other, entries: [build()] }, clashing]);
    expect(result).toMatchObject({ ok: false, problem: { reason: "conflict" } });
    expect(await everything()).toBe(before);
  });

  it("puts everything back when the device fills up half way", async () => {
    const before = await everything();
    const setItem = database.setItem.bind(database);
    let writes = 0;
    jest.spyOn(database, "setItem").mockImplementation(async (key, value) => {
      writes += 1;
      if (writes === 2) throw quotaError();
      return setItem(key, value);
    });
    const days = [build(), { ...look("0001", "09:00"), at: at("09:00", "2026-05-24") }];
    expect(await importRigs([{ header: other, entries: days }])).toMatchObject({
      ok: false,
      problem: { reason: "full" },
    });
    jest.restoreAllMocks();
    expect(await everything()).toBe(before);
  });

  it("deletes a rig with all its days and leaves the others", async () => {
    await importRigs([{ header: other, entries: [build()] }]);
    expect(await removeRig(RIG)).toEqual({ ok: true, value: null });
    const keys = await database.keys();
    expect(keys.some((key) => key.startsWith(RIG))).toBe(false);
    expect(await readRig(other.id)).toMatchObject({ ok: true });
  });
});

describe("preferences", () => {
  it("are kept, and the usual ones stand in for unreadable ones", async () => {
    await writePreferences({
      temperature: "°F",
      pressure: "inHg",
      length: "ft",
      mixture: "afr",
      speed: "km/h",
      vacuum: "kPa",
      cylinderSchool: "causeFirst",
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
      cylinderSchool: "causeFirst",
    });
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
