/** What the trainer keeps, where, and what it then counts for. */
import { TONES } from "#core/log/parts.ts";
import { toneOf } from "#core/looks/plug-tone.ts";
import { seededRandom } from "#core/numbers/random.ts";
import { roundOf } from "#core/trainer/round.ts";
import { database, practiceDatabase } from "#app/store/database.ts";
import { heardBy } from "#app/store/instruments.ts";
import { readRounds, type TrainerRound } from "#app/store/trainer.ts";
import { answerOf, sent } from "#app/testing/rig.ts";
import { clientAction, clientLoader } from "./route.tsx";
import { biasWords, offsetEffect } from "./words.ts";

/** A round of a reader who is off by so much. */
function round(seed: number, bias: number, reader?: string): TrainerRound {
  const random = seededRandom(seed);
  return {
    at: seed,
    ...(reader !== undefined && { reader }),
    calls: roundOf({ seed, light: "mixed", burns: "twoStroke" }).map(({ error, scene }) => ({
      error,
      light: scene.light,
      called: toneOf(error + bias + 0.015 * random.normal()),
    })),
  };
}
const send = async (task: unknown) =>
  answerOf(await clientAction(sent(task))).data as { said?: string; message?: string };
const keep = async (...rounds: TrainerRound[]) => {
  for (const one of rounds) await send({ intent: "keep", round: one });
};

beforeEach(async () => {
  await practiceDatabase.clear();
  await database.clear();
});

describe("the trainer", () => {
  it("keeps rounds in a database of its own, oldest first", async () => {
    await keep(round(1, 0), round(2, 0, "Nine"));
    expect((await clientLoader()).rounds.map(({ at, reader }) => [at, reader])).toEqual([
      [1, undefined],
      [2, "Nine"],
    ]);
    expect(await database.keys()).toEqual([]);
    expect(await practiceDatabase.keys()).toEqual(["trainer/rounds"]);
  });
  it("counts a bias for real readings on request, never surer than 1.5 %, and takes it back", async () => {
    await keep(round(1, -0.03), round(2, -0.03), round(3, -0.03));
    expect(await heardBy("rig:own-0001")).toEqual([]);
    expect(await send({ intent: "count" })).toMatchObject({
      said: "Your practice counts for your plug readings now.",
    });
    const [heard] = await heardBy("rig:own-0001");
    expect(heard).toMatchObject({ kind: "reader" });
    expect(heard!.pull / heard!.precision).toBeCloseTo(-0.03, 2);
    expect(1 / heard!.precision).toBeGreaterThanOrEqual(0.015 ** 2 - 1e-9);
    expect((await clientLoader()).practised).toEqual([undefined]);
    // Simulated readers have an eye of their own.
    expect(await heardBy("rig:demo-enduro")).toEqual([]);
    await send({ intent: "takeBack" });
    expect(await heardBy("rig:own-0001")).toEqual([]);
    expect((await clientLoader()).rounds).toHaveLength(3);
  });
  it("keeps readers apart", async () => {
    await keep(round(1, -0.03, "Nine"), round(2, -0.03, "Nine"));
    expect(await send({ intent: "count" })).toMatchObject({ said: "Read twenty plugs first." });
    await send({ intent: "count", reader: "Nine" });
    expect(await heardBy("rig:own-0001")).toMatchObject([{ kind: "reader", name: "Nine" }]);
    // Nobody of that name is on the list of instruments: what counts can be taken back all the same.
    expect((await clientLoader()).readers).toEqual(["Nine"]);
    await send({ intent: "forget", reader: "Nine" });
    expect(await heardBy("rig:own-0001")).toEqual([]);
    expect(await readRounds()).toEqual([]);
  });
  it("counts nothing of who guesses", async () => {
    const random = seededRandom(4);
    const guessed = round(1, 0).calls.map((call) => ({
      ...call,
      called: TONES[Math.floor(7 * random.uniform())]!,
    }));
    await keep({ at: 1, calls: guessed }, { at: 2, calls: guessed });
    expect(await send({ intent: "count" })).toMatchObject({
      said: expect.stringContaining("by chance") as string,
    });
    expect(await heardBy("rig:own-0001")).toEqual([]);
  });
  it("refuses what is no round and changes nothing, and reads over what it cannot read", async () => {
    for (const bad of [
      {},
      { intent: "keep" },
      { intent: "keep", round: { at: 1, calls: [] } },
      { intent: "count", reader: "" },
    ])
      expect((await send(bad)).message).toMatch(/cannot be read/);
    const [call] = round(1, 0).calls;
    expect(
      (await send({ intent: "keep", round: { at: 1, calls: [{ ...call, error: NaN }] } })).message,
    ).toBeDefined();
    await practiceDatabase.setItem("trainer/rounds", [round(1, 0), { at: "yesterday" }, null]);
    expect((await clientLoader()).rounds).toHaveLength(1);
    await practiceDatabase.setItem("trainer/rounds", "nonsense");
    expect((await clientLoader()).rounds).toEqual([]);
  });
  it("opens where its database does not, and says so", async () => {
    const failing = jest.spyOn(practiceDatabase, "getItem").mockRejectedValue(new Error("closed"));
    const loaded = await clientLoader();
    expect(loaded.rounds).toEqual([]);
    expect(loaded.trouble).toBeDefined();
    failing.mockRestore();
  });
});

describe("a bias in words", () => {
  it("says side, size and doubt, or that none was found", () => {
    const bias = { mean: -0.03, sd: 0.005, scatter: 0.02, plugs: 40 };
    expect(biasWords(bias)).toBe("You read half a tone too dark: 3 % rich, give or take 1 %.");
    expect(biasWords({ ...bias, mean: 0.004 })).toBe("No bias found so far. You could be off by 1 %.");
    expect(offsetEffect(bias)).toContain("allows for 3 % too rich in your plug readings");
  });
});
