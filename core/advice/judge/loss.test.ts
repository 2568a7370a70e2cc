import { LEAN_LIMIT, ZONES } from "../../carburettor/zones.ts";
import { chanceAbove, expectedLoss, loss, zoneWeights } from "./loss.ts";

describe("loss", () => {
  it("is the same either side at idle, a fifth more lean in the middle, two and a half times at the top", () => {
    for (const zone of ZONES) expect(loss(zone, -0.04)).toBeCloseTo(1, 12);
    expect([loss("idle", 0.04), loss("low", 0.04), loss("mid", 0.04), loss("top", 0.04)]).toEqual(
      [1, 1, 1.2, 2.5].map((x) => expect.closeTo(x, 12) as number),
    );
  });

  it("rises by thirty times the square past the lean limit of a zone under load, and only there", () => {
    const past = (zone: "idle" | "mid" | "top", factor: number) =>
      loss(zone, LEAN_LIMIT[zone] + 0.04) - factor * ((LEAN_LIMIT[zone] + 0.04) / 0.04) ** 2;
    expect(past("top", 2.5)).toBeCloseTo(30, 9);
    expect(past("mid", 1.2)).toBeCloseTo(30, 9);
    expect(past("idle", 1)).toBeCloseTo(0, 9);
  });

  it("has the expectation that adding up the loss over the belief gives", () => {
    for (const zone of ZONES)
      for (const [mean, sd] of [
        [0, 0.02],
        [-0.05, 0.03],
        [0.07, 0.04],
        [0.02, 0.001],
      ] as const) {
        let sum = 0;
        const step = sd / 200;
        for (let x = mean - 9 * sd; x <= mean + 9 * sd; x += step)
          sum +=
            (loss(zone, x) * Math.exp(-0.5 * ((x - mean) / sd) ** 2) * step) / (sd * Math.sqrt(2 * Math.PI));
        expect(expectedLoss(zone, { mean, sd }) / sum).toBeCloseTo(1, 4);
      }
  });

  it("weighs a zone half by its use and half for its own sake, and refuses a machine that is never ridden", () => {
    expect(zoneWeights({ idle: 0, low: 0, mid: 1, top: 1 })).toEqual({
      idle: expect.closeTo(0.11, 12) as number,
      low: expect.closeTo(0.05, 12) as number,
      mid: expect.closeTo(0.42, 12) as number,
      top: expect.closeTo(0.42, 12) as number,
    });
    expect(() => zoneWeights({ idle: 0, low: 0, mid: 0, top: 0 })).toThrow(
      "usage must give at least one zone",
    );
    expect(() => expectedLoss("top", { mean: 0, sd: 0 })).toThrow("sd must be above 0, got 0");
    expect(chanceAbove(0, { mean: 0, sd: 1 })).toBe(0.5);
  });
});
