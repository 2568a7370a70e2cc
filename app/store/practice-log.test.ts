import type { PracticeAsked } from "#core/practice/levels.ts";
import { startGame } from "#app/journal/practice.ts";
import { moveEntries } from "#app/journal/move-entries.ts";
import { openRig } from "#app/journal/open-rig.ts";
import { saveEntry } from "#app/journal/save.ts";
import { freshRig, RIG } from "#app/testing/rig.ts";
import { listRigs } from "./book.ts";
import { practiceDatabase } from "./database.ts";
import { keepTyped, readTyped } from "./drafts.ts";
import { heardBy, keepSaid } from "./instruments.ts";
import { doInGame, forgetGames, keepScore, practiceId, readGameNow, readLadder } from "./practice-log.ts";
import { rawData } from "./raw.ts";
import { readRig } from "./rig-log.ts";

jest.mock("#app/workers/practice-client.ts", () => {
  const api = jest.requireActual<object>("../workers/practice.ts");
  const call = (work: (remote: object) => unknown) => Promise.resolve(work(api));
  return { practice: { call }, besidePractice: { call }, BESIDE_LIMIT_MS: 1000 };
});

const ASKED: PracticeAsked = { level: "topRich", seed: 3 };
const RIDE = { do: "ride", hold: "top", cut: "clean" } as const;
const PLUG = {
  reading: { type: "plug", zone: "top", tone: "umber", cut: "clean", colderSteps: 0 },
} as const;
const id = practiceId(ASKED);
const now = async () => {
  const game = await readGameNow(id);
  if (!game.ok) throw new Error(game.problem.message);
  return game.value;
};
const fit = (main: number) => saveEntry(id, "fit", { changes: [{ part: "main", to: main }], because: "own" });

beforeEach(async () => {
  await practiceDatabase.clear();
  forgetGames();
  await freshRig();
});

describe("a practice game", () => {
  it("is a rig of its own: ridden, looked at, changed and debriefed on the clock", async () => {
    expect(await startGame(ASKED, false)).toEqual({ ok: true, value: id });
    const rig = await openRig(id);
    expect([rig.log.header.plate, rig.log.entries.map(({ kind }) => kind)]).toEqual(["P1", ["build", "air"]]);
    expect((await now()).covered).toBe(true);
    await doInGame(id, RIDE);
    await doInGame(id, { do: "plug" });
    expect((await now()).view.shown.map(({ kind }) => kind)).toEqual(["ride", "plug"]);
    expect(await saveEntry(id, "look", PLUG)).toBeUndefined();
    expect((await now()).view.minutes).toBe(11);
    expect(await fit(rig.fitted.main - 5)).toBeUndefined();
    expect((await openRig(id)).fitted.main).toBe(rig.fitted.main - 5);
    expect((await now()).view.minutes).toBe(19);
    await doInGame(id, { do: "done" });
    expect((await now()).view.over).toBe(true);
    expect((await fit(rig.fitted.main))?.message).toContain("This game is over");
  });
  it("that ends with a hurt engine is not offered to go on with", async () => {
    await startGame(ASKED, false);
    expect(await readLadder()).toMatchObject({ value: { games: [{ over: false }] } });
    const { build } = await openRig(id);
    expect(await fit(Math.min(...build.box.mains))).toBeUndefined();
    await doInGame(id, RIDE);
    expect((await now()).view).toMatchObject({ hurt: true, over: true });
    expect(await readLadder()).toMatchObject({ value: { games: [{ over: true }] } });
  });
  it("goes on where it was, and begins anew only when that is asked for", async () => {
    await startGame(ASKED, false);
    await doInGame(id, RIDE);
    await startGame(ASKED, false);
    expect((await now()).view.minutes).toBe(8);
    await startGame(ASKED, true);
    expect((await now()).view.minutes).toBe(0);
  });
  it("says why something cannot be done, and keeps none of it", async () => {
    await startGame(ASKED, false);
    expect(await doInGame(id, { do: "plug" })).toMatchObject({
      ok: false,
      problem: { reason: "refused", message: "Ride first: there is nothing to see yet." },
    });
    for (let i = 0; i < 20; i += 1) await doInGame(id, RIDE);
    expect(await doInGame(id, RIDE)).toMatchObject({ ok: false, problem: { reason: "refused" } });
    expect((await now()).view.minutesLeft).toBeGreaterThanOrEqual(0);
    expect((await now()).record.done.length).toBeLessThan(20);
  });
  it("shows the card until something is logged, and counts each look at it", async () => {
    await startGame(ASKED, false);
    await doInGame(id, { do: "showMe" });
    expect((await now()).covered).toBe(false);
    await saveEntry(id, "look", PLUG);
    expect((await now()).covered).toBe(true);
  });
  it("is refused in words where it is not here, of another version, or cannot be read", async () => {
    expect(await readRig(id)).toMatchObject({ ok: false, problem: { reason: "missing" } });
    const older = await readRig("practice:1.topRich.3");
    expect(!older.ok && older.problem.message).toContain("another version of Tamis");
    await startGame(ASKED, false);
    await doInGame(id, RIDE);
    forgetGames();
    expect((await now()).view.minutes).toBe(8);
    await practiceDatabase.setItem(`game/${id}`, { version: 1, entries: "lost" });
    forgetGames();
    const lost = await readRig(id);
    expect(!lost.ok && lost.problem.message).toContain("Start it again on the Practice page");
    expect(await readLadder()).toEqual({ ok: true, value: { best: {}, games: [] } });
  });
  it("keeps the best score of each level", async () => {
    await keepScore("middle", 40);
    await keepScore("middle", 71);
    await keepScore("middle", 55);
    expect(await readLadder()).toMatchObject({ ok: true, value: { best: { middle: 71 } } });
  });
});

it("nothing of a practice game comes near the book: no record, list, draft, instrument or rig of it", async () => {
  const before = JSON.stringify(await rawData());
  await startGame(ASKED, false);
  await doInGame(id, RIDE);
  await saveEntry(id, "look", PLUG);
  await keepTyped(id, "look", { at: 5, texts: { tone: "umber" } });
  await keepSaid(id, [{ kind: "reader", precision: 900, pull: 3 }]);
  expect(JSON.stringify(await rawData())).toBe(before);
  expect(await heardBy(RIG)).toEqual([]);
  expect(await heardBy(id)).toEqual([]);
  const rigs = await listRigs();
  expect(rigs.ok && rigs.value.headers.map((header) => header.id)).toEqual([RIG]);
  expect((await readTyped(id, "look", 6))?.texts).toEqual({ tone: "umber" });
  const { log } = await openRig(id);
  for (const [from, to] of [
    [id, RIG],
    [RIG, id],
  ] as const)
    expect(await moveEntries(from, to, [log.entries[2]?.id ?? ""])).toMatchObject({ ok: false });
  expect(JSON.stringify(await rawData())).toBe(before);
});
