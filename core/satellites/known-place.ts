/** Matches a fix to a known place, and learns the geoid offset there. */
import type { AirEntry } from "../log/schema.ts";
import { metresBetween, type Place } from "./fix.ts";

export interface KnownPlace {
  readonly place: string;
  readonly elevationM: number | undefined;
  /** when its air was read last */
  readonly at: string;
  readonly metresAway: number;
}

/** A paddock is not longer. */
const SAME_PLACE_M = 600;

/** @returns the nearest place at which an air was read, where it is this one */
export function nearestPlace(airs: readonly AirEntry[], here: Place): KnownPlace | undefined {
  let nearest: KnownPlace | undefined;
  for (const { position, place, elevationM, at } of airs) {
    if (!position || place === "") continue;
    const metresAway = metresBetween(position, here);
    // Read there more than once: the newest reading is the best remembered.
    if (metresAway > SAME_PLACE_M || (nearest && nearest.metresAway < metresAway - SAME_PLACE_M / 4))
      continue;
    nearest = { place, elevationM, at, metresAway };
  }
  return nearest;
}

/** The sea's own shape changes by less than a metre or two over so far. */
const SAME_SEA_M = 100_000;
/** A height taken from the satellites and not changed tells nothing new. */
const TYPED_M = 0.75;

/** @returns the ellipsoid's height less the sea's, where a true height was typed beside a satellites' one */
export function ellipsoidOverSea(airs: readonly AirEntry[], here: Place): number | undefined {
  const told = airs.filter(
    ({ position, elevationM }) =>
      position?.heightM !== undefined &&
      elevationM !== undefined &&
      Math.abs(position.heightM - elevationM) > TYPED_M &&
      metresBetween(position, here) < SAME_SEA_M,
  );
  if (told.length === 0) return undefined;
  const offs = told
    .map(({ position, elevationM = 0 }) => (position?.heightM ?? 0) - elevationM)
    .sort((a, b) => a - b);
  return offs[Math.floor(offs.length / 2)];
}
