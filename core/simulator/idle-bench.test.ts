import { humidAir } from "../air/humid-air.ts";
import { frameOf } from "../belief/frame.ts";
import { screwScale } from "../carburettor/screw-scale.ts";
import { fitBestIdle } from "../idle/best-idle.ts";
import { judgePilot } from "../idle/verdict.ts";
import { seededRandom } from "../numbers/random.ts";
import { settingFromLog } from "../rig/from-build.ts";
import { startingBuild } from "../rig/starting-builds.ts";
import { screwWindow } from "../advice/plan/choices.ts";
import { readIdle } from "./idle-bench.ts";
import { idleShare } from "./idle-share.ts";

const AIR_SCREW = startingBuild("twoStrokeBike");
const FUEL_SCREW = startingBuild("fourStrokeAtv");
/** Only its pilot path departs from the model. */
const truth = (pilot: number) => [pilot, 0, 0, 0, 0, 0, 0, 0];

function walk(build: typeof AIR_SCREW, pilot: number, from: number, to: number, seed = 7) {
  const engine = { frame: frameOf(build), truth: truth(pilot) };
  const { setting, air } = build.baseline;
  const random = seededRandom(seed);
  const points = Array.from({ length: Math.round((to - from) * 4) + 1 }, (_, i) => {
    const turns = from + i / 4;
    const at = { ...setting, screwTurns: turns };
    return { turns, rpm: readIdle(engine, at, humidAir(air), 1700, { scatter: 0.003 }, random) };
  }).filter(({ rpm }) => rpm > 0);
  const scale = screwScale(engine.frame.model, settingFromLog(setting), humidAir(air));
  return fitBestIdle(points, scale);
}
const rules = (build: typeof AIR_SCREW) => ({
  school: "middle" as const,
  screw: build.carburettor.screw,
  window: screwWindow(build),
  baseTurns: build.baseline.setting.screwTurns,
  pilot: build.baseline.setting.pilot,
  pilots: build.box.pilots,
});

describe("an idle on the bench", () => {
  it("has its crest a little to the lean side, loses 2 % at either fall-off, and stalls far out", () => {
    expect(idleShare(0.02)).toBe(1);
    expect(idleShare(0.11)).toBeCloseTo(0.98, 12);
    expect(idleShare(-0.11)).toBeCloseTo(0.98, 12);
    expect(idleShare(0.6)).toBe(0);
  });
  it("reads the same for the same seed, with the scatter it was given", () => {
    const engine = { frame: frameOf(AIR_SCREW), truth: truth(0) };
    const { setting, air } = AIR_SCREW.baseline;
    const read = (seed: number) =>
      readIdle(engine, setting, humidAir(air), 1700, { scatter: 0.01 }, seededRandom(seed));
    expect(read(1)).toBe(read(1));
    expect(read(1)).not.toBe(read(2));
    expect(Math.abs(read(1) / 1700 - 1)).toBeLessThan(0.05);
    expect(() => readIdle(engine, setting, humidAir(air), 50, { scatter: 0 }, seededRandom(1))).toThrow(
      "crest",
    );
  });
});

describe("the screw's own scale", () => {
  const scale = (build: typeof AIR_SCREW) =>
    screwScale(frameOf(build).model, settingFromLog(build.baseline.setting), humidAir(build.baseline.air));
  it.each([AIR_SCREW, FUEL_SCREW])(
    "rises all along, from nothing at the seat: $carburettor.screw screw",
    (build) => {
      const { turns, mixture } = scale(build);
      expect([turns[0], mixture[0]]).toEqual([0, 0]);
      expect([...mixture].sort((a, b) => a - b)).toEqual(mixture);
      expect(turns.at(-1)).toBe(10);
    },
  );
  it("shows a fuel screw that hardly does anything far out", () => {
    const { mixture } = scale(FUEL_SCREW);
    expect((mixture[20] ?? 0) - (mixture[10] ?? 0)).toBeGreaterThan(
      3 * ((mixture[50] ?? 0) - (mixture[40] ?? 0)),
    );
  });
});

describe("a bench walked on a hidden engine", () => {
  it("leaves a sound pilot jet alone, for both kinds of screw", () => {
    expect(judgePilot(walk(AIR_SCREW, 0, 0.5, 2.75), rules(AIR_SCREW))).toMatchObject({ kind: "leave" });
    expect(judgePilot(walk(FUEL_SCREW, 0, 0.75, 5), rules(FUEL_SCREW))).toMatchObject({ kind: "leave" });
  });
  it("condemns a pilot path that runs a quarter rich or lean, in the right direction", () => {
    expect(judgePilot(walk(AIR_SCREW, -0.3, 1.5, 4.5), rules(AIR_SCREW))).toMatchObject({
      kind: "jet",
      towards: "leaner",
      to: 42,
    });
    expect(judgePilot(walk(AIR_SCREW, 0.3, 0, 2), rules(AIR_SCREW))).toMatchObject({
      kind: "jet",
      towards: "richer",
      to: 48,
    });
  });
});
