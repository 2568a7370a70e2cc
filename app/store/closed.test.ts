/** A book that does not open is no empty book: nothing is taken for a first visit, and nothing kept elsewhere. */
import localforage from "localforage";
import { at, photographed } from "#core/__tests__/entries.ts";
import { ENDURO_BUILD } from "#demo/enduro-build.ts";
import type { Entry } from "#core/log/schema.ts";
import { readPhoto } from "./photos.ts";
import { rawData } from "./raw.ts";

type Modules = {
  book: typeof import("./book.ts");
  database: typeof import("./database.ts");
  demo: typeof import("../journal/demo.ts");
  leftovers: typeof import("./leftovers.ts");
  merge: typeof import("./merge.ts");
  rigLog: typeof import("./rig-log.ts");
};

/** Another visit: nothing that the last one knew. */
async function visit(): Promise<Modules> {
  let modules: Modules | undefined;
  await jest.isolateModulesAsync(async () => {
    modules = {
      book: await import("./book.ts"),
      database: await import("./database.ts"),
      demo: await import("../journal/demo.ts"),
      leftovers: await import("./leftovers.ts"),
      merge: await import("./merge.ts"),
      rigLog: await import("./rig-log.ts"),
    };
  });
  if (!modules) throw new Error("nothing was loaded");
  return modules;
}

const note = (id: string, text: string): Entry => ({ id: `note:${id}`, at: at("10:00"), kind: "note", text });
const rig = (id: string, ...more: Entry[]) => ({
  header: { id: `rig:${id}`, name: id, plate: "7" },
  entries: [
    { id: "build:0001", at: at("08:00"), kind: "build", build: ENDURO_BUILD, reopens: [], why: "" } as Entry,
    ...more,
  ],
});

const withPhoto = photographed("09:00", ["photo:0001"]);

const real = indexedDB;
const instead = (open: IDBFactory["open"]) =>
  Object.defineProperty(globalThis, "indexedDB", {
    configurable: true,
    value: Object.assign(Object.create(real) as IDBFactory, { open }),
  });
afterEach(() => {
  Object.defineProperty(globalThis, "indexedDB", { configurable: true, value: real });
  jest.useRealTimers();
});
const asRequest = (act: (request: IDBOpenDBRequest) => void) => (): IDBOpenDBRequest => {
  const request = {} as IDBOpenDBRequest;
  setTimeout(() => act(request), 0);
  return request;
};
const spoilt = asRequest((request) => {
  Object.assign(request, { error: new DOMException("Internal error opening backing store", "UnknownError") });
  request.onerror?.({ preventDefault: () => undefined } as Event);
});

describe("a book that cannot be opened", () => {
  it("says so, is no first visit, and keeps nothing elsewhere", async () => {
    instead(spoilt);
    const { book, database, demo } = await visit();
    const shelf = await book.listRigs();
    expect(shelf).toMatchObject({ ok: false, problem: { reason: "closed" } });
    expect(await book.bookClosed()).toMatch(
      /cannot open its book.*still in it.*free some space.*Internal error opening backing store\.$/,
    );
    await demo.loadDemoOnFirstVisit();
    await expect(database.database.setItem("x", 1)).rejects.toThrow("Internal error");
    expect(Object.keys(localStorage)).toEqual([]);
    expect(await rawData()).toMatchObject({ ok: true });
  });

  it("that hangs is told after five seconds, and opens once it can", async () => {
    const opens: (() => void)[] = [];
    instead((name, version) => {
      const late = {} as IDBOpenDBRequest;
      opens.push(() => {
        const request: IDBOpenDBRequest = real.open(name, version);
        request.onupgradeneeded = (event) => {
          Object.assign(late, { result: request.result, transaction: request.transaction });
          late.onupgradeneeded?.(event);
        };
        request.onsuccess = (event) => {
          Object.assign(late, { result: request.result });
          late.onsuccess?.(event);
        };
      });
      return late;
    });
    const { book } = await visit();
    jest.useFakeTimers({ doNotFake: ["setImmediate", "queueMicrotask", "nextTick"] });
    const asked = book.bookClosed();
    await jest.advanceTimersByTimeAsync(5000);
    expect(await asked).toMatch(/has not opened it for five seconds/);
    await jest.advanceTimersByTimeAsync(1500);
    jest.useRealTimers();
    opens.forEach((open) => open());
    await expect(book.bookClosed()).resolves.toBeUndefined();
  });
});

describe("what an earlier visit kept elsewhere", () => {
  it("is found, brought in, and cleared away there; the demo that was loaded anew is not", async () => {
    const { book, database, leftovers, merge, rigLog } = await visit();
    await merge.importRigs([rig("older")]);
    const elsewhere = localforage.createInstance({
      name: "tamis",
      storeName: "log",
      driver: localforage.LOCALSTORAGE,
    });
    const place = async (id: string, entries: readonly Entry[]) => {
      const key = `rig:${id}/day/2026-05-23/t.1`;
      await elsewhere.setItem(`rig:${id}/header`, { id: `rig:${id}`, name: id, plate: "7" });
      await elsewhere.setItem(key, { version: 7, revision: 1, entries });
      await elsewhere.setItem(`rig:${id}/index`, {
        version: 1,
        token: "t",
        revision: 1,
        days: [{ day: "2026-05-23", key, count: entries.length }],
      });
    };
    const lost = note("lost", "Written while the disk was full.");
    await place("older", [...rig("older").entries, lost]);
    await place("mine", [...rig("mine").entries, withPhoto]);
    await elsewhere.setItem("rig:mine/photo:0001", new Uint8Array([255, 216, 255]));
    await place("demo-kart", rig("demo-kart").entries);
    await elsewhere.setItem("rig:spoilt/header", { id: "rig:spoilt", name: "spoilt", plate: "9" });
    await elsewhere.setItem("rig:spoilt/index", { version: 99 });
    expect(database.anythingLeft()).toBe(true);
    const left = await leftovers.leftElsewhere();
    expect(left.map(({ header, entries }) => [header.id, entries.length])).toEqual([
      ["rig:older", 1],
      ["rig:mine", 2],
    ]);
    const raw = await rawData();
    expect(JSON.stringify(raw)).toContain("Written while the disk was full.");
    expect(await leftovers.bringIn(at("11:00"))).toMatchObject({ ok: true, value: { rigs: 1, entries: 3 } });
    expect(await rigLog.readRig("rig:older")).toMatchObject({
      value: { entries: [{ id: "build:0001" }, { id: "note:lost" }] },
    });
    expect(await book.localRigs()).toEqual(["rig:mine", "rig:older"]);
    // What came in is cleared away there; what cannot be read stays for a Tamis that can.
    const still = await elsewhere.keys();
    expect(still.filter((key) => /older|mine/.test(key))).toEqual([]);
    expect(still.filter((key) => key.startsWith("rig:spoilt/"))).toHaveLength(2);
    expect(await leftovers.leftElsewhere()).toEqual([]);
    expect(await readPhoto("rig:mine", "photo:0001")).toEqual(new Uint8Array([255, 216, 255]));
  });
});
