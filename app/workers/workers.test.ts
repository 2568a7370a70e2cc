/** @jest-environment node */
import * as Comlink from "comlink";
import nodeEndpoint from "comlink/dist/umd/node-adapter";
import { MessageChannel } from "node:worker_threads";
import { demoMovedTo } from "#demo/told.ts";
import { advise, type Advice } from "#core/advice/card/advise.ts";
import type { AirEntry } from "#core/log/schema.ts";
import { plug } from "../../core/__tests__/entries.ts";
import { judgeApi, MOST_KEPT } from "./judge.ts";
import type { Sieve } from "#core/advice/card/sieve.ts";
import type { Revision } from "./revision.ts";
import type { JudgeApi, Question } from "./protocol.ts";
import type { Outlook } from "#core/advice/card/outlook.ts";

const [story] = demoMovedTo("2026-05-23", "+02:00");
if (!story) throw new Error("the demo has rigs");
const draft: AirEntry = {
  id: "air:draft",
  at: "2026-05-23T15:00:00Z",
  kind: "air",
  temperatureK: 303.15,
  humidity: { kind: "relative", fraction: 0.4 },
  pressure: { kind: "station", pressurePa: 84_500 },
  place: "",
};

describe("the judge, across a message channel", () => {
  const { port1, port2 } = new MessageChannel();
  Comlink.expose(judgeApi(), nodeEndpoint(port1));
  const judge = Comlink.wrap<JudgeApi>(nodeEndpoint(port2));
  afterAll(() => {
    port1.close();
    port2.close();
  });

  const RIG = story.header.id;
  const rev = (rigId: string, count: number, token = "token"): Revision => ({ rigId, token, count });
  const log = (revision: Revision, entries: unknown, since?: Revision) => ({
    revision,
    entries,
    heard: [],
    ...(since && { since }),
  });
  const one = rev(RIG, 1);
  const advice = { ask: "advice" } as const;

  it("asks for a log it does not know, then answers as the core does", async () => {
    expect(await judge.answer(one, advice)).toMatchObject({ ok: false, name: "unknownLog" });
    expect(await judge.open(log(one, story.entries), advice)).toMatchObject({
      ok: true,
      value: {
        said: [{ kind: "idle" }, { kind: "reader" }, { kind: "ride" }],
        answer: JSON.parse(JSON.stringify(advise(story.entries))) as object,
      },
    });
    const answer = await judge.answer(one, advice);
    expect(answer.ok && answer.value).toEqual(JSON.parse(JSON.stringify(advise(story.entries))));
  });

  it("takes a save as what is new since the revision it has, and asks for all where it has not got that", async () => {
    const rig = "rig:growing";
    const [first, ...rest] = [story.entries.slice(0, -3), ...story.entries.slice(-3)];
    await judge.open(log(rev(rig, 1), first), advice);
    const grown = await judge.open(log(rev(rig, 2), rest, rev(rig, 1)), advice);
    expect(grown).toMatchObject({
      ok: true,
      value: { answer: JSON.parse(JSON.stringify(advise(story.entries))) as object },
    });
    expect(await judge.open(log(rev(rig, 3), rest, rev(rig, 1)), advice)).toMatchObject({
      ok: false,
      name: "unknownLog",
    });
  });

  it("knows a rig that was deleted and brought in again for another one", async () => {
    const rig = "rig:again";
    await judge.open(log(rev(rig, 2, "first"), story.entries), advice);
    expect(await judge.answer(rev(rig, 2, "second"), advice)).toMatchObject({ name: "unknownLog" });
    const less = story.entries.slice(0, 4);
    expect(await judge.open(log(rev(rig, 2, "second"), less), advice)).toMatchObject({
      value: { answer: JSON.parse(JSON.stringify(advise(less))) as object },
    });
  });

  it("sends the newest looks alone of a book of years, and says the same with them", async () => {
    const looks = Array.from({ length: 130 }, (_, i) =>
      plug(
        `many${i}`,
        `${String(8 + Math.floor(i / 60)).padStart(2, "0")}:${String(i % 60).padStart(2, "0")}`,
        "top",
        "biscuit",
      ),
    );
    const entries = [...story.entries.slice(0, 1), ...looks];
    const answer = await judge.open(log(rev("rig:many", 1), entries), advice);
    const whole = JSON.parse(JSON.stringify(advise(entries))) as Advice;
    expect(whole.looks.length).toBe(130);
    expect(answer).toMatchObject({
      ok: true,
      value: { answer: { card: whole.card, looks: whole.looks.slice(-100) } },
    });
  });

  it("works out the card for an air that is still being typed", async () => {
    const answer = await judge.answer(one, { ...advice, draft });
    expect(answer).toMatchObject({ ok: true, value: { air: { air: { temperatureK: 303.15 } } } });
  });

  it("compares the cylinders of an engine, of which a single has none to compare", async () => {
    const answer = await judge.answer(one, { ask: "distribution" });
    expect(answer).toEqual({ ok: true, value: { cylinders: [], outliers: [], ownJets: [] } });
  });

  it("sifts two parts, looks through a hole, and refuses what the machine cannot have", async () => {
    await judge.open(log(rev("rig:sifted", 1), story.entries), { ask: "advice" });
    const ask = (question: Question) => judge.answer(rev("rig:sifted", 1), question);
    const axes = { across: "main", down: "clip" } as const;
    const sifted = await ask({ ask: "sieve", axes });
    if (!sifted.ok) throw new Error(sifted.message);
    const sieve = sifted.value as Sieve;
    expect(sieve.best.reduce((sum, chance) => sum + chance, 0)).toBeCloseTo(1, 9);
    const setting = { ...sieve.fitted, main: 150 };
    expect(await ask({ ask: "trial", asked: { setting } })).toMatchObject({ ok: true, value: { setting } });
    expect(await ask({ ask: "trial", asked: { setting: { ...setting, clip: 19 } } })).toMatchObject({
      ok: false,
      name: "RangeError",
    });
    expect(await ask({ ask: "whose" })).toMatchObject({ ok: true, value: { zones: { length: 4 } } });
    expect(await ask({ ask: "sieve", axes: { across: "main", down: "main" } })).toMatchObject({ ok: false });
  });

  it("tells what each tone of a plug would lead to", async () => {
    const answer = await judge.answer(one, { ask: "outlook", zone: "top" });
    if (!answer.ok) throw new Error(answer.message);
    const rows = answer.value as Outlook[];
    expect(rows.map(({ tone }) => tone)).toEqual([
      "chalk",
      "bone",
      "straw",
      "biscuit",
      "cocoa",
      "umber",
      "soot",
    ]);
    // Leaner looks leave the top believed leaner: the order of tones is the order of beliefs. What is as far off as the
    // outermost may have another cause: it leaves more doubt instead.
    const zones = rows.map((row) => row.advice.zones[3]);
    const inner = zones.slice(2, 6).map((zone) => zone?.mean ?? NaN);
    expect([...inner].sort((a, b) => b - a)).toEqual(inner);
    const sds = zones.map((zone) => zone?.sd ?? NaN);
    expect(Math.max(...sds.slice(0, 2), ...sds.slice(6))).toBeGreaterThan(Math.max(...sds.slice(2, 6)));
  });

  it("answers with words for entries and drafts that are none", async () => {
    expect(await judge.open(log(rev("two", 1), [{ kind: "poem" }]), advice)).toMatchObject({ ok: false });
    expect(await judge.open(log(rev("two", 1), []), advice)).toMatchObject({
      ok: false,
      message: "log must hold a build, got none",
    });
    expect(await judge.answer(one, { ...advice, draft: { ...draft, temperatureK: 20 } })).toMatchObject({
      ok: false,
    });
  });

  it("answers for more rigs than it keeps, all asked at once, and forgets the oldest", async () => {
    const all = await Promise.all(
      Array.from({ length: MOST_KEPT + 2 }, (_, i) =>
        judge.open(log(rev(`rig:${i}`, 1), story.entries.slice(0, 1)), advice),
      ),
    );
    expect(all.map(({ ok }) => ok)).toEqual(all.map(() => true));
    expect(await judge.answer(rev("rig:0", 1), advice)).toMatchObject({ name: "unknownLog" });
    expect(await judge.answer(rev(`rig:${MOST_KEPT + 1}`, 1), advice)).toMatchObject({ ok: true });
  });
});
