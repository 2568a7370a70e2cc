/**
 * Removes stops from a track: a receiver at rest wanders, which adds up to kilometres and to time at one height.
 * Who stays within some metres for minutes stands.
 */
import { metresBetween } from "../satellites/fix.ts";
import type { TrackPoint } from "./track.ts";

const WITHIN_M = 40;
const FOR_S = 120;
/** A wandering receiver may jump out and come back. */
const MOST_OUTSIDE = 3;

export interface Moving {
  readonly points: readonly TrackPoint[];
  readonly stoodS: number;
}

/** A receiver tells ten fixes a second at most: so many without a stop in them are none. */
const MOST_FIXES = 10 * FOR_S;

/** @returns the last point of a stop that begins at one, or that one where none does */
function endOfStop(points: readonly TrackPoint[], from: number): number {
  const first = points[from];
  if (first?.ms === undefined) return from;
  let [to, outside] = [from, 0];
  for (let i = from + 1; i < points.length && (to > from || i - from <= MOST_FIXES); i += 1) {
    const point = points[i];
    if (point?.ms === undefined) break;
    outside = metresBetween(first, point) > WITHIN_M ? outside + 1 : 0;
    if (outside > MOST_OUTSIDE) break;
    if (outside === 0 && point.ms - first.ms >= FOR_S * 1000) to = i;
  }
  return to;
}

/** @returns the points with each stop as one point, and no time gone by on it */
export function withoutStops(points: readonly TrackPoint[]): Moving {
  const kept: TrackPoint[] = [];
  let stoodMs = 0;
  for (let i = 0; i < points.length; i += 1) {
    const point = points[i];
    if (!point) continue;
    kept.push(point.ms === undefined || stoodMs === 0 ? point : { ...point, ms: point.ms - stoodMs });
    const to = endOfStop(points, i);
    stoodMs += (points[to]?.ms ?? 0) - (points[i]?.ms ?? 0);
    i = to;
  }
  return { points: kept, stoodS: stoodMs / 1000 };
}
