/** Splits a rig with several carburettors into single-carburettor problems. */
import { Refusal } from "../units/guard.ts";
import { USUAL_SPREAD_PA } from "../balance/spread.ts";
import { carburettorOf } from "../log/carburettor-of.ts";
import { PARTS } from "../log/parts.ts";
import type { Build, Setting } from "../log/schema.ts";

export { carburettorOf } from "../log/carburettor-of.ts";

/** How they are kept in step: as the rig says, else as most are. */
export const syncOf = ({ sync }: Build): NonNullable<Build["sync"]> =>
  sync ?? { linkage: "shaft", vacuumSpreadPa: USUAL_SPREAD_PA };

export const carburettorCount = ({ carburettors = 1 }: Build): number => carburettors;

/**
 * @param index - from 0
 * @returns the build as that carburettor sees it
 * @throws {RangeError} if there is no such carburettor
 */
export function buildOfCarburettor(build: Build, index: number): Build {
  const count = carburettorCount(build);
  if (!(Number.isInteger(index) && index >= 0 && index < count))
    throw new Refusal("carburettor", `must be in 0..${count - 1}`, index);
  const other = index === 0 ? undefined : build.others?.[index - 1];
  if (!other) return build;
  return {
    ...build,
    carburettor: other.carburettor,
    baseline: { ...build.baseline, setting: other.setting },
  };
}

/** @returns the cylinders (from 1) that a carburettor (from 0) feeds */
export function cylindersFedBy(build: Build, index: number): number[] {
  return Array.from({ length: build.engine.cylinders }, (_, i) => i + 1).filter(
    (cylinder) => carburettorOf(build, cylinder - 1) === index,
  );
}

/**
 * Carburettors that are alike and set alike are advised as one; as soon as they differ, each by itself.
 * @param settings - one a carburettor
 * @returns the carburettors (from 0) of each piece of advice
 */
export function adviceGroups(build: Build, settings: readonly Setting[]): number[][] {
  const all = Array.from({ length: carburettorCount(build) }, (_, i) => i);
  const [first] = settings;
  const alike =
    build.others === undefined &&
    settings.every((setting) => PARTS.every((part) => setting[part] === first?.[part]));
  return alike ? [all] : all.map((i) => [i]);
}
