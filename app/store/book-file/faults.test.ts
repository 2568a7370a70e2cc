/**
 * Files that were spoilt in a thousand ways, and a device that is full at every step: all or nothing comes in, and what was
 * there stays. A few in everyday tests, all of them with `npm run test:faults`.
 * @jest-environment node
 */
import { seededRandom } from "#core/numbers/random.ts";
import { impossibleEntries } from "#core/rig/check-log.ts";
import { presentOf } from "#app/journal/open-rig.ts";
import { freshRig, RIG } from "#app/testing/rig.ts";
import { ENDURO_HEADER } from "#demo/enduro-build.ts";
import { demoMovedTo } from "#demo/told.ts";
import { LOG_VERSION, type Entry } from "#core/log/schema.ts";
import { build, look } from "../../../core/__tests__/entries.ts";
import { closeBook, listRigs, removeRig, sweepBook } from "../book.ts";
import { database } from "../database.ts";
import { importRigs } from "../merge.ts";
import { rawData } from "../raw.ts";
import { append, readRig } from "../rig-log.ts";
import { putBack } from "../snapshots.ts";
import { importFile, lookAtFile } from "./keep.ts";
import { writeBook } from "./write.ts";

Object.defineProperty(globalThis, "BroadcastChannel", { value: undefined });

const FILES = process.env["TAMIS_FAULTS"] === undefined ? 60 : 1000;
const SEED = 20260502;
const NOW = "2026-05-23T18:00:00+02:00";

const everything = async () => JSON.stringify(await rawData());

/** Whatever came in can be opened, folded, and holds nothing that its rig cannot have. */
async function soundBook(): Promise<void> {
  closeBook();
  await sweepBook();
  const list = await listRigs();
  if (!list.ok) throw new Error(list.problem.message);
  expect(list.value.unreadable).toEqual([]);
  for (const { id } of list.value.headers) {
    const read = await readRig(id);
    if (!read.ok) throw new Error(read.problem.message);
    expect(impossibleEntries(presentOf(read.value))).toEqual([]);
    expect(new Set(read.value.entries.map((entry) => entry.id)).size).toBe(read.value.entries.length);
  }
}

type Draw = () => number;
const pick = <T>(draw: Draw, all: readonly T[]): T => all[Math.floor(draw() * all.length)] as T;
const RUBBISH: readonly unknown[] = [
  null,
  "",
  -1,
  0,
  1e308,
  -1e308,
  [],
  {},
  true,
  "NaN",
  "<img src=x onerror=alert(1)>",
  "=1+1",
  "\u202Egnp.exe",
  "x".repeat(5000),
  { kind: "build" },
  "2026-02-30T25:00:00Z",
  9007199254740991,
  "rig:demo-enduro",
];

/** Every place in a file, as the holder and its key. */
function places(root: unknown): { holder: Record<string, unknown>; key: string }[] {
  if (typeof root !== "object" || root === null) return [];
  const holder = root as Record<string, unknown>;
  return Object.keys(holder).flatMap((key) => [{ holder, key }, ...places(holder[key])]);
}

/** One to three values of the file are taken out, made rubbish, or taken from elsewhere in it. */
function spoiltJson(draw: Draw, file: unknown): string {
  const copy = JSON.parse(JSON.stringify(file)) as unknown;
  for (let n = 1 + Math.floor(draw() * 3); n > 0; n -= 1) {
    const all = places(copy);
    const { holder, key } = pick(draw, all);
    const how = draw();
    if (how < 0.3) Reflect.deleteProperty(holder, key);
    else if (how < 0.75) holder[key] = pick(draw, RUBBISH);
    else {
      const other = pick(draw, all);
      holder[key] = JSON.parse(JSON.stringify(other.holder[other.key] ?? null)) as unknown;
    }
  }
  return JSON.stringify(copy);
}

/** Bytes are turned, cut off or written twice, as a stick or a bad line does it. */
function spoiltBytes(draw: Draw, bytes: Uint8Array): Uint8Array<ArrayBuffer> {
  const copy = Uint8Array.from(bytes);
  const how = draw();
  if (how < 0.3) return copy.slice(0, Math.floor(draw() * copy.length));
  if (how < 0.4) return Uint8Array.from([...copy.slice(0, Math.floor(draw() * copy.length)), ...copy]);
  for (let n = 1 + Math.floor(draw() * 8); n > 0; n -= 1)
    copy[Math.floor(draw() * copy.length)] = Math.floor(draw() * 256);
  return copy;
}

it(`${FILES} spoilt files: each is refused whole in words, or what comes in is sound`, async () => {
  const { uniform } = seededRandom(SEED);
  const [story] = demoMovedTo("2026-05-23", "+02:00");
  if (!story) throw new Error("the demo has rigs");
  const file = {
    format: "tamis",
    version: LOG_VERSION,
    savedAt: NOW,
    rigs: [{ header: story.header, entries: story.entries.slice(0, 30) }],
  };
  await database.clear();
  closeBook();
  await importRigs(file.rigs);
  const { blob } = await writeBook([story.header.id], NOW);
  const zip = new Uint8Array(await blob.arrayBuffer());
  const json = new TextEncoder().encode(JSON.stringify(file));
  let [refused, sound] = [0, 0];
  for (let n = 0; n < FILES; n += 1) {
    await freshRig([build(), look("0001", "09:00")]);
    const before = await everything();
    const kind = uniform();
    const spoilt = kind < 0.6 ? spoiltJson(uniform, file) : spoiltBytes(uniform, kind < 0.75 ? json : zip);
    const looked = await lookAtFile(new Blob([spoilt]));
    expect(await everything()).toBe(before);
    const brought = await importFile(new Blob([spoilt]));
    if (brought.ok) {
      sound += 1;
      await soundBook();
      // What was there is still there.
      const own = await readRig(RIG);
      expect(own.ok && own.value.entries.map(({ id }) => id)).toEqual(
        expect.arrayContaining(["build:0001", "look:0001"]),
      );
    } else {
      refused += 1;
      expect(looked.ok).toBe(false);
      expect(brought.problem.message.length).toBeGreaterThan(20);
      expect(await everything()).toBe(before);
    }
  }
  console.log(`${FILES} spoilt files: ${refused} refused, ${sound} came in sound`);
  expect(refused).toBeGreaterThan(FILES / 3);
}, 900_000);

const OTHER = { ...ENDURO_HEADER, id: "rig:other-0001", name: "Other" };
const days: Entry[] = [build(), look("0001", "09:00")];
const PHOTO = { rigId: OTHER.id, id: "photo:0001", bytes: new Uint8Array([1, 2, 3]) };
const SNAPSHOT = { at: "12:00", why: "x" };

describe.each<[string, () => Promise<{ ok: boolean }>, (() => Promise<unknown>)?]>([
  ["a save", () => append(RIG, look("0009", "10:00"))],
  [
    "an import with a photo and a snapshot",
    () =>
      importRigs(
        [
          { header: OTHER, entries: days },
          { header: ENDURO_HEADER, entries: [look("0002", "11:00")] },
        ],
        [PHOTO],
        { snapshot: SNAPSHOT },
      ),
  ],
  ["a deletion", () => removeRig(RIG)],
  [
    "a snapshot put back",
    () => putBack("12:00", "14:00"),
    () => importRigs([{ header: OTHER, entries: days }], [], { snapshot: SNAPSHOT }),
  ],
])("a device that is full at any step of %s", (_, work, prepare = () => Promise.resolve()) => {
  afterEach(() => jest.restoreAllMocks());

  it("says so, and everything is as it was", async () => {
    for (let n = 1; ; n += 1) {
      await freshRig();
      await prepare();
      const before = await everything();
      let writes = 0;
      const real = database.setItem.bind(database) as (...args: unknown[]) => Promise<unknown>;
      jest.spyOn(database, "setItem").mockImplementation((...args: unknown[]) => {
        writes += 1;
        return writes === n ? Promise.reject(new DOMException("full", "QuotaExceededError")) : real(...args);
      });
      const done = await work();
      jest.restoreAllMocks();
      if (writes < n) {
        expect(done.ok).toBe(true);
        break;
      }
      expect(done).toMatchObject({ ok: false, problem: { reason: "full" } });
      // What was written beside is swept up at the next visit, where it could not be taken away at once.
      await soundBook();
      expect(await everything()).toBe(before);
    }
  });
});
