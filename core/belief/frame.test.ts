import { humidAir } from "../air/humid-air.ts";
import { advise } from "../advice/card/advise.ts";
import { air, at, build, lookWith, plug } from "../__tests__/entries.ts";
import { FRAME } from "../__tests__/judged.ts";
import { ZONES } from "../carburettor/zones.ts";
import { ENDURO_BUILD } from "../../demo/enduro-build.ts";
import { buildModel, feedAt, pointAt } from "../carburettor/model.ts";
import type { Build, Entry } from "../log/schema.ts";
import { rigFromBuild, settingFromLog } from "../rig/from-build.ts";
import { zoneMixture } from "./mixture.ts";

const { setting, air: baseAir } = ENDURO_BUILD.baseline;
const day = humidAir(baseAir);
const shiftsOn = (changed: Build, fitted = setting) => {
  const at = zoneMixture(FRAME, changed, day)(settingFromLog(fitted));
  return ZONES.map((zone) => at[zone].shift);
};
const rebuilt = (id: string, time: string, change: Partial<Build>, more: object = {}): Entry => ({
  id: `build:${id}`,
  at: at(time),
  kind: "build",
  build: { ...ENDURO_BUILD, ...change },
  reopens: [],
  why: "",
  ...more,
});
const perfect = (time: string): Entry[] =>
  ZONES.map((zone, z) =>
    lookWith(`per${z}`, `${time}${z}`, {
      type: "lambda",
      zone,
      lambda: ENDURO_BUILD.targetLambda[zone],
      sensor: "inside",
    }),
  );

describe("the frame of reference", () => {
  it("is nought at the reference, and the worked example's shift elsewhere", () => {
    for (const shift of shiftsOn(ENDURO_BUILD)) expect(shift).toBeCloseTo(0, 12);
    const [, , mid, top] = shiftsOn(ENDURO_BUILD, { ...setting, clip: 4 });
    expect(mid).toBeCloseTo(-0.05, 3);
    expect(top).toBeCloseTo(-0.0116, 3);
  });

  it("says 37 % lean when E85 goes into a carburettor jetted for petrol: 9.8 for 14.6, by √ of the densities", () => {
    const wanted = Math.log(14.6 / 9.8) - 0.5 * Math.log((781 * 0.99995) / (745 * 0.99995));
    for (const shift of shiftsOn({ ...ENDURO_BUILD, fuel: { name: "petrol", ethanolPercent: 85 } }))
      expect(shift).toBeCloseTo(wanted, 2);
    const advice = advise([
      build(),
      ...perfect("09:0"),
      rebuilt("e85a", "10:00", { fuel: { name: "petrol", ethanolPercent: 85 } }),
    ]);
    for (const { mean } of advice.zones) expect(mean).toBeGreaterThan(0.3);
    expect(["stop", "fit"]).toContain(advice.next.kind);
    expect(advice.warnings.map(({ code }) => code)).toContain("leanRisk");
  });

  it("calls richer than wanted what was right for a richer target", () => {
    const targetLambda = { ...ENDURO_BUILD.targetLambda, top: 0.92 };
    expect(shiftsOn({ ...ENDURO_BUILD, targetLambda })[3]).toBeCloseTo(Math.log(0.86 / 0.92), 9);
  });

  it("predicts another needle by the model: a straight 0.01 mm thicker makes low 4.7 % leaner", () => {
    const { needle } = ENDURO_BUILD.carburettor;
    const thicker = (mm: number): Build => ({
      ...ENDURO_BUILD,
      carburettor: {
        ...ENDURO_BUILD.carburettor,
        needle: {
          ...needle,
          profile: needle.profile.map((point, i) =>
            i < 2 ? { ...point, diameterMm: point.diameterMm + mm } : point,
          ),
        },
      },
    });
    expect(shiftsOn(thicker(0.01))[1]).toBeCloseTo(0.047, 3);
    expect(shiftsOn(thicker(0.02))[1]).toBeCloseTo(0.096, 3);
  });

  it("lets what is worth a step stand at nothing until a step is taken", () => {
    const at = zoneMixture(FRAME, ENDURO_BUILD, day);
    expect(Array.from(at(settingFromLog(setting)).mid.row.slice(8))).toEqual([0, 0, 0]);
    const [, clip = NaN, main = NaN] = at(settingFromLog({ ...setting, clip: 2, main: 160 })).mid.row.slice(
      8,
    );
    const model = buildModel(rigFromBuild(ENDURO_BUILD));
    const ln = (one: typeof setting) =>
      feedAt(model, settingFromLog(one), pointAt(model.rig, day, 0.45)).lnAirFuel;
    const both = { ...setting, clip: 2, main: 160 };
    expect(clip).toBeCloseTo(ln(both) - ln({ ...both, clip: 3 }), 12);
    expect(main).toBeCloseTo(ln(both) - ln({ ...both, main: 165 }), 12);
  });

  it("draws n cylinders' air through one carburettor", () => {
    const four = { ...ENDURO_BUILD, engine: { ...ENDURO_BUILD.engine, cylinders: 4 }, carburettors: 2 };
    expect(rigFromBuild(four).engine.displacementM3).toBeCloseTo(500e-6, 12);
  });
});

describe("a number measured better, and another part", () => {
  const jet = { carburettor: { ...ENDURO_BUILD.carburettor, needleJetMm: 2.7 } };
  const looks = [plug("0001", "09:00", "mid", "biscuit"), plug("0002", "09:10", "mid", "biscuit")];
  const mid = (entries: Entry[]) => advise(entries).zones[2]?.mean ?? NaN;

  it("measured better: the old looks were at that jet, so the engine stays right", () => {
    const path = "carburettor.needleJetMm";
    const better = [build(), ...looks, rebuilt("0002", "10:00", jet, { corrects: [path] })];
    expect(mid(better)).toBeCloseTo(mid([build("08:00", jet), ...looks]), 9);
    expect(Math.abs(mid(better))).toBeLessThan(0.02);
  });

  it("another part: the model says what it does, and the doubt of the needle comes back", () => {
    const before = advise([build(), ...looks]);
    const after = advise([build(), ...looks, rebuilt("0002", "10:00", jet)]);
    expect(after.zones[2]?.mean).toBeLessThan((before.zones[2]?.mean ?? NaN) - 0.05);
    expect(after.zones[2]?.sd).toBeGreaterThan(before.zones[2]?.sd ?? NaN);
  });

  it("a number that the micrometer first read right and then wrong is corrected only as far as it was wrong", () => {
    const wrong = { carburettor: { ...ENDURO_BUILD.carburettor, needleJetMm: 2.75 } };
    const path = "carburettor.needleJetMm";
    const log = [
      build(),
      ...looks,
      rebuilt("0002", "10:00", wrong, { corrects: [path] }),
      rebuilt("0003", "10:10", {}, { corrects: [path] }),
    ];
    expect(mid(log)).toBeCloseTo(mid([build(), ...looks]), 9);
  });
});

describe("how proven a setting is", () => {
  const sdWith = (proven: Build["baseline"]["proven"]) =>
    advise([build("08:00", { baseline: { ...ENDURO_BUILD.baseline, proven } })]).zones[3]?.sd ?? NaN;

  it("narrows the doubt before any look, the surer the more", () => {
    const sds = (["guess", "book", "ranWell", "measured"] as const).map(sdWith);
    expect([...sds].sort((a, b) => b - a)).toEqual(sds);
    expect(sds[3]).toBeLessThan(0.02);
  });

  it("counts a setting declared right later in its own air, and keeps the baseline", () => {
    const hill = air("0001", "08:30");
    const said: Entry = { id: "proven:0001", at: at("09:00"), kind: "proven", how: "measured", note: "" };
    const [before, after] = [advise([build(), hill]), advise([build(), hill, said])];
    // Right on the hill with the baseline's jets: this engine feels the air less than the law has it.
    expect(before.zones[3]?.mean).toBeLessThan(-0.09);
    expect(Math.abs(after.zones[3]?.mean ?? NaN)).toBeLessThan(0.03);
    // The book and what was measured exclude each other: one more look tells which, and nothing is changed before it.
    expect(after.next.kind).not.toBe("fit");
    const elsewhere: Entry = { ...said, setting: { ...setting, main: 158 }, air: baseAir };
    expect(advise([build(), elsewhere]).zones[3]?.mean).toBeLessThan(-0.02);
  });
});
