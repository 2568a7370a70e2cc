/** Cache of the model’s mixture for the build, setting and air of each look: the costly half of its linear form. */
import type { ZoneMixture } from "../looks/line.ts";
import type { SeenRun } from "../log/present.ts";
import type { AirEntry, Build } from "../log/schema.ts";
import { buildOfCarburettor, carburettorCount } from "../rig/carburettors.ts";
import { humidAirFromLog } from "../rig/from-build.ts";
import { frameOf, type Frame } from "./frame.ts";
import { zoneMixture } from "./mixture.ts";

/** When something was seen: on which build, with what fitted, in which air. */
export type Then = Omit<SeenRun, "entry">;

/** @throws {RangeError} if the log holds no such build */
export function buildAt(builds: readonly Build[], index: number): Build {
  const build = builds[index];
  if (!build) throw new RangeError(`build must be in 0..${builds.length - 1}, got ${index}`);
  return build;
}

/**
 * @param builds - as known today, in order
 * @returns the frame of each carburettor (from 0): the first build that had it is its reference for ever
 */
export function framesOf(builds: readonly Build[]): Frame[] {
  const most = Math.max(0, ...builds.map(carburettorCount));
  return Array.from({ length: most }, (_, carburettor) => {
    const first = builds.find((build) => carburettorCount(build) > carburettor);
    if (!first) throw new RangeError(`carburettor must be in a build, got ${carburettor}`);
    return frameOf(buildOfCarburettor(first, carburettor));
  });
}

export type Mixtures = (build: number, carburettor: number, air: AirEntry | undefined) => ZoneMixture;

/** Keeps one mixture map per build, carburettor and air. */
export function mixtures(builds: readonly Build[], frames: readonly Frame[]): Mixtures {
  const maps = new Map<string, ZoneMixture>();
  return (index, carburettor, air) => {
    const build = buildAt(builds, index);
    const frame = frames[carburettor];
    if (!frame) throw new RangeError(`carburettor must be in 0..${frames.length - 1}, got ${carburettor}`);
    const key = `${index} ${build.others ? carburettor : 0} ${air?.id ?? "reference"}`;
    const map =
      maps.get(key) ??
      zoneMixture(frame, buildOfCarburettor(build, carburettor), air ? humidAirFromLog(air) : frame.air);
    maps.set(key, map);
    return map;
  };
}
