import { FRAME } from "../__tests__/judged.ts";
import { ZONES } from "../carburettor/zones.ts";
import { UNKNOWNS } from "../belief/unknowns.ts";
import { TONES } from "../log/parts.ts";
import { seededRandom } from "../numbers/random.ts";
import { ENDURO_BUILD } from "../../demo/enduro-build.ts";
import { TRUE_SD, toneShown } from "./truth.ts";
import { drawEngine, readLambda, readPlug, trueError } from "./hidden-engine.ts";

const { setting } = ENDURO_BUILD.baseline;
const { air } = FRAME;

describe("a hidden engine", () => {
  it("is the same for the same seed", () => {
    expect(drawEngine(FRAME, seededRandom(3)).truth).toEqual(drawEngine(FRAME, seededRandom(3)).truth);
    expect(drawEngine(FRAME, seededRandom(3)).truth).not.toEqual(drawEngine(FRAME, seededRandom(4)).truth);
  });

  it("departs from the model as far as is thought possible, no further and no less", () => {
    const random = seededRandom(99);
    const engines = Array.from({ length: 3000 }, () => drawEngine(FRAME, random).truth);
    UNKNOWNS.forEach((name, i) => {
      const variance = engines.reduce((sum, truth) => sum + (truth[i] ?? NaN) ** 2, 0) / engines.length;
      expect(Math.sqrt(variance) / TRUE_SD[name]).toBeCloseTo(1, 1);
    });
  });

  it("shows the tone of its error: seven, leaner ones paler, an edge at every sd of a plug", () => {
    const errors = Array.from({ length: 81 }, (_, i) => 0.2 - i * 0.005);
    const tones = errors.map(toneShown);
    expect([...new Set(tones)]).toEqual([...TONES]);
    expect([toneShown(0.141), toneShown(0.139), toneShown(-0.029), toneShown(-0.031), toneShown(-1)]).toEqual(
      ["chalk", "bone", "biscuit", "cocoa", "soot"],
    );
  });

  it("without secrets runs right at its baseline, and leaner with a smaller jet", () => {
    const plain = { frame: FRAME, truth: UNKNOWNS.map(() => 0) };
    for (const zone of ZONES) expect(trueError(plain, setting, air, zone)).toBeCloseTo(0, 12);
    expect(trueError(plain, { ...setting, main: 160 }, air, "top")).toBeGreaterThan(0.03);
  });

  it("shows its error in what the reader sees, more often than not", () => {
    const random = seededRandom(5);
    const tones = Array.from({ length: 400 }, () => readPlug(-0.11, "top", random)).map((reading) =>
      reading.type === "plug" ? TONES.indexOf(reading.tone) : NaN,
    );
    const mean = tones.reduce((sum, tone) => sum + tone, 0) / tones.length;
    expect(mean).toBeCloseTo(TONES.indexOf("umber"), 0);
    expect(new Set(tones).size).toBeGreaterThan(1);
  });

  it("shows λ around its target times its error, to two decimals", () => {
    const random = seededRandom(6);
    const figures = Array.from({ length: 400 }, () => readLambda(0.05, "top", ENDURO_BUILD, random)).map(
      (reading) => (reading.type === "lambda" ? reading.lambda : NaN),
    );
    const mean = figures.reduce((sum, figure) => sum + figure, 0) / figures.length;
    expect(mean).toBeCloseTo(ENDURO_BUILD.targetLambda.top * Math.exp(0.05), 2);
    for (const figure of figures) expect(Math.round(figure * 100) / 100).toBe(figure);
  });
});
