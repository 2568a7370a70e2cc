import { humidAir } from "../air/humid-air.ts";
import { feedAt, modelLike, pointAt } from "../carburettor/model.ts";
import { PROBES, ZONES } from "../carburettor/zones.ts";
import { FRAME } from "../__tests__/judged.ts";
import { seededRandom } from "../numbers/random.ts";
import { settingFromLog } from "../rig/from-build.ts";
import { ENDURO_BUILD } from "../../demo/enduro-build.ts";
import { TWIN } from "../../demo/other-rigs.ts";
import { drawPhysics, realCarburettor, type RealPhysics } from "./real-carburettor.ts";
import { drawReader, readPlugOf, rideReportOf, walkIdle } from "./reader.ts";
import { allRight, drawRealEngine, drawWeather, type EngineKind } from "./real-engine.ts";
import { chartMain } from "./robots.ts";

const { rig } = FRAME.model;
const { setting, air } = rig.baseline;
/** The drawing itself: what the model knows. */
const AS_DRAWN: RealPhysics = {
  nozzleGain: 6,
  nozzlePower: 6,
  shieldMarginM: 0.001,
  shieldPower: 3,
  speedPower: 0.5,
  throttleDischarge: 0.75,
  filling: 0.8,
  wearM: 0,
  pitchFactor: 1,
  screwFactor: 1,
  mainPower: 1,
  pilotShareAtIdle: 0.85,
  trims: [0, 0, 0],
};
const mountain = humidAir({ temperatureK: 298, pressurePa: 86_000, relativeHumidity: 0.5 });
const known = { proven: "measured", heavyTails: false, airSensitivitySd: 0 } as const;

describe("a carburettor with physics of its own", () => {
  it("is a second computation of the model's: drawn without any departure it moves as the model does", () => {
    const real = realCarburettor(rig, AS_DRAWN);
    const model = modelLike(FRAME.model, rig);
    const changed = { ...setting, main: 155, clip: 2, screwTurns: 2 };
    for (const zone of ZONES) {
      const at = (one: typeof setting, in_: typeof air) =>
        feedAt(model, one, pointAt(rig, in_, PROBES[zone])).lnAirFuel;
      const moved = real(changed, mountain, PROBES[zone]) - real(setting, air, PROBES[zone]);
      expect(moved).toBeCloseTo(at(changed, mountain) - at(setting, air), 3);
    }
  });

  it("departs from the model by some per cent of what a change does, differently for every engine", () => {
    const richer = { ...setting, clip: 4 };
    const moves = [1, 2, 3, 4, 5, 6].map((seed) => {
      const real = realCarburettor(
        rig,
        drawPhysics(seededRandom(seed), () => [0, 0, 0]),
      );
      return real(richer, air, PROBES.mid) - real(setting, air, PROBES.mid);
    });
    expect(new Set(moves.map((x) => x.toFixed(5))).size).toBe(6);
    for (const moved of moves) {
      expect(moved).toBeLessThan(-0.02);
      expect(moved).toBeGreaterThan(-0.1);
    }
  });
});

describe("a real engine for the bench", () => {
  it("is the same for a seed, and as right at its baseline as it is said to be", () => {
    const errorsOf = (seed: number) =>
      drawRealEngine(ENDURO_BUILD, known, seededRandom(seed)).errors(ENDURO_BUILD.baseline.setting, air);
    expect(errorsOf(5)).toEqual(errorsOf(5));
    const all = Array.from({ length: 60 }, (_, seed) => errorsOf(seed));
    expect(all.filter(allRight).length).toBeGreaterThan(50);
    const tops = all.map(({ top }) => top ** 2);
    expect(Math.sqrt(tops.reduce((sum, x) => sum + x, 0) / tops.length)).toBeCloseTo(0.02, 2);
  });

  it("is a guess after all where its word is another machine's, one book in six", () => {
    const word = { proven: "book", heavyTails: false, airSensitivitySd: 0 } as const;
    const topsOf = (kind: EngineKind) =>
      Array.from({ length: 300 }, (_, seed) => drawRealEngine(ENDURO_BUILD, kind, seededRandom(seed))).map(
        (drawn) => drawn.errors(ENDURO_BUILD.baseline.setting, air).top,
      );
    const right = topsOf(word);
    const mixed = topsOf({ ...word, wordsMayBeWrong: true });
    const spread = (tops: readonly number[]) =>
      Math.sqrt(tops.reduce((sum, x) => sum + (x + 0.01) ** 2, 0) / 300);
    expect(spread(right)).toBeCloseTo(0.05, 2);
    expect(spread(mixed)).toBeGreaterThan(1.06 * spread(right));
    // A year of use adds 0.01 √12 = 0.035; jetted 15 % rich is so whatever the word.
    expect(spread(topsOf({ ...word, monthsOld: 12 }))).toBeCloseTo(Math.hypot(0.05, 0.035), 2);
    const rich = topsOf({ ...word, startsOff: -0.15 });
    expect(rich.reduce((sum, x) => sum + x, 0) / 300).toBeCloseTo(-0.15, 2);
  });

  it("grows rich in thin air by about what the law has, more or less by its own sensitivity", () => {
    const drawn = drawRealEngine(ENDURO_BUILD, known, seededRandom(8));
    const { setting: base } = ENDURO_BUILD.baseline;
    const moved = drawn.errors(base, mountain).top - drawn.errors(base, air).top;
    expect(moved).toBeLessThan(-0.06);
    expect(moved).toBeGreaterThan(-0.14);
  });

  it("has cylinders that differ from their mean, which is the engine's", () => {
    const twin = drawRealEngine(TWIN.build, known, seededRandom(3));
    const { setting: base } = TWIN.build.baseline;
    const [one, two] = [twin.errorsOf(1, base, air), twin.errorsOf(2, base, air)];
    expect((one.mid + two.mid) / 2).toBeCloseTo(twin.errors(base, air).mid, 12);
    expect(one.mid).not.toBe(two.mid);
  });

  it("rides in weather that its log accepts", () => {
    const random = seededRandom(2);
    for (let n = 0; n < 200; n += 1) {
      const { temperatureK, pressurePa } = drawWeather(random);
      expect(temperatureK).toBeGreaterThan(250);
      expect(pressurePa).toBeGreaterThan(78_000);
      expect(pressurePa).toBeLessThan(106_000);
    }
  });
});

const EXACT = { plug: 0, lambda: 0, idle: 0, ride: 0, heat: 0 };

describe("a reader on the bench", () => {
  const reader = drawReader(seededRandom(4), EXACT);

  it("finds the middle of the idle to a tenth of a turn, and says where only one side was seen", () => {
    const base = ENDURO_BUILD.baseline.setting;
    const idleAt = (perTurn: number) => (one: typeof base) => perTurn * (one.screwTurns - 1.9);
    const walked = walkIdle(reader, base, idleAt(0.2), seededRandom(1));
    if (walked?.type !== "bestIdle") throw new Error("no crest");
    expect((walked.fallInTurns + walked.fallOutTurns) / 2).toBeCloseTo(1.9, 0);
    expect(walked.sdTurns).toBe(0.1);
    // A screw that hardly does anything: its other fall-off lies beyond the thread.
    const flat = walkIdle(reader, base, idleAt(0.03), seededRandom(1));
    expect(flat?.type === "bestIdle" && flat.sdTurns).toBeGreaterThan(0.5);
    expect(walkIdle(reader, base, () => 0.3, seededRandom(1))).toBeUndefined();
  });

  it("shows something else now and then, where the reader slips", () => {
    const tonesOf = (slips: number) => {
      const one = drawReader(seededRandom(4), EXACT, slips);
      const random = seededRandom(9);
      return Array.from({ length: 200 }, () => readPlugOf(one, 0, "top", ENDURO_BUILD.fuel, random)).map(
        (reading) => reading.type === "plug" && reading.tone,
      );
    };
    const far = (tones: readonly unknown[]) =>
      tones.filter((tone) => tone === "chalk" || tone === "soot").length;
    expect(far(tonesOf(0))).toBe(0);
    // Two tones of seven, of all looks: 57 of 200.
    expect(far(tonesOf(1))).toBeGreaterThan(40);
    expect(far(tonesOf(1))).toBeLessThan(75);
  });

  it("tells a ride as it felt, most of the time", () => {
    const report = rideReportOf(reader, { idle: 0, low: 0, mid: 0.3, top: -0.3 }, seededRandom(6));
    expect(report).toMatchObject({ type: "rideReport", felt: { mid: "lean", top: "rich" } });
  });
});

describe("a density chart", () => {
  it("moves a number that counts diameters by the root of the air, and takes the nearest in the box", () => {
    expect(chartMain(ENDURO_BUILD, 165, 1)).toBe(165);
    // 165 √0.85 = 152.1
    expect(chartMain(ENDURO_BUILD, 165, 0.85)).toBe(152);
    expect(settingFromLog(ENDURO_BUILD.baseline.setting).shimM).toBe(0);
  });
});
