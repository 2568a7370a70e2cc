import { build, fit, look } from "../../core/__tests__/entries.ts";
import { ENDURO_HEADER } from "#demo/enduro-build.ts";
import { freshRig, logged, RIG } from "#app/testing/rig.ts";
import { closeBook, listRigs, removeRig, sweepBook } from "./book.ts";
import { database, headerKey, isDayKey } from "./database.ts";
import { importRigs } from "./merge.ts";
import { photoKey, readPhoto } from "./photos.ts";
import { append, readRig, renameRig } from "./rig-log.ts";
import { MOST_SNAPSHOTS } from "./snapshot-records.ts";
import { dropSnapshot, listSnapshots, putBack } from "./snapshots.ts";

const OTHER = { ...ENDURO_HEADER, id: "rig:other-0001", name: "Other" };
const ids = async () => (await logged()).map(({ id }) => id);
const rigs = async () => {
  const list = await listRigs();
  return list.ok ? list.value.headers.map(({ name }) => name) : [];
};
const seen = async () => {
  const list = await listSnapshots();
  return list.ok ? list.value : [];
};
/** A file for both rigs, the one new, at noon. */
const bring = (at = "12:00", id = "0002") =>
  importRigs(
    [
      { header: ENDURO_HEADER, entries: [look(id, "09:30")] },
      { header: OTHER, entries: [build()] },
    ],
    [{ rigId: OTHER.id, id: "photo:0001", bytes: new Uint8Array([1]) }],
    { snapshot: { at, why: "Before the import" } },
  );
const visitAgain = async () => {
  closeBook();
  await sweepBook();
};

beforeEach(async () => {
  await freshRig([build(), look("0001", "09:00")]);
});

it("costs nothing but names, and puts the book back as it was, visits later and after more was logged", async () => {
  await bring();
  expect(await seen()).toEqual([{ at: "12:00", why: "Before the import", rigs: 1, entries: 2 }]);
  await append(RIG, fit("0003", "13:00", 160));
  await renameRig(RIG, { name: "Renamed", plate: "9" });
  await visitAgain();
  expect(await ids()).toEqual(["build:0001", "look:0001", "look:0002", "fit:0003"]);
  const before = await readRig(RIG);

  expect(await putBack("12:00", "14:00")).toEqual({ ok: true, value: null });
  expect(await ids()).toEqual(["build:0001", "look:0001"]);
  expect(await rigs()).toEqual([ENDURO_HEADER.name]);
  const after = await readRig(RIG);
  expect(before.ok && after.ok && before.value.revision !== after.value.revision).toBe(true);

  // And that can be undone, photos and all.
  await visitAgain();
  expect((await seen()).map(({ why }) => why)).toEqual(["Before going back"]);
  await putBack("14:00", "15:00");
  expect(await ids()).toEqual(["build:0001", "look:0001", "look:0002", "fit:0003"]);
  expect(await rigs()).toEqual(["Other", "Renamed"]);
  expect(await readPhoto(OTHER.id, "photo:0001")).toBeDefined();
});

it("what is logged after going back is its own: the same revision was another log", async () => {
  await bring();
  await putBack("12:00", "14:00");
  await append(RIG, look("0009", "15:00"));
  expect(await ids()).toEqual(["build:0001", "look:0001", "look:0009"]);
  await visitAgain();
  expect(await ids()).toEqual(["build:0001", "look:0001", "look:0009"]);
});

it("only a few are kept, and what only a dropped one held is swept up", async () => {
  for (let n = 0; n < MOST_SNAPSHOTS + 2; n += 1) await bring(`12:0${n}`, `100${n}`);
  expect((await seen()).map(({ at }) => at)).toEqual(["12:04", "12:03", "12:02"]);
  for (const { at } of await seen()) await dropSnapshot(at);
  expect(await seen()).toEqual([]);
  await visitAgain();
  // A day of each rig.
  expect((await database.keys()).filter(isDayKey)).toHaveLength(2);
  expect(await ids()).toHaveLength(2 + MOST_SNAPSHOTS + 2);
});

it("a file that brings nothing takes none", async () => {
  await importRigs([{ header: ENDURO_HEADER, entries: [build()] }], [], {
    snapshot: { at: "12:00", why: "x" },
  });
  expect(await seen()).toEqual([]);
});

it("a deleted rig is gone from the snapshots too, with all that was kept of it", async () => {
  await bring();
  await bring("12:30", "0003");
  await removeRig(OTHER.id);
  await putBack("12:30", "14:00");
  expect(await rigs()).toEqual([ENDURO_HEADER.name]);
  await visitAgain();
  expect((await database.keys()).filter((key) => key.startsWith(OTHER.id))).toEqual([]);
  expect(await database.getItem(photoKey(OTHER.id, "photo:0001"))).toBeNull();
});

it("a rig that cannot be read stays where it is when the book is put back", async () => {
  await bring();
  await database.setItem(headerKey(OTHER.id), { broken: true });
  await putBack("12:00", "14:00");
  const list = await listRigs();
  expect(list.ok && list.value.unreadable).toEqual([OTHER.id]);
});

it("one that is not there changes nothing, and a record that cannot be read is as none", async () => {
  await bring();
  expect(await putBack("11:00", "14:00")).toMatchObject({ ok: false, problem: { reason: "missing" } });
  await database.setItem("meta/snapshots", { no: "list" });
  expect(await seen()).toEqual([]);
  await visitAgain();
  expect(await ids()).toEqual(["build:0001", "look:0001", "look:0002"]);
  expect((await bring("13:00", "0005")).ok).toBe(true);
});
