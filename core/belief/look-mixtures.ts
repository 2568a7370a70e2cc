/** What a setting did on the machine of a look, in its air: the costly half of a look's line, kept. */
import { buildModel } from "../carburettor/model.ts";
import { zoneMixture, type ZoneMixture } from "./mixture.ts";
import type { BuildRecord, SeenRun } from "../log/fold.ts";
import type { AirEntry, Build } from "../log/schema.ts";
import { buildOfCarburettor } from "../rig/carburettors.ts";
import { humidAirFromLog, rigFromBuild } from "../rig/from-build.ts";

/** When something was seen: on which build, with what fitted, in which air. */
export type Then = Omit<SeenRun, "entry">;

/** @throws {RangeError} if the log holds no such build */
export function buildOf(builds: readonly BuildRecord[], { build: index }: Then): Build {
  const record = builds[index];
  if (!record) throw new RangeError(`build must be in 0..${builds.length - 1}, got ${index}`);
  return record.build;
}

export type Mixtures = (then: Then, build: Build, carburettor: number) => ZoneMixture;

/** Keeps one mixture map per build, carburettor and air. */
export function mixtures(): Mixtures {
  const maps = new Map<string, ZoneMixture>();
  const made = (one: Build, air: AirEntry | undefined): ZoneMixture => {
    const model = buildModel(rigFromBuild(one));
    return zoneMixture(model, air ? humidAirFromLog(air) : model.rig.baseline.air);
  };
  return (then, build, carburettor) => {
    const alike = build.others === undefined;
    const key = `${then.build} ${alike ? 0 : carburettor} ${then.air?.id ?? "baseline"}`;
    const map = maps.get(key) ?? made(buildOfCarburettor(build, carburettor), then.air);
    maps.set(key, map);
    return map;
  };
}
