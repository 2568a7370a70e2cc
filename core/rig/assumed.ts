/** Assumed fields: the usual error of each, and a build with one perturbed for sensitivity. */
import type { Build } from "../log/schema.ts";

type Doubt = { readonly share: number } | { readonly by: number };

/** Doubt of a value nobody measured: as a share of it, or in its own unit. */
export const ASSUMED_DOUBT: Readonly<Record<string, Doubt>> = {
  "engine.displacementCm3": { share: 0.05 },
  "engine.idleRpm": { share: 0.1 },
  "engine.peakRpm": { share: 0.1 },
  "carburettor.boreMm": { share: 0.03 },
  "carburettor.slide.idleLiftMm": { by: 0.3 },
  "carburettor.slide.cutawayMm": { by: 0.5 },
  "carburettor.slide.restLiftMm": { by: 0.3 },
  "carburettor.slide.depressionPa": { share: 0.2 },
  "carburettor.needleJetMm": { by: 0.02 },
  "carburettor.needle.profile": { by: -0.02 },
  "carburettor.needle.groovePitchMm": { by: 0.1 },
  "carburettor.fuelDropMm": { by: 3 },
  "carburettor.mainAirJetMm": { by: 0.1 },
  "carburettor.pilotAirJetMm": { by: 0.1 },
  "baseline.setting.pilot": { share: 0.05 },
  "baseline.setting.screwTurns": { by: 0.25 },
  "baseline.setting.main": { share: 0.025 },
  "baseline.air.temperatureK": { by: 8 },
  "baseline.air.pressurePa": { share: 0.02 },
  "baseline.air.relativeHumidity": { by: -0.2 },
};

export type AssumedPath = keyof typeof ASSUMED_DOUBT;

type Json = { [key: string]: unknown };
const isObject = (value: unknown): value is Json => typeof value === "object" && value !== null;

const moved = (value: number, doubt: Doubt): number =>
  "share" in doubt ? value * (1 + doubt.share) : value + doubt.by;

function movedAt(value: unknown, path: readonly string[], doubt: Doubt): unknown {
  const [key, ...rest] = path;
  if (key === undefined) {
    if (typeof value === "number") return moved(value, doubt);
    // A profile is doubted as a whole: a needle of the same shape, a little thinner all along.
    if (Array.isArray(value)) return value.map((point: unknown) => movedAt(point, ["diameterMm"], doubt));
    return value;
  }
  return isObject(value) && key in value ? { ...value, [key]: movedAt(value[key], rest, doubt) } : value;
}

/** @returns the paths of a build that can be assumed and are there, e.g. no cutaway on a vacuum slide */
export function assumablePaths(build: Build): string[] {
  const has = (value: unknown, path: readonly string[]): boolean => {
    const [key, ...rest] = path;
    if (key === undefined) return value !== undefined;
    return isObject(value) && has(value[key], rest);
  };
  return Object.keys(ASSUMED_DOUBT).filter((path) => has(build, path.split(".")));
}

/** @returns the build with one assumed field off by its doubt, or nothing where that field is not known here */
export function withDoubt(build: Build, path: string): Build | undefined {
  const doubt = ASSUMED_DOUBT[path];
  return doubt && (movedAt(build, path.split("."), doubt) as Build);
}
