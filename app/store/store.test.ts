import { air, at, build, fit, look, plug } from "../../core/__tests__/entries.ts";
import { ENDURO_HEADER } from "#demo/enduro-build.ts";
import { dayAs, freshRig, logged, RIG } from "#app/testing/rig.ts";
import { database, headerKey, indexKey } from "./database.ts";
import { logFileOf } from "#app/store/book-file/write.ts";
import { append, readRig } from "./rig-log.ts";
import { importRigs } from "./merge.ts";
import { listRigs, removeRig } from "./book.ts";
import { rawData } from "./raw.ts";

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
    const days = (await database.keys()).filter((key) => key.startsWith(`${RIG}/day/2026-05-23/`));
    expect(days).toHaveLength(1); // the version before is gone
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

  it("says what broke off, and does not call it a private window", async () => {
    jest
      .spyOn(database, "setItem")
      .mockRejectedValueOnce(Object.assign(new Error("gone"), { name: "AbortError" }));
    const result = await append(RIG, look("0001", "09:00"));
    expect(result).toMatchObject({ ok: false, problem: { reason: "brokenOff" } });
    expect(!result.ok && result.problem.message).toContain("AbortError: gone");
  });

  it("keeps an id once: the same entry again changes nothing, another one under it is refused", async () => {
    await append(RIG, look("0001", "09:00"));
    const before = await everything();
    expect(await append(RIG, look("0001", "09:00"))).toEqual({ ok: true, value: null });
    expect(await append(RIG, plug("0001", "09:00", "top", "soot"))).toMatchObject({
      problem: { reason: "conflict" },
    });
    expect(await everything()).toBe(before);
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
    const key = await dayAs(value);
    const read = await readRig(RIG);
    expect(read).toMatchObject({
      ok: false,
      problem: { reason: words === "newer Tamis" ? "newer" : "unreadable" },
    });
    expect(!read.ok && read.problem.message).toContain(words);
    expect(await database.getItem(key)).toEqual(value);
    expect(await append(RIG, look("0001", "09:00"))).toMatchObject({ ok: false });
    expect(await database.getItem(key)).toEqual(value);
  });

  it("names a rig whose header cannot be read, and lets it be deleted", async () => {
    await database.setItem(headerKey(RIG), { name: 3 });
    await database.setItem(indexKey(RIG), {
      ...(await database.getItem<object>(indexKey(RIG))),
      revision: 9,
    });
    expect(await listRigs()).toMatchObject({ ok: true, value: { headers: [], unreadable: [RIG] } });
    expect(await readRig(RIG)).toMatchObject({ ok: false, problem: { reason: "unreadable" } });
    await removeRig(RIG);
    expect(await listRigs()).toMatchObject({ ok: true, value: { headers: [], unreadable: [] } });
  });

  it("reads what another tab has put in the place of what was just to be read", async () => {
    const getItem = database.getItem.bind(database);
    let first = true;
    jest.spyOn(database, "getItem").mockImplementation(async (key) => {
      if (first && key.includes("/day/")) {
        first = false;
        await dayAs({ version: 4, revision: 2, entries: [build(), look("0009", "09:00")] });
        return null;
      }
      return getItem(key);
    });
    await database.setItem(indexKey(RIG), {
      ...(await database.getItem<object>(indexKey(RIG))),
      revision: 5,
      days: [{ day: "2026-05-23", key: `${RIG}/day/2026-05-23/gone`, count: 1 }],
    });
    expect((await logged()).map(({ id }) => id)).toEqual(["build:0001", "look:0009"]);
  });

  it("gives the same log for the same revision, and another revision to a rig that was brought in again", async () => {
    const [one, two] = [await readRig(RIG), await readRig(RIG)];
    expect(one.ok && two.ok && one.value === two.value).toBe(true);
    await removeRig(RIG);
    await importRigs([{ header: ENDURO_HEADER, entries: [build()] }]);
    const again = await readRig(RIG);
    expect(again.ok && one.ok && again.value.revision !== one.value.revision).toBe(true);
  });
});

describe("exporting and importing", () => {
  const other = { ...ENDURO_HEADER, id: "rig:other-0001" };

  it("brings a whole log to another browser and back unchanged", async () => {
    await append(RIG, look("0001", "09:00"));
    const file = await logFileOf([RIG], at("18:00"));
    await database.clear();
    expect(await importRigs(file.rigs)).toEqual({ ok: true, value: { rigs: 1, entries: 2 } });
    expect((await logFileOf([RIG], at("18:00"))).rigs).toEqual(file.rigs);
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
    // More than one record holds: the second is what fails.
    const days = [
      build(),
      ...Array.from({ length: 800 }, (_, i) => ({
        ...look(String(1000 + i), "09:00"),
        at: at("09:00", i < 400 ? "2026-05-24" : "2026-05-25"),
      })),
    ];
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
