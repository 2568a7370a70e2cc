import { TONES } from "../log/parts.ts";
import { toneOf } from "../looks/plug-tone.ts";
import { seededRandom } from "../numbers/random.ts";
import { calledWhat, isOff, isSteady, practisedMessage, readerBias, shareRight } from "./reader-bias.ts";
import { PLUGS_A_ROUND, roundOf, type Call, type RoundAsked } from "./round.ts";

const ASKED: RoundAsked = { seed: 7, light: "mixed", burns: "twoStroke" };

/** A reader who is off by so much, and scatters as careful ones do. */
function called(seed: number, rounds: number, bias: number, scatter = 0.02): Call[] {
  const random = seededRandom(seed);
  return Array.from({ length: rounds }, (_, i) => roundOf({ ...ASKED, seed: 1000 * seed + i }))
    .flat()
    .map(({ error, scene }) => ({
      error,
      light: scene.light,
      called: toneOf(error + bias + scatter * random.normal()),
    }));
}

describe("a round of plugs", () => {
  it("has twenty, every tone twice at least, each well within its band, the same for the same seed", () => {
    const round = roundOf(ASKED);
    expect(round).toHaveLength(PLUGS_A_ROUND);
    for (const tone of TONES) expect(round.filter((plug) => plug.tone === tone).length).toBeGreaterThan(1);
    for (const { error, tone } of round)
      for (const near of [-0.003, 0.003]) expect(toneOf(error + near)).toBe(tone);
    expect(roundOf(ASKED)).toEqual(round);
    expect(roundOf({ ...ASKED, seed: 8 })).not.toEqual(round);
  });
  it("keeps to one light, or goes through all", () => {
    expect(new Set(roundOf(ASKED).map(({ scene }) => scene.light)).size).toBe(3);
    expect(new Set(roundOf({ ...ASKED, light: "lamp" }).map(({ scene }) => scene.light))).toEqual(
      new Set(["lamp"]),
    );
  });
  it("refuses a seed that is none", () => {
    for (const seed of [-1, 1.5, NaN, 2 ** 40]) expect(() => roundOf({ ...ASKED, seed })).toThrow(RangeError);
  });
});

describe("a reader's bias", () => {
  const off = (bias: number, from: number) =>
    Array.from({ length: 100 }, (_, i) => readerBias(called(from + i, 2, bias))!);
  it("of half a tone is found out after 40 plugs, within its stated doubt in 90 of 100", () => {
    for (const bias of [0.0275, -0.0275]) {
      const found = off(bias, bias > 0 ? 100 : 300);
      expect(
        found.filter((one) => isOff(one) && Math.sign(one.mean) === Math.sign(bias)).length,
      ).toBeGreaterThan(89);
      // Two sds are what the screen names.
      expect(found.filter(({ mean, sd }) => Math.abs(mean - bias) <= 2 * sd).length).toBeGreaterThan(89);
    }
  });
  it("is not named where there is none, but in 5 of 100", () => {
    expect(off(0, 500).filter(isOff).length).toBeLessThan(6);
  });
  it("counts from a reader who tells tones apart, not from one who guesses", () => {
    expect(isSteady(readerBias(called(5, 2, 0.02))!)).toBe(true);
    const random = seededRandom(6);
    const guessed = called(6, 3, 0).map((call) => ({
      ...call,
      called: TONES[Math.floor(7 * random.uniform())]!,
    }));
    expect(isSteady(readerBias(guessed)!)).toBe(false);
  });
  it("is nothing before twenty plugs", () => {
    expect(readerBias(called(1, 1, 0).slice(0, 19))).toBeUndefined();
    expect(readerBias(called(1, 1, 0))).toBeDefined();
  });
  it("becomes a message no surer than 1.5 %, and no further off than readers are", () => {
    const { precision, pull } = practisedMessage({ mean: -0.02, sd: 0.004, scatter: 0.02, plugs: 100 });
    expect(Math.sqrt(1 / precision)).toBeCloseTo(0.015);
    expect(pull / precision).toBeCloseTo(-0.02);
    expect(practisedMessage({ mean: -0.02, sd: 0.03, scatter: 0.02, plugs: 20 }).precision).toBeCloseTo(
      1 / 0.03 ** 2,
    );
    const wild = practisedMessage({ mean: 0.15, sd: 0.004, scatter: 0.02, plugs: 100 });
    expect(wild.pull / wild.precision).toBeCloseTo(0.04);
  });
  it("that would lean an engine counts half as surely as one that would richen it", () => {
    const sdOf = (mean: number) =>
      practisedMessage({ mean, sd: 0.004, scatter: 0.02, plugs: 100 }).precision ** -0.5;
    expect(sdOf(0.02)).toBeCloseTo(0.03);
    expect(sdOf(-0.02)).toBeCloseTo(0.015);
  });
  it("says what was called what, and how many were right", () => {
    const calls: Call[] = [
      { error: 0, light: "sun", called: "biscuit" },
      { error: 0.05, light: "sun", called: "biscuit" },
    ];
    const table = calledWhat(calls);
    expect(table[3]).toEqual([0, 0, 0, 1, 0, 0, 0]);
    expect(table[2]).toEqual([0, 0, 0, 1, 0, 0, 0]);
    expect(shareRight(calls)).toBe(0.5);
    expect(shareRight([])).toBe(0);
  });
});
