import fc from "fast-check";
import { WORKED_EXAMPLE } from "../__tests__/worked-example.ts";
import { buildModel } from "../carburettor/model.ts";
import { ZONES } from "../carburettor/zones.ts";
import { TONES } from "../log/parts.ts";
import type { LookEntry, Reading } from "../log/schema.ts";
import { lookWith } from "../__tests__/entries.ts";
import { ENDURO_BUILD } from "../../demo/enduro-build.ts";
import { evidenceFromLook } from "./registry.ts";
import { lambdaLikelihood } from "./lambda.ts";
import { zoneMixture } from "../belief/mixture.ts";
import { SYMPTOMS, SYMPTOM_NAMES } from "../log/symptom-names.ts";
import { symptomLikelihood } from "./symptom.ts";
import { toneBand, toneCentre, toneLikelihood, toneOf } from "./plug-tone.ts";
import { PRIOR, UNKNOWNS } from "../belief/unknowns.ts";

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
      "reader's error must be above 0",
    );
  });
});

describe("a λ figure", () => {
  it("points at the log ratio to its target", () => {
    const reading = lambdaLikelihood(0.9, 0.86, 0.015);
    expect(reading.reads).toBeCloseTo(Math.log(0.9 / 0.86), 12);
    expect(reading.log(reading.reads)).toBe(-0);
    // One sd away the density falls by half a unit of logarithm.
    expect(reading.log(reading.reads + 0.015)).toBeCloseTo(-0.5, 12);
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
  const { setting, air } = WORKED_EXAMPLE.baseline;
  const mixtureOf = zoneMixture(buildModel(WORKED_EXAMPLE), air);
  const mixture = mixtureOf(setting);
  const evidence = (reading: Reading, fuel = ENDURO_BUILD.fuel) =>
    evidenceFromLook(
      lookWith("0001", "09:00", reading) as LookEntry,
      { ...ENDURO_BUILD, fuel },
      mixtureOf,
      setting,
    );
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
    expect(item.likelihood.normal?.variance).toBeCloseTo((perTurn * 0.1) ** 2 + 0.02 ** 2, 12);
    // Best further out on an air screw: at the middle it is right, so as it stands it is rich.
    expect(item.line.shift).toBeGreaterThan(mixture.idle.shift);
    expect(item.likelihood.tail(0, 0.0001)).toBeCloseTo(1, 12);
    expect(item.likelihood.log(0) - item.likelihood.log(0.05)).toBeGreaterThan(0);
    expect(() => idle(1, 3, 0)).toThrow("doubt of best idle must be a number above 0");
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
    expect(tail(-0.08, 0.0004)).toBeLessThan(0.005);
    expect(tail(0.1, 0.0004)).toBeGreaterThan(0.5);
    expect(reads).toBe(0.08);
    expect(symptomLikelihood("stutters").reads).toBe(-0.08);
  });
  it("becomes evidence in the zone it was felt in", () => {
    const mixtureOf = zoneMixture(buildModel(WORKED_EXAMPLE), WORKED_EXAMPLE.baseline.air);
    const entry = lookWith("bog", "10:00", { type: "symptom", zone: "low", symptom: "bogs" }) as LookEntry;
    const evidence = evidenceFromLook(entry, ENDURO_BUILD, mixtureOf, WORKED_EXAMPLE.baseline.setting);
    expect(evidence).toMatchObject({ zone: "low", line: { shift: evidence.zoneShift } });
  });
});
