/** Whatever moment a write is cut short at, the book is as it was or as it was to be. */
import { at, build, fit, look, photographed } from "../../core/__tests__/entries.ts";
import { ENDURO_HEADER } from "#demo/enduro-build.ts";
import { freshRig, RIG } from "#app/testing/rig.ts";
import { moveEntries } from "#app/journal/move-entries.ts";
import { closeBook, listRigs, removeRig, sweepBook } from "./book.ts";
import { database, isDayKey } from "./database.ts";
import { importRigs } from "./merge.ts";
import { isPhotoKey } from "./photos.ts";
import { append, readRig } from "./rig-log.ts";
import { putBack } from "./snapshots.ts";

// What is done again is the same again.
jest.mock("#app/journal/entry-id.ts", () => ({ newEntryId: (kind: string) => `${kind}:drawn` }));
jest.mock("#app/journal/clock.ts", () => ({ localInstant: () => "2026-05-23T11:00:00+02:00" }));

const other = { ...ENDURO_HEADER, id: "rig:other-0001", name: "Other" };
const days = [
  build(),
  look("0001", "09:00"),
  { ...look("0002", "09:00"), at: at("09:00", "2026-05-24") },
  { ...fit("0003", "09:00", 160), at: at("09:00", "2026-05-25") },
];

/** What a tuner has: the rigs, and the entries of each. */
async function book(): Promise<string> {
  const list = await listRigs();
  if (!list.ok) throw new Error(list.problem.message);
  expect(list.value.unreadable).toEqual([]);
  const logs = await Promise.all(list.value.headers.map(({ id }) => readRig(id)));
  return JSON.stringify(logs.map((log) => (log.ok ? [log.value.header.id, log.value.entries] : log.problem)));
}

/** The browser is killed at the n-th write: nothing is written any more until it is opened again. */
function killAt(n: number): () => boolean {
  let writes = 0;
  for (const name of ["setItem", "removeItem"] as const) {
    const real = database[name].bind(database) as (...args: unknown[]) => Promise<unknown>;
    jest.spyOn(database, name).mockImplementation((...args: unknown[]) => {
      writes += 1;
      return writes >= n ? Promise.reject(new Error("killed")) : real(...args);
    });
  }
  return () => writes >= n;
}

const NAMED = async (): Promise<number> =>
  (await database.keys()).filter((key) => isDayKey(key) || isPhotoKey(key)).length;

/** Forty days with the rig's own, each with a record of its own. */
async function longKept(): Promise<void> {
  await freshRig();
  for (let n = 0; n < 39; n += 1) await append(RIG, onDay(n));
}
/** What an import has brought can be taken back. */
async function imported(): Promise<void> {
  await freshRig();
  await importRigs([{ header: other, entries: days }], [], { snapshot: { at: "12:00", why: "x" } });
}
/** A look on the one that was meant for the other. */
async function twoRigs(): Promise<void> {
  await freshRig([build(), look("0007", "09:30")]);
  await importRigs([{ header: other, entries: [build()] }]);
}
const withPhotos = photographed("11:00", ["photo:0001", "photo:0002"], "2026-05-25");
const onDay = (n: number) => ({
  ...look(String(2000 + n), "09:00"),
  at: at("09:00", new Date(Date.UTC(2026, 5, 1 + n)).toISOString().slice(0, 10)),
});

describe.each([
  ["a save", () => append(RIG, look("0009", "10:00"))],
  ["a save that binds old days", () => append(RIG, onDay(39)), longKept],
  [
    "an import of two rigs of several days, one of them new",
    () =>
      importRigs([
        { header: other, entries: days },
        { header: ENDURO_HEADER, entries: days },
      ]),
  ],
  [
    "an import with photos for a rig that is here",
    () =>
      importRigs(
        [{ header: ENDURO_HEADER, entries: [...days, withPhotos] }],
        ["photo:0001", "photo:0002"].map((id) => ({
          rigId: RIG,
          id,
          bytes: new Uint8Array([255, 216, 255]),
        })),
      ),
  ],
  ["a deletion", () => removeRig(RIG)],
  [
    "an import that keeps a snapshot",
    () => importRigs([{ header: ENDURO_HEADER, entries: days }], [], { snapshot: { at: "12:00", why: "x" } }),
  ],
  ["a snapshot that is put back", () => putBack("12:00", "14:00"), imported],
  ["a move of a look to another rig", () => moveEntries(RIG, other.id, ["look:0007"]), twoRigs],
] as [string, () => Promise<unknown>, (() => Promise<void>)?][])(
  "%s, cut short at every write there is",
  (_, work, prepare = freshRig) => {
    afterEach(() => jest.restoreAllMocks());

    it("leaves all or nothing, and nothing lying about", async () => {
      await prepare();
      const before = await book();
      const namedBefore = await NAMED();
      await work();
      const after = await book();
      expect(after).not.toBe(before);
      const wanted = new Map([
        [before, namedBefore],
        [after, await NAMED()],
      ]);
      let killed = true;
      const seen = new Set<string>();
      for (let n = 1; killed; n += 1) {
        await prepare();
        const wasKilled = killAt(n);
        await work();
        jest.restoreAllMocks();
        killed = wasKilled();
        closeBook();
        const now = await book();
        await sweepBook();
        expect(await book()).toBe(now);
        seen.add(now);
        expect([before, after]).toContain(now);
        expect(await NAMED()).toBe(wanted.get(now));
        // Done again it is there once, and once only.
        await work();
        expect(await book()).toBe(after);
      }
      expect(seen).toEqual(new Set([before, after]));
    });
  },
);

describe("records that cannot all be switched, and cannot be put back either", () => {
  it("are carried out at the next visit, with all that they name", async () => {
    await freshRig();
    const rigs = [
      { header: other, entries: days },
      { header: ENDURO_HEADER, entries: days },
    ];
    const real = database.setItem.bind(database);
    let broken = false;
    // From the second index on nothing can be written any more; what is not wanted can still be taken away.
    jest.spyOn(database, "setItem").mockImplementation(async (key, value) => {
      if (key === `${RIG}/index`) broken = true;
      if (broken) throw new Error("disk");
      return real(key, value);
    });
    expect(await importRigs(rigs)).toMatchObject({ ok: false });
    jest.restoreAllMocks();
    closeBook();
    const list = await listRigs();
    expect(list.ok && list.value.headers.map(({ id }) => id).sort()).toEqual([RIG, other.id].sort());
    for (const id of [RIG, other.id]) {
      const read = await readRig(id);
      expect(read.ok && read.value.entries.length).toBe(days.length);
    }
  });
});

describe("a book that was left in the middle", () => {
  const ids = async () => {
    const read = await readRig(RIG);
    return read.ok ? read.value.entries.map(({ id }) => id) : read.problem.message;
  };

  it("is found again by its headers when the list of rigs is lost", async () => {
    await freshRig();
    await database.setItem("meta/book", "gone");
    closeBook();
    expect(await ids()).toEqual(["build:0001"]);
  });

  it("by a save that only a newer Tamis can read is opened by that one alone, and keeps it", async () => {
    await freshRig();
    const pending = { version: 2, changes: [] };
    await database.setItem("meta/pending", pending);
    closeBook();
    expect(await ids()).toContain("was written by a newer Tamis");
    expect(await database.getItem("meta/pending")).toEqual(pending);
    await database.removeItem("meta/pending");
    closeBook();
    expect(await ids()).toEqual(["build:0001"]);
  });
});
