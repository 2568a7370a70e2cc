/** A GNSS fix, and the local tangent plane in which runs are measured. */
import type { Told } from "../instruments/sample.ts";

export interface Fix extends Told {
  /** degrees north */
  readonly latitude: number;
  /** degrees east */
  readonly longitude: number;
  /** the true place lies within this of it, 19 times in 20 */
  readonly accuracyM: number;
  /** above the ellipsoid, as receivers tell it */
  readonly heightM?: number;
  /** 19 times in 20 */
  readonly heightAccuracyM?: number;
  /** from the shift of the signals, not from places: finer than their difference */
  readonly speedMs?: number;
}

/** Of a circle that holds 95 % of a round normal error: sd along one line. */
const RADIUS_95 = Math.sqrt(-2 * Math.log(0.05));
const BOTH_SIDES_95 = 1.96;

/** @returns sd of its place along any one line, never below what a receiver can */
export const placeSdM = ({ accuracyM }: Pick<Fix, "accuracyM">): number =>
  Math.max(0.3, accuracyM / RADIUS_95);

/** @returns sd of its height; where it says none, twice that of its place */
export const heightSdM = (fix: Fix): number =>
  fix.heightAccuracyM === undefined ? 2 * placeSdM(fix) : Math.max(0.5, fix.heightAccuracyM / BOTH_SIDES_95);

export interface Point {
  readonly eastM: number;
  readonly northM: number;
}

export interface Place {
  readonly latitude: number;
  readonly longitude: number;
}

/** Mean radius, IUGG. */
const EARTH_M = 6_371_008.8;
const radians = (degrees: number): number => (degrees * Math.PI) / 180;

/**
 * Flat about an origin: right to a millionth within a kilometre of it.
 * @returns metres east and north of the origin
 */
export function flatAbout(origin: Place, { latitude, longitude }: Place): Point {
  const turns = longitude - origin.longitude;
  const wrapped = turns - 360 * Math.round(turns / 360);
  return {
    eastM: EARTH_M * radians(wrapped) * Math.cos(radians(origin.latitude)),
    northM: EARTH_M * radians(latitude - origin.latitude),
  };
}

/** @returns metres over the ground between two places, by the haversine */
export function metresBetween(a: Place, b: Place): number {
  const half = (x: number) => Math.sin(radians(x) / 2) ** 2;
  const h =
    half(b.latitude - a.latitude) +
    Math.cos(radians(a.latitude)) * Math.cos(radians(b.latitude)) * half(b.longitude - a.longitude);
  return 2 * EARTH_M * Math.asin(Math.min(1, Math.sqrt(h)));
}
