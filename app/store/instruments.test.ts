/** What rigs say of instruments to each other, kept beside the book; and the names that a tuner gives them. */
import type { InstrumentMessage } from "#core/log/schema.ts";
import { build, plug } from "../../core/__tests__/entries.ts";
import { freshRig, sent, RIG, answerOf } from "#app/testing/rig.ts";
import { clientAction as dataAction, clientLoader } from "#app/features/data/route.tsx";
import { NOTHING_TYPED } from "#app/features/look/kinds.ts";
import { typedLook } from "#app/testing/typed-look.ts";
import { clientAction as logLook } from "#app/features/look/route.tsx";
import { readRig } from "./rig-log.ts";
import { database, metaKey } from "./database.ts";
import { logFileOf } from "#app/store/book-file/write.ts";
import {
  forgetSaid,
  heardBy,
  keepBrought,
  keepSaid,
  readInstrumentNames,
  writeInstrumentNames,
} from "./instruments.ts";

const said = (pull: number, name?: string): InstrumentMessage[] => [
  { kind: "reader", ...(name !== undefined && { name }), precision: 1000, pull },
];

beforeEach(() => freshRig([build(), plug("0001", "09:00", "top", "umber")]));
afterEach(() => jest.restoreAllMocks());

describe("what rigs say of instruments", () => {
  it("is heard by the others, added up, and never by the one that said it", async () => {
    await keepSaid("rig:own-0001", said(-20));
    await keepSaid("rig:own-0002", said(-10));
    expect(await heardBy("rig:own-0001")).toEqual(said(-10));
    expect(await heardBy("rig:own-0003")).toEqual([{ kind: "reader", precision: 2000, pull: -30 }]);
    await keepSaid("rig:own-0001", []);
    expect(await heardBy("rig:own-0003")).toEqual(said(-10));
  });
  it("is neither told nor heard by the demo, whose readers are simulated", async () => {
    await keepSaid("rig:demo-enduro", said(-20));
    await keepSaid("rig:own-0001", said(-20));
    expect(await heardBy("rig:own-0001")).toEqual([]);
    expect(await heardBy("rig:demo-kart")).toEqual([]);
  });
  it("comes along with a file where no rig here says anything, and is gone with its rig", async () => {
    await keepBrought("rig:own-0001", said(-5));
    expect(await heardBy("rig:own-0001")).toEqual(said(-5));
    await keepSaid("rig:own-0002", said(-10));
    expect(await heardBy("rig:own-0001")).toEqual(said(-10));
    await forgetSaid("rig:own-0002");
    await forgetSaid("rig:own-0001");
    expect(await heardBy("rig:own-0001")).toEqual([]);
  });
  it("is exported with the rig that heard it, not with the demo's", async () => {
    await keepSaid("rig:own-0002", said(-10));
    const file = await logFileOf([RIG], "2026-05-23T18:00:00+02:00");
    expect(file.rigs[0]?.instruments).toBeUndefined();
  });
  it("is not written over by rigs that are opened at the same time, nor by a name given meanwhile", async () => {
    await Promise.all([
      keepSaid("rig:own-0001", said(-1)),
      writeInstrumentNames([{ kind: "reader", name: "Nine" }]),
      keepSaid("rig:own-0002", said(-2)),
      keepSaid("rig:own-0003", said(-4)),
    ]);
    expect(await heardBy("rig:own-0004")).toEqual([{ kind: "reader", precision: 3000, pull: -7 }]);
    expect(await readInstrumentNames()).toHaveLength(1);
  });
  it("is begun anew where it cannot be read, and a full device stops nobody", async () => {
    await database.setItem(metaKey("instruments"), { names: "poem" });
    expect(await heardBy("rig:own-0001")).toEqual([]);
    jest
      .spyOn(database, "setItem")
      .mockRejectedValue(Object.assign(new Error("full"), { name: "QuotaExceededError" }));
    await expect(keepSaid("rig:own-0001", said(-1))).resolves.toBeUndefined();
  });
});

describe("instruments by name", () => {
  const name = (intent: string, kind: string, given: string) =>
    dataAction(sent({ intent, kind, name: given }));
  it("are named and taken off the list on Data, each once", async () => {
    expect(answerOf(await name("nameInstrument", "reader", "  Nine ")).status).toBe(200);
    expect(await readInstrumentNames()).toEqual([{ kind: "reader", name: "Nine" }]);
    expect(answerOf(await name("nameInstrument", "reader", "Nine"))).toMatchObject({
      status: 400,
      data: { fields: { name: "There is one of that name already." } },
    });
    expect((await clientLoader()).instruments).toHaveLength(1);
    expect(answerOf(await name("dropInstrument", "reader", "Nine")).status).toBe(200);
    expect(await readInstrumentNames()).toEqual([]);
  });
  it.each([
    ["nothing", "reader", "   ", "1 to 40 signs"],
    ["too much", "reader", "x".repeat(41), "1 to 40 signs"],
    ["an unknown kind", "oracle", "Nine", "Choose one"],
  ])("refuse %s", async (_, kind, given, words) => {
    const { status, data } = answerOf(await name("nameInstrument", kind, given));
    expect(status).toBe(400);
    expect(JSON.stringify(data)).toContain(words);
    expect(await readInstrumentNames()).toEqual([]);
  });
  it("say so where the device is full", async () => {
    jest.spyOn(database, "setItem").mockRejectedValue(new Error("full"));
    expect(answerOf(await name("nameInstrument", "reader", "Nine")).status).toBe(507);
    await expect(writeInstrumentNames([])).rejects.toThrow("full");
  });
  it("stand in the looks that were taken with them, and in no symptom", async () => {
    const plug = { ...NOTHING_TYPED.plug, tone: "cocoa" };
    await logLook(sent(typedLook("plug", plug, { instrument: "Nine" })));
    const bogs = { symptom: "bogs", answer: "unasked" };
    await logLook(sent(typedLook("symptom", bogs, { zone: "low", instrument: "Nine" })));
    const rig = await readRig(RIG);
    const readings = rig.ok
      ? rig.value.entries.flatMap((entry) => (entry.kind === "look" ? [entry.reading] : []))
      : [];
    expect(readings.at(-2)).toMatchObject({ type: "plug", instrument: "Nine" });
    expect(readings.at(-1)).not.toHaveProperty("instrument");
  });
});
