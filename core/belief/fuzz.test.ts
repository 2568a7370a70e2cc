/**
 * Random logs with every kind of look, contradiction included, against importance sampling from a widened copy of
 * the answer; both orders. 4 logs here, 100 with `npm run test:long`.
 */
import { runs } from "../__tests__/long.ts";
import { importanceDraws } from "../__tests__/importance.ts";
import { FRAME } from "../__tests__/judged.ts";
import { humidAir } from "../air/humid-air.ts";
import { ZONES, type Zone } from "../carburettor/zones.ts";
import { SYMPTOM_NAMES } from "../log/symptom-names.ts";
import { CROWNS, HEADER_COLOURS, TONES, VERDICTS } from "../log/parts.ts";
import { FELT } from "../log/readings/ride-report.ts";
import type { Reading } from "../log/schema.ts";
import { instrumentOf, observationsOf } from "../looks/registry.ts";
import { dot, quadratic } from "../numbers/linear.ts";
import { seededRandom, type Random } from "../numbers/random.ts";
import { settingFromLog } from "../rig/from-build.ts";
import { ENDURO_BUILD } from "../../demo/enduro-build.ts";
import type { Evidence } from "./evidence.ts";
import { layoutOf, lineOver, placeOfInstrument, priorOf } from "./layout.ts";
import { zoneMixture } from "./mixture.ts";
import { update } from "./update.ts";
import type { Belief } from "./unknowns.ts";

const LOGS = runs("TAMIS_LOGS", 4, 100);
const DRAWS = 20_000;
const build = {
  ...ENDURO_BUILD,
  heat: { exhaust: { top: { targetK: 820, withinK: 15 }, mid: { targetK: 760, withinK: 15 } } },
};
const { setting } = ENDURO_BUILD.baseline;
const AIRS = [FRAME.air, humidAir({ temperatureK: 298, pressurePa: 88_000, relativeHumidity: 0.5 })];
const SETTINGS = [setting, { ...setting, main: 158, clip: 2 }, { ...setting, screwTurns: 2, main: 170 }];
const layout = layoutOf(1, [
  { kind: "idle" },
  { kind: "lambda" },
  { kind: "reader" },
  { kind: "ride" },
  { kind: "temperature" },
]);

function pick<T>(items: readonly T[], random: Random): T {
  const item = items[Math.floor(random.uniform() * items.length)];
  if (item === undefined) throw new Error("nothing to pick from");
  return item;
}

const TYPES = [
  "plug",
  "crown",
  "header",
  "temperature",
  "lambda",
  "bestIdle",
  "symptom",
  "compared",
  "rideReport",
] as const;

function anyReading(random: Random): Reading {
  const zone = pick(ZONES, random);
  const type = pick(TYPES, random);
  switch (type) {
    case "plug":
      return {
        type,
        zone,
        tone: pick(TONES, random),
        cut: pick(["clean", "rolled", "unknown"], random),
        colderSteps: 0,
      };
    case "crown":
      return { type, zone, crown: pick(CROWNS, random) };
    case "header":
      return { type, zone, colour: pick(HEADER_COLOURS, random) };
    case "temperature":
      return {
        type,
        zone: pick(["mid", "top"] as const, random),
        sensor: "exhaust",
        temperatureK: 780 + 40 * random.normal(),
      };
    case "lambda":
      return { type, zone, lambda: 0.9 * Math.exp(0.06 * random.normal()), sensor: "inside" };
    case "bestIdle": {
      const fallInTurns = 0.5 + random.uniform();
      const points = [1, 1.25, 1.5, 1.75, 2].map((turns) => ({ turns, rpm: 1700 }));
      return { type, zone: "idle", fallInTurns, fallOutTurns: fallInTurns + 1.2, sdTurns: 0.1, points };
    }
    case "symptom":
      return { type, zone, symptom: pick(SYMPTOM_NAMES, random) };
    case "compared":
      return { type, zone: "top", verdict: pick(VERDICTS, random) };
    case "rideReport":
      return { type, felt: { mid: pick(FELT, random), top: pick(FELT, random) } };
  }
}

function evidenceOf(reading: Reading, i: number, random: Random): Evidence[] {
  const mixtureOf = zoneMixture(FRAME, build, pick(AIRS, random));
  const [fitted, before] = [pick(SETTINGS, random), pick(SETTINGS, random)].map(settingFromLog);
  if (!fitted || !before) throw new Error("no setting");
  const instrument = instrumentOf(reading);
  const place = instrument && placeOfInstrument(layout, instrument);
  return observationsOf(reading, { build, mixtureOf, setting: fitted, before, screwSchool: "middle" })
    .filter(({ silent }) => !silent)
    .map(({ zone, line, likelihood }) => ({
      lookId: `look:${i}`,
      zone,
      line: lineOver(new Map([[0, line]]), layout, place),
      likelihood,
      shifts: new Map([[0, line.shift]]),
    }));
}

const prior = priorOf(layout);
const home = zoneMixture(FRAME, build, FRAME.air)(settingFromLog(setting));
const lines = ZONES.map((zone) => lineOver(new Map([[0, home[zone]]]), layout));

const along = (belief: Belief) =>
  lines.map(({ row, shift }) => ({
    mean: shift + dot(row, belief.mean),
    sd: Math.sqrt(quadratic(belief.covariance, row)),
  }));

/** What contradicts itself along several lines is no normal: there the doubt may only be too large. */
const isNormal = (kurtosis = NaN): boolean => kurtosis > 2.5 && kurtosis < 3.8;

describe("random logs with every kind of look", () => {
  const logs = Array.from({ length: LOGS }, (_, n) => {
    const random = seededRandom(4000 + n);
    const count = 3 + Math.floor(12 * random.uniform());
    const evidence = Array.from({ length: count }, (_x, i) =>
      evidenceOf(anyReading(random), i, random),
    ).flat();
    return { seed: 4000 + n, evidence };
  });
  const answers = logs.map(({ seed, evidence }) => ({ seed, evidence, answer: update(prior, evidence) }));

  it("leave numbers and doubts above nothing, and settle in all but two of a hundred", () => {
    let unsettled = 0;
    for (const { answer } of answers) {
      expect(answer.mean.every(Number.isFinite)).toBe(true);
      for (const { sd } of along(answer)) expect(sd).toBeGreaterThan(0);
      expect(Number.isFinite(answer.lnEvidence())).toBe(true);
      if (!answer.converged) unsettled += 1;
    }
    expect(unsettled).toBeLessThanOrEqual(Math.ceil(0.02 * LOGS));
  });

  it("say the same in either order", () => {
    for (const { seed, evidence, answer } of answers.filter(({ answer: { converged } }) => converged)) {
      const backward = update(prior, [...evidence].reverse());
      if (!backward.converged) continue;
      const [one, other] = [along(answer), along(backward)];
      const apart = one.map(({ mean }, i) => Math.abs(mean - (other[i]?.mean ?? NaN)));
      expect({ seed, apart: Math.max(...apart) < 5e-4 }).toEqual({ seed, apart: true });
    }
  });

  it("agree with brute force: means within 0.3 % of mixture, sds within 5 %; where it is no normal, with 0.8 of its doubt", () => {
    let held = 0;
    const off: object[] = [];
    for (const { seed, evidence, answer } of answers) {
      const { effective, along: zones } = importanceDraws(
        prior,
        evidence,
        answer,
        lines,
        DRAWS,
        seededRandom(seed),
      );
      if (effective < 2000) continue;
      held += 1;
      along(answer).forEach(({ mean, sd }, i) => {
        const brute = zones[i];
        const zone: Zone | undefined = ZONES[i];
        const means = Math.abs(mean - (brute?.mean ?? NaN));
        const sds = Math.abs(sd / (brute?.sd ?? NaN) - 1);
        // What the weighed draws leave open themselves is added to the bounds.
        const blur = 3 / Math.sqrt(effective);
        if (!isNormal(brute?.kurtosis)) {
          if (sd < (0.8 - blur) * (brute?.sd ?? NaN)) off.push({ seed, zone, means, sds });
          return;
        }
        if (means > 0.003 + blur * sd || sds > 0.05 + blur) off.push({ seed, zone, means, sds });
      });
    }
    expect(held).toBeGreaterThan(LOGS / 2);
    expect(off).toEqual([]);
  });
});
