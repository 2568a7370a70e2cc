/** A rig with several carburettors is judged as several rigs with one: each with its own parts and baseline. */
import type { Build } from "../log/schema.ts";

export const carburettorCount = ({ carburettors = 1 }: Build): number => carburettors;

/**
 * @param index - from 0
 * @returns the build as that carburettor sees it
 * @throws {RangeError} if there is no such carburettor
 */
export function buildOfCarburettor(build: Build, index: number): Build {
  const count = carburettorCount(build);
  if (!(Number.isInteger(index) && index >= 0 && index < count))
    throw new RangeError(`carburettor must be in 0..${count - 1}, got ${index}`);
  const other = index === 0 ? undefined : build.others?.[index - 1];
  if (!other) return build;
  return {
    ...build,
    carburettor: other.carburettor,
    baseline: { ...build.baseline, setting: other.setting },
  };
}

/** @returns the cylinders (from 1) that a carburettor (from 0) feeds: shared out evenly, in order */
export function cylindersFedBy(build: Build, index: number): number[] {
  const { cylinders } = build.engine;
  const each = cylinders / carburettorCount(build);
  return Array.from({ length: cylinders }, (_, i) => i + 1).filter(
    (cylinder) => Math.floor((cylinder - 1) / each) === index,
  );
}
