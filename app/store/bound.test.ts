/** Days that are over are bound together: a book of years is a few dozen records, and reads as it always did. */
import type { Entry } from "#core/log/schema.ts";
import { at, build, look } from "../../core/__tests__/entries.ts";
import { ENDURO_HEADER } from "#demo/enduro-build.ts";
import { freshRig, logged, RIG } from "#app/testing/rig.ts";
import { closeBook } from "./book.ts";
import { database, isDayKey } from "./database.ts";
import { importRigs } from "./merge.ts";
import { append, readRig } from "./rig-log.ts";

const dayAfter = (n: number): string => new Date(Date.UTC(2026, 4, 24 + n)).toISOString().slice(0, 10);
const lookOn = (n: number, id: number): Entry => ({
  ...look(String(id).padStart(4, "0"), "09:00"),
  at: at("09:00", dayAfter(n)),
});
/** @returns `perDay` looks on each of `days` days */
const years = (days: number, perDay: number): Entry[] =>
  Array.from({ length: days * perDay }, (_, i) => lookOn(Math.floor(i / perDay), i));

const records = async (): Promise<string[]> => (await database.keys()).filter(isDayKey);
const ids = (entries: readonly Entry[]): string[] => entries.map(({ id }) => id);

/** As another visit reads it: nothing is known from before. */
async function readCold(): Promise<readonly Entry[]> {
  let read: Awaited<ReturnType<typeof readRig>> | undefined;
  await jest.isolateModulesAsync(async () => {
    const cold = await import("./rig-log.ts");
    read = await cold.readRig(RIG);
  });
  if (!read?.ok) throw new Error("not read");
  return read.value.entries;
}

it("an import of many days is few records, and comes back whole", async () => {
  const entries = [build(), ...years(60, 20)];
  await freshRig(entries);
  expect((await records()).length).toBeLessThanOrEqual(5);
  expect(await logged()).toEqual(entries);
  expect(ids(await readCold())).toEqual(ids(entries));
});

it("a save into a bound day leaves the others of its record standing, each entry once", async () => {
  const entries = [build(), ...years(60, 20)];
  await freshRig(entries);
  const late = { ...look("9999", "10:00"), at: at("10:00", dayAfter(30)) };
  expect(await append(RIG, late)).toMatchObject({ ok: true });
  const now = ids(await readCold());
  expect(now).toHaveLength(entries.length + 1);
  expect(new Set(now).size).toBe(now.length);
  expect(now.indexOf("look:9999")).toBe(now.indexOf("look:0619") + 1);
  // Striking out the record it came from would lose its neighbours.
  expect(await append(RIG, { ...late, id: "look:9998" })).toMatchObject({ ok: true });
  expect(ids(await readCold())).toHaveLength(entries.length + 2);
});

it("a book that grows day by day is bound as it goes", async () => {
  await freshRig();
  for (let n = 0; n < 100; n += 1) await append(RIG, lookOn(n, n));
  expect((await records()).length).toBeLessThanOrEqual(45);
  expect(ids(await readCold())).toEqual(
    ids([build(), ...Array.from({ length: 100 }, (_, n) => lookOn(n, n))]),
  );
});

it("a day that cannot be read is not bound: it stays as it is, and is said", async () => {
  await freshRig();
  for (let n = 0; n < 39; n += 1) await append(RIG, lookOn(n, n));
  closeBook();
  const [spoilt = ""] = (await records()).sort();
  await database.setItem(spoilt, { version: 4, revision: 1, entries: 7 });
  await jest.isolateModulesAsync(async () => {
    const cold = await import("./rig-log.ts");
    expect(await cold.append(RIG, lookOn(40, 40))).toMatchObject({
      ok: false,
      problem: { reason: "unreadable" },
    });
  });
  expect(await database.getItem(spoilt)).toMatchObject({ entries: 7 });
});

it("another file of the same years adds only what is new", async () => {
  const entries = [build(), ...years(50, 20)];
  await freshRig(entries);
  const more = { ...look("8888", "10:00"), at: at("10:00", dayAfter(10)) };
  const merged = await importRigs([{ header: ENDURO_HEADER, entries: [...entries, more] }]);
  expect(merged).toMatchObject({ ok: true, value: { rigs: 0, entries: 1 } });
  expect(ids(await readCold())).toHaveLength(entries.length + 1);
});
