/**
 * Builds a first rig from a few answers: its kind, its size, what is in it. All else starts from usual values for
 * that kind, brought to this bore, and is marked as assumed.
 */
import { requireRange } from "../units/guard.ts";
import type { AirState } from "../air/humid-air.ts";
import type { Build, Proven, Setting } from "../log/schema.ts";
import { assumablePaths } from "./assumed.ts";
import { needleFor, rounded as round } from "./needle-for-bore.ts";
import { startingBuild, type StartingKind } from "./starting-builds.ts";

/** Jets come in steps of this up to {@link COARSE_FROM}, and of twice as much above. */
const JET_STEP = 2.5;
const COARSE_FROM = 200;
const stepAt = (size: number): number => (size >= COARSE_FROM ? 2 * JET_STEP : JET_STEP);

/**
 * @param boreMm - throttle bore
 * @returns what such a machine usually has in it, its jets brought to the bore
 */
export function usualSetting(kind: StartingKind, boreMm: number): Setting {
  const { carburettor, baseline } = startingBuild(kind);
  const scale = boreMm / carburettor.boreMm;
  const jet = (size: number) => Math.max(JET_STEP * 2, round(size * scale, stepAt(size)));
  const { setting } = baseline;
  return { ...setting, pilot: jet(setting.pilot), main: jet(setting.main) };
}

/** Sizes either side of what is fitted: what a box commonly holds. */
function sizesAround(size: number, each: number): number[] {
  const by = stepAt(size);
  return Array.from({ length: 2 * each + 1 }, (_, i) => round(size + (i - each) * by, 0.01)).filter(
    (one) => one >= JET_STEP * 2,
  );
}

export interface KnownOfRig {
  readonly kind: StartingKind;
  /** of one cylinder, 10 to 2000 */
  readonly displacementCm3: number;
  /** throttle bore, 8 to 80 */
  readonly boreMm: number;
  /** what is in it */
  readonly setting: Setting;
  readonly proven: Proven;
  /** the air in which that was right; none: a standard day, and assumed */
  readonly air?: AirState | undefined;
}

/** What the tuner has said: the rest is assumed. */
const SAID = [
  "engine.displacementCm3",
  "carburettor.boreMm",
  "baseline.setting.pilot",
  "baseline.setting.screwTurns",
  "baseline.setting.main",
];
const SAID_OF_AIR = ["baseline.air.temperatureK", "baseline.air.pressurePa"];

/**
 * @returns the rig, with what nobody has said marked as assumed
 * @throws {RangeError} for a size that no throttle or cylinder has
 */
export function firstRig({ kind, displacementCm3, boreMm, setting, proven, air }: KnownOfRig): Build {
  requireRange("displacement", displacementCm3, 10, 2000, "cm³");
  requireRange("bore", boreMm, 8, 80, "mm");
  const usual = startingBuild(kind);
  const said = new Set(air ? [...SAID, ...SAID_OF_AIR] : SAID);
  const build: Build = {
    ...usual,
    engine: { ...usual.engine, displacementCm3 },
    carburettor: {
      ...usual.carburettor,
      ...needleFor(usual.carburettor, boreMm / usual.carburettor.boreMm),
      boreMm,
    },
    baseline: {
      setting,
      air: air
        ? {
            temperatureK: air.temperatureK,
            pressurePa: air.pressurePa,
            relativeHumidity: air.relativeHumidity,
          }
        : usual.baseline.air,
      proven,
    },
    box: { ...usual.box, pilots: sizesAround(setting.pilot, 2), mains: sizesAround(setting.main, 5) },
  };
  return { ...build, assumed: assumablePaths(build).filter((path) => !said.has(path)) };
}
