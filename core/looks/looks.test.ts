import fc from "fast-check";
import { FRAME, PRIOR } from "../__tests__/judged.ts";
import { ZONES } from "../carburettor/zones.ts";
import { TONES } from "../log/parts.ts";
import type { ScrewSchool } from "../log/schools.ts";
import type { Reading } from "../log/schema.ts";
import { ENDURO_BUILD } from "../../demo/enduro-build.ts";
import { instrumentOf, observationsOf } from "./registry.ts";
import { settingFromLog } from "../rig/from-build.ts";
import { lambdaLikelihood } from "./lambda.ts";
import { zoneMixture } from "../belief/mixture.ts";
import { SYMPTOMS, SYMPTOM_NAMES } from "../log/symptom-names.ts";
import { symptomLikelihood } from "./symptom.ts";
import { toneBand, toneCentre, toneLikelihood, toneOf } from "./plug-tone.ts";
import { UNKNOWNS } from "../belief/unknowns.ts";

const seeded = { seed: 314, numRuns: 300 };
const between = (min: number, max: number) => fc.double({ min, max, noNaN: true });

describe("plug tone", () => {
  it("has its edges at 3, 8 and 14 per cent either side, biscuit in the middle", () => {
    expect(TONES.map((tone) => toneBand(tone).low)).toEqual([
      0.14,
      0.08,
      0.03,
      -0.03,
      -0.08,
      -0.14,
      -Infinity,
    ]);
    expect([0.2, 0.1, 0.05, 0, -0.05, -0.1, -0.2].map(toneOf)).toEqual(TONES);
    for (const tone of TONES) expect(toneOf(toneCentre(tone))).toBe(tone);
  });

  it("spreads certainty over the seven tones, whatever the error and the reader", () => {
    fc.assert(
      fc.property(between(-0.3, 0.3), between(0.01, 0.1), between(-0.06, 0.06), (e, sd, looksRicher) => {
        const chances = TONES.map((tone) => Math.exp(toneLikelihood({ tone, sd, looksRicher }).log(e)));
        expect(chances.reduce((sum, p) => sum + p, 0)).toBeCloseTo(1, 9);
      }),
      seeded,
    );
  });

  it("moves the reading leaner when the plug is too cold and looks dark", () => {
    const cold = toneLikelihood({ tone: "biscuit", sd: 0.03, looksRicher: 0.02 });
    expect(cold.log(0.02)).toBeGreaterThan(cold.log(-0.02));
    expect(cold.reads).toBeCloseTo(0.02, 12);
  });

  it("is surprised far from what was believed and not close to it", () => {
    const soot = toneLikelihood({ tone: "soot", sd: 0.03, looksRicher: 0 });
    expect(soot.tail(0, 0.0004)).toBeLessThan(0.005);
    expect(soot.tail(-0.15, 0.0004)).toBeGreaterThan(0.3);
    expect(toneLikelihood({ tone: "biscuit", sd: 0.03, looksRicher: 0 }).tail(0, 0.0004)).toBe(1);
  });

  it("keeps a finite logarithm however far off, and refuses a reader without error", () => {
    expect(Number.isFinite(toneLikelihood({ tone: "chalk", sd: 0.03, looksRicher: 0 }).log(-5))).toBe(true);
    expect(() => toneLikelihood({ tone: "chalk", sd: 0, looksRicher: 0 })).toThrow(
      "reader's error must be a number above 0",
    );
  });
});

describe("a λ figure", () => {
  it("points at the log ratio to its target", () => {
    const reading = lambdaLikelihood(0.9, 0.86, 0.015);
    expect(reading.reads).toBeCloseTo(Math.log(0.9 / 0.86), 12);
    // One sd away the density falls by half a unit of logarithm, but for the 3 % that have another cause.
    const fall = reading.log(reading.reads + 0.015) - reading.log(reading.reads);
    const other = 0.03 / 5;
    expect(fall).toBeCloseTo(
      Math.log(0.97 * Math.exp(-0.5) + other * Math.exp(-0.02)) - Math.log(0.97 + other),
      12,
    );
    // Far out it is one of those, whose error is five times as wide.
    expect(reading.log(reading.reads + 0.15)).toBeCloseTo(Math.log(other) - 2, 6);
  });

  it("has the two-sided tail of a normal", () => {
    const reading = lambdaLikelihood(0.86, 0.86, 0.03);
    expect(reading.tail(0, 0.0016)).toBeCloseTo(1, 12);
    expect(reading.tail(0.098, 0.0016)).toBeCloseTo(0.05, 3); // 1.96 times √(0.0009 + 0.0016)
  });

  it("refuses figures that are none", () => {
    expect(() => lambdaLikelihood(0, 0.9, 0.015)).toThrow("λ must be a number above 0, got 0");
    expect(() => lambdaLikelihood(NaN, 0.9, 0.015)).toThrow(RangeError);
  });
});

describe("from a look to evidence", () => {
  const setting = settingFromLog(ENDURO_BUILD.baseline.setting);
  const mixtureOf = zoneMixture(FRAME, ENDURO_BUILD, FRAME.air);
  const mixture = mixtureOf(setting);
  const allSaid = (reading: Reading, fuel = ENDURO_BUILD.fuel, screwSchool: ScrewSchool = "middle") =>
    observationsOf(reading, {
      build: { ...ENDURO_BUILD, fuel },
      mixtureOf,
      setting,
      before: setting,
      screwSchool,
    });
  const evidence = (reading: Reading, fuel = ENDURO_BUILD.fuel) => {
    const [said] = allSaid(reading, fuel);
    if (!said) throw new Error("nothing said");
    return said;
  };
  const plugReading = (cut: "clean" | "rolled" | "unknown"): Reading => ({
    type: "plug",
    zone: "top",
    tone: "biscuit",
    cut,
    colderSteps: 0,
  });

  it("lets a clean cut speak for its zone alone, a rolled one half for the idle", () => {
    expect(evidence(plugReading("clean")).line.row).toEqual(mixture.top.row);
    const rolled = evidence(plugReading("rolled")).line.row;
    UNKNOWNS.forEach((_, i) =>
      expect(rolled[i]).toBeCloseTo(((mixture.top.row[i] ?? NaN) + (mixture.idle.row[i] ?? NaN)) / 2, 12),
    );
  });

  it("trusts a clean cut more than a rolled one, and petrol's colour more than methanol's", () => {
    const doubt = (item: ReturnType<typeof evidence>) => item.likelihood.log(0) - item.likelihood.log(0.08);
    expect(doubt(evidence(plugReading("clean")))).toBeGreaterThan(doubt(evidence(plugReading("rolled"))));
    expect(doubt(evidence(plugReading("clean")))).toBeGreaterThan(
      doubt(evidence(plugReading("clean"), { name: "methanol" })),
    );
  });

  it("takes the mixture for right halfway between the fall-offs of the idle, whatever the screw stands at", () => {
    const points = [0.5, 1, 1.5, 2, 2.5].map((turns) => ({ turns, rpm: 1700 }));
    const idle = (fallInTurns: number, fallOutTurns: number, sdTurns = 0.1) =>
      evidence({ type: "bestIdle", zone: "idle", fallInTurns, fallOutTurns, sdTurns, points });
    const at = (screwTurns: number) => mixtureOf({ ...setting, screwTurns }).idle.shift;
    const item = idle(1, 3);
    expect(item.line.shift).toBeCloseTo((at(1) + at(3)) / 2, 12);
    expect(item.likelihood.normal?.mean).toBe(0);
    const perTurn = Math.abs(at(3) - at(1)) / 2;
    expect(item.likelihood.normal?.variance).toBeCloseTo((perTurn * 0.1) ** 2 + 0.013 ** 2, 12);
    // Best further out on an air screw: at the middle it is right, so as it stands it is rich.
    expect(item.line.shift).toBeGreaterThan(mixture.idle.shift);
    expect(item.likelihood.tail(0, 0.0001)).toBeCloseTo(1, 12);
    expect(item.likelihood.log(0) - item.likelihood.log(0.05)).toBeGreaterThan(0);
  });

  it("has authorities and residuals in its rows: one of each adds to 2 at every zone", () => {
    for (const zone of ZONES) {
      const row = mixture[zone].row;
      expect(row.slice(0, 7).reduce((sum, x) => sum + x, 0)).toBeCloseTo(2, 12);
      expect(row[7]).toBeCloseTo(0, 12); // no change of air, so no air sensitivity
    }
    expect(PRIOR.mean).toHaveLength(UNKNOWNS.length);
  });
});

describe("a ride report", () => {
  const setting = settingFromLog(ENDURO_BUILD.baseline.setting);
  const context = {
    build: ENDURO_BUILD,
    mixtureOf: zoneMixture(FRAME, ENDURO_BUILD, FRAME.air),
    setting,
    before: setting,
    screwSchool: "middle" as const,
  };

  it("says of each zone that was used what was felt there, by one instrument: the same hand", () => {
    const report: Reading = { type: "rideReport", felt: { idle: "clean", top: "lean" } };
    const said = observationsOf(report, context);
    expect(said.map(({ zone }) => zone)).toEqual(["idle", "top"]);
    expect(said[1]?.likelihood.log(0.08)).toBeGreaterThan(said[1]?.likelihood.log(-0.08) ?? NaN);
    expect(said[0]?.likelihood.reads).toBe(0);
    expect(instrumentOf(report)).toEqual({ kind: "ride", name: undefined });
    expect(instrumentOf({ ...report, instrument: "No. 27" })).toEqual({ kind: "ride", name: "No. 27" });
  });

  it("changes its words at five per cent either side, blurred by six", () => {
    const chance = (felt: "rich" | "clean" | "lean", e: number) =>
      Math.exp(
        observationsOf({ type: "rideReport", felt: { mid: felt } }, context)[0]?.likelihood.log(e) ?? NaN,
      );
    for (const e of [-0.1, 0, 0.04])
      expect(chance("rich", e) + chance("clean", e) + chance("lean", e)).toBeCloseTo(1, 9);
    // 97 % by what is felt, 3 % by something else: any of the three words.
    expect(chance("lean", 0.05)).toBeCloseTo(0.97 * 0.5 + 0.01, 12);
    // Φ(0.05 / 0.06) either side of nought
    expect(chance("clean", 0)).toBeCloseTo(0.97 * 0.5953 + 0.01, 3);
  });
});

describe("the school of the mixture screw", () => {
  const setting = settingFromLog(ENDURO_BUILD.baseline.setting);
  const mixtureOf = zoneMixture(FRAME, ENDURO_BUILD, FRAME.air);
  const points = [0.5, 1, 1.5, 2, 2.5].map((turns) => ({ turns, rpm: 1700 }));
  const reading: Reading = {
    type: "bestIdle",
    zone: "idle",
    fallInTurns: 1,
    fallOutTurns: 2.6,
    crestTurns: 2,
    sdTurns: 0.1,
    points,
  };
  const rightAt = (screwSchool: ScrewSchool) =>
    observationsOf(reading, { build: ENDURO_BUILD, mixtureOf, setting, before: setting, screwSchool })[0]
      ?.line.shift;
  const at = (screwTurns: number) => mixtureOf({ ...setting, screwTurns }).idle.shift;

  it("moves where the idle is on its target: the crest, or an eighth of a turn richer", () => {
    expect(rightAt("highest")).toBeCloseTo(at(2), 12);
    // An air screw: in is richer.
    expect(rightAt("touchRich")).toBeCloseTo(at(1.875), 12);
    expect(rightAt("middle")).toBeCloseTo((at(1) + at(2.6)) / 2, 12);
    expect(rightAt("byFeel")).toBe(rightAt("middle"));
  });
});

describe("a symptom", () => {
  it("grows likely towards its own side, and is never certain", () => {
    for (const name of SYMPTOM_NAMES) {
      const side = SYMPTOMS[name].kind === "lean" ? 1 : -1;
      const { log } = symptomLikelihood(name);
      const chances = [-0.15, 0, 0.05, 0.15].map((towards) => Math.exp(log(side * towards)));
      expect([...chances].sort((a, b) => a - b)).toEqual(chances);
      expect(chances[0]).toBeCloseTo(0.04, 2);
      expect(chances[2]).toBeCloseTo(0.52, 12);
      expect(chances[3]).toBeLessThan(1);
    }
  });
  it("surprises where the other side was believed", () => {
    const { tail, reads } = symptomLikelihood("bogs");
    expect(tail(-0.08, 0.0004)).toBeLessThan(0.05);
    expect(tail(0.1, 0.0004)).toBeGreaterThan(0.5);
    // It may always have another cause: so likely it is, and no more questioned than that.
    expect(tail(-0.3, 0.0004)).toBeCloseTo(0.04, 6);
    expect(reads).toBe(0.08);
    expect(symptomLikelihood("stutters").reads).toBe(-0.08);
  });
  it("becomes evidence in the zone it was felt in", () => {
    const setting = settingFromLog(ENDURO_BUILD.baseline.setting);
    const mixtureOf = zoneMixture(FRAME, ENDURO_BUILD, FRAME.air);
    const [said] = observationsOf(
      { type: "symptom", zone: "low", symptom: "bogs" },
      { build: ENDURO_BUILD, mixtureOf, setting, before: setting, screwSchool: "middle" },
    );
    expect(said).toMatchObject({ zone: "low", line: { shift: mixtureOf(setting).low.shift } });
  });
});
