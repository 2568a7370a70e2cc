/** @jest-environment node */
import {
  BlobReader,
  BlobWriter,
  TextReader,
  ZipReader,
  ZipWriter,
} from "@zip.js/zip.js/lib/zip-core-native.js";
import { demoMovedTo } from "#demo/told.ts";
import { ENDURO_BUILD, ENDURO_HEADER } from "#demo/enduro-build.ts";
import { LOG_VERSION, type Entry, type LogFile } from "#core/log/schema.ts";
import { toBase64 } from "#app/workers/photo.ts";
import { freshRig, logged, RIG } from "#app/testing/rig.ts";
import { build, fitPart, look, photographed } from "../../../core/__tests__/entries.ts";
import { removeRig } from "../book.ts";
import { database, headerKey } from "../database.ts";
import { importRigs } from "../merge.ts";
import { photoKey, readPhoto } from "../photos.ts";
import { rawData } from "../raw.ts";
import { bringIn, importFile, lookAtFile, lookInto } from "./keep.ts";
import { openFile } from "./open.ts";
import { fileNameOf, photoPath, readPath, rigPath } from "./names.ts";
import { writeBook } from "./write.ts";

const NOW = "2026-05-23T18:00:00+02:00";
const [story] = demoMovedTo("2026-05-23", "+02:00");
if (!story) throw new Error("the demo has rigs");
const OTHER = { ...ENDURO_HEADER, id: "rig:other-0001", name: "Ötztal / 2", plate: "8" };

const jpeg = (size = 70_000): Uint8Array<ArrayBuffer> =>
  Uint8Array.from({ length: size }, (_, i) => [0xff, 0xd8, 0xff][i] ?? i % 251);
// A real channel would keep the test's process alive.
Object.defineProperty(globalThis, "BroadcastChannel", { value: undefined });

const withPhoto = photographed("10:00", ["photo:0001"]);

const logFile = (entries: readonly Entry[] = story.entries): LogFile => ({
  format: "tamis",
  version: LOG_VERSION,
  savedAt: NOW,
  rigs: [{ header: story.header, entries: [...entries] }],
});
const asJson = (file: unknown): Blob => new Blob([JSON.stringify(file)]);

async function zipOf(
  files: Readonly<Record<string, string | Uint8Array<ArrayBuffer>>>,
  password?: string,
): Promise<Blob> {
  const zip = new ZipWriter(new BlobWriter("application/zip"), {
    useWebWorkers: false,
    ...(password !== undefined && { password }),
  });
  for (const [path, content] of Object.entries(files))
    await zip.add(
      path,
      typeof content === "string" ? new TextReader(content) : new BlobReader(new Blob([content])),
    );
  return zip.close();
}
async function pathsIn(blob: Blob): Promise<string[]> {
  const zip = new ZipReader(new BlobReader(blob), { useWebWorkers: false });
  return (await zip.getEntries()).map(({ filename }) => filename);
}
/** What a refused file says; nothing at all has changed. */
async function refusal(file: Blob): Promise<string> {
  const before = JSON.stringify(await rawData());
  const [looked, brought] = [await lookAtFile(file), await importFile(file)];
  expect(JSON.stringify(await rawData())).toBe(before);
  if (looked.ok || brought.ok) throw new Error("it came in");
  expect(brought.problem.message).toBe(looked.problem.message);
  return looked.problem.message;
}

beforeEach(() => freshRig());
afterEach(() => jest.restoreAllMocks());

describe("names in a zip", () => {
  it("lead back to what they name, in a folder too", () => {
    expect(readPath(rigPath(OTHER))).toEqual({ kind: "rig" });
    expect(readPath(`packed again/${photoPath(RIG, "photo:0001")}`)).toEqual({
      kind: "photo",
      rigId: RIG,
      id: "photo:0001",
    });
    expect(readPath("raw/other-0001.json")).toEqual({ kind: "raw", rigId: "rig:other-0001" });
  });
  it.each(["READ ME.txt", "../rigs/a.json", "a/b/rigs/x.json", "rigs/../../etc.json", "photos/a/../b.jpg"])(
    "that are not the book's are passed over: %s",
    (path) => expect(readPath(path)).toBeUndefined(),
  );
  it("suit every device", () => {
    expect(fileNameOf("Ötztal / 2: “fast”")).toBe("Ötztal-2-fast");
    expect(fileNameOf("///")).toBe("rig");
  });
});

describe("a book as a zip", () => {
  it("of one rig alone carries its chart, and comes in all the same; a guess has none", async () => {
    const written = await writeBook([RIG], NOW);
    expect(await pathsIn(written.blob)).toContain("charts/250-enduro.csv");
    expect(await importFile(written.blob)).toMatchObject({ ok: true, value: { rigs: 0, entries: 0 } });
    const guessed = { ...ENDURO_BUILD, baseline: { ...ENDURO_BUILD.baseline, proven: "guess" as const } };
    await importRigs([{ header: OTHER, entries: [{ ...build(), build: guessed } as Entry] }]);
    const other = await writeBook([OTHER.id], NOW);
    expect((await pathsIn(other.blob)).filter((path) => path.startsWith("charts/"))).toEqual([]);
    await removeRig(OTHER.id);
  }, 20_000);
  it("comes back unchanged, with its photos, and nothing the second time", async () => {
    await importRigs(
      [{ header: OTHER, entries: [build(), withPhoto] }],
      [{ rigId: OTHER.id, id: "photo:0001", bytes: jpeg() }],
    );
    const written = await writeBook([RIG, OTHER.id], NOW);
    expect(written).toMatchObject({ counts: { [RIG]: 1, [OTHER.id]: 2 }, raw: [], lostPhotos: 0 });
    expect(await pathsIn(written.blob)).toEqual([
      rigPath(ENDURO_HEADER),
      "rigs/Ötztal-2.other-0001.json",
      "photos/other-0001/0001.jpg",
      "tamis-log.schema.json",
      "READ ME.txt",
    ]);
    await removeRig(OTHER.id);
    expect(await lookAtFile(written.blob)).toMatchObject({
      ok: true,
      value: {
        photos: 1,
        rigs: [
          { id: RIG, isNew: false, fresh: 0, already: 1 },
          { id: OTHER.id, isNew: true, fresh: 2, already: 0 },
        ],
      },
    });
    expect(await importFile(written.blob)).toMatchObject({ ok: true, value: { rigs: 1, entries: 2 } });
    expect(Buffer.from((await readPhoto(OTHER.id, "photo:0001")) ?? [])).toEqual(Buffer.from(jpeg()));
    expect(await importFile(written.blob)).toMatchObject({ ok: true, value: { rigs: 0, entries: 0 } });
    const again = await writeBook([RIG, OTHER.id], NOW);
    expect(again.counts).toEqual(written.counts);
  });

  it("is opened once, says how far it is, and changes nothing when it is stopped between two steps", async () => {
    await importRigs(
      [{ header: OTHER, entries: [build(), withPhoto] }],
      [{ rigId: OTHER.id, id: "photo:0001", bytes: jpeg() }],
    );
    const written = await writeBook([RIG, OTHER.id], NOW);
    await removeRig(OTHER.id);
    const looked: number[] = [];
    const open = await openFile(written.blob, (share) => looked.push(share) > 0);
    expect(await lookInto(open, (share) => looked.push(share) > 0)).toMatchObject({ ok: true });
    expect(looked).toEqual([0.25, 0.5, 0.75, 1]);
    const before = JSON.stringify(await rawData());
    // A photo and two rigs, of which one brings nothing and is not written.
    for (const stopAfter of [1, 2]) {
      let told = 0;
      const stopped = bringIn(open, {}, () => (told += 1) < stopAfter);
      await expect(stopped).resolves.toMatchObject({
        ok: false,
        problem: { reason: "refused", message: "Stopped. Nothing was imported." },
      });
      expect(told).toBe(stopAfter);
      expect(JSON.stringify(await rawData())).toBe(before);
    }
    expect(await bringIn(open)).toMatchObject({ ok: true, value: { rigs: 1, entries: 2 } });
    await open.close();
  });

  it("carries a rig that cannot be read as it is stored, and the others whole", async () => {
    await importRigs([{ header: OTHER, entries: [build()] }]);
    await database.setItem(headerKey(RIG), { id: RIG, name: "" });
    const { blob, raw, rigs, counts } = await writeBook([RIG, OTHER.id], NOW);
    expect({ raw, rigs: rigs.map(({ id }) => id), counts }).toEqual({
      raw: [RIG],
      rigs: [OTHER.id],
      counts: { [OTHER.id]: 1 },
    });
    expect(await pathsIn(blob)).toContain("raw/demo-enduro.json");
    expect(await lookAtFile(blob)).toMatchObject({ ok: true, value: { raw: [RIG] } });
    expect(await importFile(blob)).toMatchObject({ ok: true, value: { entries: 0 } });
    const alone = await writeBook([RIG], NOW);
    expect(await refusal(alone.blob)).toContain("No rig in this zip could be read where it was made");
  });

  it("says which photos are not here", async () => {
    await importRigs([{ header: OTHER, entries: [build(), withPhoto] }]);
    expect(await writeBook([OTHER.id], NOW)).toMatchObject({ lostPhotos: 1, raw: [] });
  });

  it("is opened rig by rig where it was unpacked", async () => {
    const { blob } = await writeBook([RIG], NOW);
    const zip = new ZipReader(new BlobReader(blob), { useWebWorkers: false });
    const [first] = await zip.getEntries();
    if (!first || first.directory) throw new Error("no rig");
    const json = await first.getData(new BlobWriter());
    await removeRig(RIG);
    expect(await importFile(json)).toMatchObject({ ok: true, value: { rigs: 1, entries: 1 } });
  });
});

describe("a zip that is not right changes nothing", () => {
  const rigs = { "rigs/a.json": JSON.stringify(logFile()) };
  it.each([
    ["none of Tamis’s", () => zipOf({ "holiday.txt": "sun" }), "holds no log of Tamis"],
    [
      "with a rig twice",
      () => zipOf({ ...rigs, "rigs/b.json": JSON.stringify(logFile()) }),
      "in this zip twice",
    ],
    ["with a password", () => zipOf(rigs, "secret"), "This zip has a password. Unpack it"],
    ["with a broken rig", () => zipOf({ ...rigs, "rigs/b.json": "{" }), "rigs/b.json: This file is not JSON"],
    [
      "made to fill a device",
      () => zipOf({ "rigs/a.json": new Uint8Array(40 * 1024 * 1024) }),
      "made to fill a device",
    ],
    [
      "with a crowd of files, by its directory alone",
      async () => {
        const bytes = new Uint8Array(await (await zipOf(rigs)).arrayBuffer());
        // The count of files stands ten bytes into the directory's end.
        new DataView(bytes.buffer).setUint16(bytes.length - 12, 65_535, true);
        return new Blob([bytes]);
      },
      "over 20000 files",
    ],
    [
      "cut short",
      async () => {
        const whole = await zipOf(rigs);
        return whole.slice(0, whole.size - 40);
      },
      "cut short or damaged",
    ],
    [
      "with a byte that was turned",
      async () => {
        const bytes = new Uint8Array(await (await zipOf(rigs)).arrayBuffer());
        bytes[900] = (bytes[900] ?? 0) ^ 0x55;
        return new Blob([bytes]);
      },
      "cut short or damaged",
    ],
  ])("%s", async (_, make, words) => {
    expect(await refusal(await make())).toContain(words);
  });

  it("with a photo that is none: found out when it is its turn, and the photos before it are gone again", async () => {
    const photos = [1, 2].map((n) => ({ id: `photo:000${n}`, widthPx: 10, heightPx: 10 }));
    const file = await zipOf({
      "rigs/a.json": JSON.stringify(logFile([build(), { ...withPhoto, photos }])),
      [photoPath(story.header.id, "photo:0001")]: jpeg(),
      [photoPath(story.header.id, "photo:0002")]: "<svg onload=alert(1)>",
    });
    const before = (await database.keys()).sort();
    expect(await importFile(file)).toMatchObject({
      ok: false,
      problem: { reason: "refused", message: expect.stringContaining("photo:0002 is no JPEG") as string },
    });
    expect((await database.keys()).sort()).toEqual(before);
  });

  it("where the zip lies about how large a rig is", async () => {
    const bytes = new Uint8Array(
      await (await zipOf({ "rigs/a.json": new Uint8Array(40 * 1024 * 1024) })).arrayBuffer(),
    );
    const view = new DataView(bytes.buffer);
    for (let i = 0; i + 4 < bytes.length; i += 1)
      if (view.getUint32(i, true) === 40 * 1024 * 1024) view.setUint32(i, 1000, true);
    expect(await refusal(new Blob([bytes]))).toMatch(/cut short or damaged|over/);
  });
});

describe("a log as JSON", () => {
  it("carries photos as older Tamis wrote them", async () => {
    await removeRig(RIG);
    const file = {
      ...logFile([build(), withPhoto]),
      photos: [{ rigId: story.header.id, id: "photo:0001", jpeg: toBase64(jpeg()) }],
    };
    expect(await importFile(asJson(file))).toMatchObject({ ok: true, value: { entries: 2 } });
    expect((await readPhoto(story.header.id, "photo:0001"))?.length).toBe(70_000);
    expect(await refusal(asJson({ ...file, photos: [{ ...file.photos[0], jpeg: "????" }] }))).toContain(
      "photos[0].jpeg",
    );
  });

  it("keeps the keys of a newer Tamis through storage and out again", async () => {
    const newer = { ...look("0009", "10:00"), gust: { speedMs: 3 } };
    const built = build() as Extract<Entry, { kind: "build" }>;
    const deep = {
      ...built,
      id: "build:0002",
      at: "2026-05-23T10:30:00+02:00",
      build: { ...built.build, engine: { ...built.build.engine, turbo: false } },
    };
    const file = { ...logFile(), rigs: [{ header: ENDURO_HEADER, entries: [build(), newer, deep] }] };
    expect(await lookAtFile(asJson(file))).toMatchObject({
      ok: true,
      value: { unknown: ["rigs[0].entries[1].gust", "rigs[0].entries[2].build.engine.turbo"] },
    });
    expect(await importFile(asJson(file))).toMatchObject({ ok: true, value: { entries: 2 } });
    expect(await logged()).toContainEqual(newer);
    const { blob } = await writeBook([RIG], NOW);
    await removeRig(RIG);
    expect(await importFile(blob)).toMatchObject({ ok: true });
    expect(await logged()).toEqual(expect.arrayContaining([newer, deep]));
  });

  it("with a kind that is not known is refused all the same", async () => {
    const file = {
      ...logFile(),
      rigs: [{ header: ENDURO_HEADER, entries: [build(), { ...look("0009", "10:00"), kind: "dream" }] }],
    };
    expect(await refusal(asJson(file))).toContain("this kind of entry is unknown here");
  });

  it("of 50 MB is refused unread", async () => {
    const huge = new Blob([new Uint8Array(50 * 1024 * 1024)]);
    const text = jest.spyOn(huge, "text");
    expect(await refusal(huge)).toContain("a log has at most 48 MB");
    expect(text).not.toHaveBeenCalled();
  });

  const needle = { ...ENDURO_BUILD.carburettor.needle, grooves: 1, referenceClip: 1 };
  const baseline = {
    ...ENDURO_BUILD.baseline,
    setting: { ...ENDURO_BUILD.baseline.setting, clip: 1 },
  };
  const lateBuild = {
    id: "build:late",
    at: "2026-05-24T08:00:00+02:00",
    kind: "build",
    build: { ...ENDURO_BUILD, carburettor: { ...ENDURO_BUILD.carburettor, needle }, baseline },
    reopens: [],
    why: "",
  } as Entry;
  const [first, ...rest] = story.entries;
  const builtAs = (change: object): Entry[] => {
    if (first?.kind !== "build") throw new Error("story must start with a build");
    return [{ ...first, build: { ...ENDURO_BUILD, ...change } }, ...rest];
  };
  it.each<[string, readonly Entry[], string]>([
    [
      "a look at a cylinder that the engine has not",
      [...story.entries, { ...look("none", "19:00"), cylinder: 2 } as Entry],
      "cylinder must be in 1..1, got 2",
    ],
    [
      "a later build that what is fitted does not suit",
      [...story.entries, lateBuild],
      "clip must be in 1..1, got 2",
    ],
    [
      "a needle thicker than its jet",
      builtAs({ carburettor: { ...ENDURO_BUILD.carburettor, needleJetMm: 2.5 } }),
      "needle must be thinner",
    ],
    ["a machine never ridden", builtAs({ usage: { idle: 0, low: 0, mid: 0, top: 0 } }), "usage must give"],
    [
      "a window turned round",
      builtAs({ screwWindow: { kind: "fixed", from: 3, to: 1 } }),
      "rigs[0].entries[0]: screw window must run",
    ],
    [
      "a groove the needle has not",
      [...story.entries, fitPart("9999", "20:00", "clip", 9)],
      "clip must be in 1..5, got 9",
    ],
  ])("with %s is refused", async (_, entries, words) => {
    expect(await refusal(asJson(logFile(entries)))).toContain(words);
  });
});

it("a photo is kept once, however often it comes", async () => {
  await importRigs(
    [{ header: OTHER, entries: [build(), withPhoto] }],
    [{ rigId: OTHER.id, id: "photo:0001", bytes: jpeg() }],
  );
  const set = jest.spyOn(database, "setItem");
  const { blob } = await writeBook([OTHER.id], NOW);
  await importFile(blob);
  expect(set.mock.calls.map(([key]) => key)).not.toContain(photoKey(OTHER.id, "photo:0001"));
});
