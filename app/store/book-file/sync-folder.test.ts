/**
 * Two devices, one folder. Each has a store of its own: the test keeps them apart by putting one away and the other back.
 * @jest-environment node
 */
import { memoryFolder } from "#app/testing/folder.ts";
import { freshRig, logged, RIG } from "#app/testing/rig.ts";
import { ENDURO_HEADER } from "#demo/enduro-build.ts";
import { build, look } from "../../../core/__tests__/entries.ts";
import { keepFolder, noteGone, notGone, readFolderState } from "../backup-folder.ts";
import { backupState } from "../backups.ts";
import { closeBook, listRigs, removeRig } from "../book.ts";
import { database } from "../database.ts";
import { importRigs } from "../merge.ts";
import { append } from "../rig-log.ts";
import { listSnapshots } from "../snapshots.ts";
import { syncFolder } from "./sync-folder.ts";

Object.defineProperty(globalThis, "BroadcastChannel", { value: undefined });
// The enduro is one of the demo's, which are not carried about: here it is a rig like any other.
jest.mock("../demo-rigs.ts", () => ({ isDemo: (id: string) => id.startsWith("rig:invented") }));

const NOW = "2026-05-23T18:00:00+02:00";
const OTHER = { ...ENDURO_HEADER, id: "rig:other-0001", name: "Other" };
const INVENTED = { ...ENDURO_HEADER, id: "rig:invented-1", name: "Invented" };

type Store = ReadonlyMap<string, unknown>;
async function putAway(): Promise<Store> {
  const keys = await database.keys();
  return new Map(await Promise.all(keys.map(async (key) => [key, await database.getItem(key)] as const)));
}
async function takeOut(store: Store): Promise<void> {
  await database.clear();
  closeBook();
  for (const [key, value] of store) await database.setItem(key, value);
}
const ids = async () => (await logged()).map(({ id }) => id);
const rigs = async () => {
  const list = await listRigs();
  return list.ok ? list.value.headers.map(({ id }) => id).sort() : [];
};

it("what is logged on either comes to the other, once, whatever is done twice", async () => {
  const folder = memoryFolder();
  await freshRig([build(), look("0001", "09:00")]);
  expect(await syncFolder(folder, NOW)).toBeUndefined();
  const phone = await putAway();

  await takeOut(new Map());
  await importRigs([
    { header: OTHER, entries: [build()] },
    { header: INVENTED, entries: [build()] },
  ]);
  expect(await syncFolder(folder, NOW)).toBeUndefined();
  expect(await rigs()).toEqual([RIG, INVENTED.id, OTHER.id].sort());
  await append(RIG, look("0002", "10:00"));
  await syncFolder(folder, NOW);
  const laptop = await putAway();
  expect(folder.files.size).toBe(2);

  await takeOut(phone);
  await append(RIG, look("0003", "11:00"));
  await syncFolder(folder, NOW);
  await syncFolder(folder, NOW);
  expect(await ids()).toEqual(["build:0001", "look:0001", "look:0002", "look:0003"]);
  // The demo's rigs stay where they are.
  expect(await rigs()).toEqual([RIG, OTHER.id].sort());

  await takeOut(laptop);
  await syncFolder(folder, NOW);
  expect(await ids()).toEqual(["build:0001", "look:0001", "look:0002", "look:0003"]);
});

it("a deletion that was cut off after it was noted takes nothing away, and carried out brings nothing back", async () => {
  const folder = memoryFolder();
  await freshRig([build(), look("0001", "09:00")]);
  await syncFolder(folder, NOW);
  const phone = await putAway();
  await takeOut(new Map());
  await syncFolder(folder, NOW);
  await append(RIG, look("0002", "10:00"));
  await syncFolder(folder, NOW);
  const laptop = await putAway();

  await takeOut(phone);
  await noteGone([RIG]);
  await syncFolder(folder, NOW);
  // Noted, but still here: what the other device logged comes as ever.
  expect(await ids()).toContain("look:0002");
  await removeRig(RIG);
  const late = await putAway();
  await takeOut(laptop);
  await append(RIG, look("0003", "11:00"));
  await syncFolder(folder, NOW);
  await takeOut(late);
  await syncFolder(folder, NOW);
  expect(await rigs()).toEqual([]);
});

it("a rig that was deleted here does not come back with the folder, until it is brought in by hand", async () => {
  const folder = memoryFolder();
  await freshRig();
  await importRigs([{ header: OTHER, entries: [build()] }]);
  await syncFolder(folder, NOW);
  await takeOut(new Map());
  await syncFolder(folder, NOW);
  expect(await rigs()).toEqual([RIG, OTHER.id].sort());
  await removeRig(OTHER.id);
  await noteGone([OTHER.id]);
  const [theirs] = folder.files;
  if (!theirs) throw new Error("no file");
  folder.files.set(theirs[0], new File([theirs[1]], theirs[0], { lastModified: 99 }));
  await syncFolder(folder, NOW);
  expect(await rigs()).toEqual([RIG]);
  await notGone([OTHER.id]);
  folder.files.set(theirs[0], new File([theirs[1]], theirs[0], { lastModified: 100 }));
  await syncFolder(folder, NOW);
  expect(await rigs()).toEqual([RIG, OTHER.id].sort());
});

it("a file that is half carried over is said, left out, and read again next time", async () => {
  const folder = memoryFolder();
  await freshRig([build(), look("0001", "09:00")]);
  await syncFolder(folder, NOW);
  const [[name, whole] = []] = [...folder.files];
  if (name === undefined || !whole) throw new Error("no file");
  folder.files.set(name, new File([whole.slice(0, 500)], name, { lastModified: 5 }));
  await takeOut(new Map());
  expect(await syncFolder(folder, NOW)).toContain(`${name}: This zip is cut short or damaged`);
  expect((await readFolderState()).trouble).toContain("cut short");
  folder.files.set(name, whole);
  expect(await syncFolder(folder, NOW)).toBeUndefined();
  expect(await ids()).toEqual(["build:0001", "look:0001"]);
});

it("what could not be written is said, and written the next time; what has not changed is not written again", async () => {
  const folder = memoryFolder();
  await freshRig();
  folder.breakNext = true;
  expect(await syncFolder(folder, NOW)).toBe("The disk is full.");
  expect(folder.files.size).toBe(0);
  expect(await backupState()).toEqual({ at: undefined, unsaved: 1, rigs: 1 });
  expect(await syncFolder(folder, NOW)).toBeUndefined();
  expect(await backupState()).toEqual({ at: NOW, unsaved: 0, rigs: 1 });
  const [first] = folder.files.values();
  await syncFolder(folder, "2026-05-23T19:00:00+02:00");
  expect([...folder.files.values()]).toEqual([first]);
  expect((await readFolderState()).at).toBe("2026-05-23T19:00:00+02:00");
  await append(RIG, look("0001", "09:00"));
  expect(await backupState()).toEqual({ at: NOW, unsaved: 1, rigs: 1 });
  await syncFolder(folder, NOW);
  expect((await backupState()).unsaved).toBe(0);
});

it("a file that somebody has cleared away is written again", async () => {
  const folder = memoryFolder();
  await freshRig();
  await syncFolder(folder, NOW);
  const names = [...folder.files.keys()];
  folder.files.clear();
  expect(await syncFolder(folder, NOW)).toBeUndefined();
  expect([...folder.files.keys()]).toEqual(names);
});

it("another folder is written anew, by the same device", async () => {
  const [one, two] = [memoryFolder("one"), memoryFolder("two")];
  await freshRig();
  await syncFolder(one, NOW);
  await database.setItem("meta/backup-folder", null);
  jest.spyOn(database, "setItem").mockImplementationOnce((_, value) => Promise.resolve(value));
  await keepFolder(two);
  jest.restoreAllMocks();
  await syncFolder(two, NOW);
  expect([...two.files.keys()]).toEqual([...one.files.keys()]);
});

it("a stranger's files in the folder are left alone", async () => {
  const folder = memoryFolder();
  for (const name of ["holiday.zip", "tamis-../x.zip", "tamis-all-rigs-2026-05-23.zip"])
    folder.files.set(name, new File(["x"], name));
  await freshRig();
  expect(await syncFolder(folder, NOW)).toBeUndefined();
  expect(folder.files.size).toBe(4);
});

it("what the folder brings can be undone: the book is kept as it was before, once", async () => {
  const folder = memoryFolder();
  await takeOut(new Map());
  for (const n of [1, 2]) {
    await importRigs([{ header: { ...OTHER, id: `rig:other-000${n}` }, entries: [build()] }]);
    await syncFolder(folder, NOW);
    await takeOut(new Map());
  }
  await freshRig([build()]);
  expect(await listSnapshots()).toMatchObject({ ok: true, value: [] });
  expect(await syncFolder(folder, NOW)).toBeUndefined();
  expect(await rigs()).toHaveLength(3);
  expect(await listSnapshots()).toMatchObject({
    ok: true,
    value: [{ why: "Before the folder Synced", rigs: 1 }],
  });
  // Nothing new came: no other snapshot.
  await syncFolder(folder, NOW);
  expect(await listSnapshots()).toMatchObject({ value: [{ rigs: 1 }] });
});
