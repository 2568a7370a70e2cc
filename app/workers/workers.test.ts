/** @jest-environment node */
import * as Comlink from "comlink";
import nodeEndpoint from "comlink/dist/umd/node-adapter";
import { MessageChannel } from "node:worker_threads";
import { enduroDemo } from "#demo/enduro-log.ts";
import { ENDURO_BUILD } from "#demo/enduro-build.ts";
import { advise } from "#core/advice/advise.ts";
import { LOG_VERSION, type AirEntry, type LogFile } from "#core/log/schema.ts";
import { fitPart } from "../../core/__tests__/entries.ts";
import { readFile, writeFile } from "./files.ts";
import { judgeApi } from "./judge.ts";
import type { JudgeApi } from "./protocol.ts";

const story = enduroDemo("2026-05-23", "+02:00");
const logFile = (): LogFile => ({
  format: "tamis",
  version: LOG_VERSION,
  savedAt: "2026-05-23T18:00:00+02:00",
  rigs: [{ header: story.header, entries: [...story.entries] }],
});
const draft: AirEntry = {
  id: "air:draft",
  at: "2026-05-23T15:00:00Z",
  kind: "air",
  temperatureK: 303.15,
  humidity: { kind: "relative", fraction: 0.4 },
  pressure: { kind: "station", pressurePa: 84_500 },
  place: "",
};

describe("a file with cylinders", () => {
  it("is refused when a look names one that the engine does not have", async () => {
    const file = logFile();
    const [rig] = file.rigs;
    const reading = { type: "symptom", zone: "low", symptom: "bogs" } as const;
    rig?.entries.push({
      id: "look:none",
      at: "2026-05-23T19:00:00+02:00",
      kind: "look",
      reading,
      cylinder: 2,
    });
    const read = await readFile(new Blob([JSON.stringify(file)]));
    expect(read).toMatchObject({
      ok: false,
      problem: { message: expect.stringContaining("cylinder must be in 1..1, got 2") as string },
    });
  });
});

describe("the judge, across a message channel", () => {
  const { port1, port2 } = new MessageChannel();
  Comlink.expose(judgeApi(), nodeEndpoint(port1));
  const judge = Comlink.wrap<JudgeApi>(nodeEndpoint(port2));
  afterAll(() => {
    port1.close();
    port2.close();
  });

  it("asks for a log it does not know, then answers as the core does", async () => {
    expect(await judge.advise("one", undefined)).toMatchObject({ ok: false, name: "unknownLog" });
    expect(await judge.openLog("one", story.entries, [])).toMatchObject({
      ok: true,
      value: [{ kind: "idle" }, { kind: "reader" }, { kind: "ride" }],
    });
    const answer = await judge.advise("one", undefined);
    expect(answer.ok && answer.value).toEqual(JSON.parse(JSON.stringify(advise(story.entries))));
  });

  it("works out the card for an air that is still being typed", async () => {
    const answer = await judge.advise("one", draft);
    expect(answer.ok && answer.value.air.air.temperatureK).toBe(303.15);
  });

  it("compares the cylinders of an engine, of which a single has none to compare", async () => {
    const answer = await judge.distribution("one");
    expect(answer).toEqual({ ok: true, value: { cylinders: [], outliers: [], ownJets: [] } });
    expect(await judge.distribution("never opened")).toMatchObject({ ok: false, name: "unknownLog" });
  });

  it("tells what each tone of a plug would lead to", async () => {
    const answer = await judge.outlook("one", "top");
    if (!answer.ok) throw new Error(answer.message);
    expect(answer.value.map(({ tone }) => tone)).toEqual([
      "chalk",
      "bone",
      "straw",
      "biscuit",
      "cocoa",
      "umber",
      "soot",
    ]);
    // Leaner looks leave the top believed leaner: the order of tones is the order of beliefs.
    const means = answer.value.map(({ advice }) => advice.zones[3]?.mean ?? NaN);
    expect([...means].sort((a, b) => b - a)).toEqual(means);
  });

  it("answers with words for entries and drafts that are none", async () => {
    expect(await judge.openLog("two", [{ kind: "poem" }], [])).toMatchObject({ ok: false });
    expect(await judge.openLog("two", [], [])).toMatchObject({
      ok: false,
      message: "log must hold a build, got none",
    });
    expect(await judge.advise("one", { ...draft, temperatureK: 20 })).toMatchObject({ ok: false });
  });

  it("keeps a dozen logs and forgets the oldest", async () => {
    for (let i = 0; i < 13; i += 1) await judge.openLog(`log ${i}`, story.entries.slice(0, 1), []);
    expect(await judge.advise("log 0", undefined)).toMatchObject({ name: "unknownLog" });
    expect(await judge.advise("log 12", undefined)).toMatchObject({ ok: true });
  });
});

describe("files", () => {
  it("are written and read back unchanged", async () => {
    const written = writeFile(logFile());
    if (!written.ok) throw new Error(written.message);
    expect(await readFile(written.value)).toEqual({ ok: true, file: logFile(), photos: [] });
  });

  it("carry photos as bytes out and in", async () => {
    const bytes = Uint8Array.from({ length: 70_000 }, (_, i) => i % 251);
    const written = writeFile(logFile(), [{ rigId: story.header.id, id: "photo:0001", bytes }]);
    if (!written.ok) throw new Error(written.message);
    const read = await readFile(written.value);
    expect(read.photos?.[0]).toMatchObject({ rigId: story.header.id, id: "photo:0001" });
    expect(Buffer.from(read.photos?.[0]?.bytes ?? []).equals(Buffer.from(bytes))).toBe(true);
    const text = (await written.value.text()).replace(/"jpeg": ".{8}/, '"jpeg": "?');
    expect(await readFile(new Blob([text]))).toMatchObject({
      ok: false,
      problem: { where: "photos[0].jpeg" },
    });
  });

  it("with a later build that what is fitted does not suit are refused at that build", async () => {
    const file = logFile();
    const carburettor = {
      ...ENDURO_BUILD.carburettor,
      needle: { ...ENDURO_BUILD.carburettor.needle, grooves: 1, referenceClip: 1 },
    };
    const { setting } = ENDURO_BUILD.baseline;
    const baseline = { ...ENDURO_BUILD.baseline, setting: { ...setting, clip: 1 } };
    file.rigs[0]?.entries.push({
      id: "build:late",
      at: "2026-05-24T08:00:00+02:00",
      kind: "build",
      build: { ...ENDURO_BUILD, carburettor, baseline },
      reopens: [],
      why: "",
    });
    const read = await readFile(new Blob([JSON.stringify(file)]));
    expect(!read.ok && read.problem.message).toContain("clip must be in 1..1, got 2");
  });

  it("of 50 MB are refused unread", async () => {
    const huge = new Blob([new Uint8Array(50 * 1024 * 1024)]);
    const text = jest.spyOn(huge, "text");
    expect(await readFile(huge)).toMatchObject({ ok: false, problem: { reason: "tooLarge" } });
    expect(text).not.toHaveBeenCalled();
  });

  it.each([
    [
      "a needle thicker than its jet",
      { ...ENDURO_BUILD, carburettor: { ...ENDURO_BUILD.carburettor, needleJetMm: 2.5 } },
      "needle must be thinner",
    ],
    [
      "a machine never ridden",
      { ...ENDURO_BUILD, usage: { idle: 0, low: 0, mid: 0, top: 0 } },
      "usage must give",
    ],
    [
      "a window turned round",
      { ...ENDURO_BUILD, screwWindow: { kind: "fixed" as const, from: 3, to: 1 } },
      "screw window must run",
    ],
  ])("with %s are refused with the entry's place", async (_, build, words) => {
    const file = logFile();
    const [first, ...rest] = file.rigs[0]?.entries ?? [];
    if (first?.kind !== "build" || !file.rigs[0]) throw new Error("story must start with a build");
    file.rigs[0].entries = [{ ...first, build }, ...rest];
    const read = await readFile(new Blob([JSON.stringify(file)]));
    expect(!read.ok && read.problem.message).toContain(words);
    expect(!read.ok && read.problem.where).toBe("rigs[0].entries[0]");
  });

  it("with a groove the needle has not are refused", async () => {
    const file = logFile();
    file.rigs[0]?.entries.push(fitPart("9999", "20:00", "clip", 9));
    const read = await readFile(new Blob([JSON.stringify(file)]));
    expect(!read.ok && read.problem.message).toContain("clip must be in 1..5, got 9");
  });
});
