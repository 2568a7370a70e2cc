/** Cleans a track's heights: interpolates gaps, removes spikes, keeps true zeros near the sea. */
import { metresBetween } from "../satellites/fix.ts";
import { ELEVATION_DOMAIN_M } from "../units/domains.ts";
import type { TrackPoint } from "./track.ts";

/** A receiver's height wanders by so much between two fixes beside each other. */
const HEIGHT_JUMP_M = 40;
/** And the ground by so much of the way between them. */
const STEEPEST = 0.35;
/** A spike has three points at most: the middle of so many about it is none of them. */
const SPIKE_WINDOW = 7;
/** A height is the middle one of so many about it. */
const SMOOTHED_OVER = 5;
/** So many heights of exactly nought in a row are no chance. */
const ZEROS_IN_A_ROW = 4;

export const hasHeight = ({ elevationM }: TrackPoint): boolean =>
  elevationM !== undefined && elevationM >= ELEVATION_DOMAIN_M.min && elevationM <= ELEVATION_DOMAIN_M.max;

/** @returns the points in stretches whose height is exactly nought */
export function zeroStretches(points: readonly TrackPoint[]): ReadonlySet<number> {
  const found = new Set<number>();
  let from = 0;
  for (let i = 0; i <= points.length; i += 1) {
    if (points[i]?.elevationM === 0) continue;
    if (i - from >= ZEROS_IN_A_ROW) for (let j = from; j < i; j += 1) found.add(j);
    from = i + 1;
  }
  return found;
}

/** Heights that were not told lie between those that were. */
export function heightsFilled(points: readonly TrackPoint[]): Float64Array {
  const heights = new Float64Array(points.length).fill(Number.NaN);
  let last = -1;
  for (let i = 0; i < points.length; i += 1) {
    const point = points[i];
    if (!point || !hasHeight(point)) continue;
    const here = point.elevationM ?? 0;
    const before = last < 0 ? here : (heights[last] ?? here);
    for (let j = last + 1; j < i; j += 1)
      heights[j] = last < 0 ? here : before + ((here - before) * (j - last)) / (i - last);
    heights[i] = here;
    last = i;
  }
  const end = heights[last] ?? 0;
  return last < 0 ? heights.fill(0) : heights.fill(end, last + 1);
}

/** The middle one of the heights in a window, by insertion: a hundred thousand of them are asked. */
function middleOf(heights: Float64Array, from: number, count: number, room: Float64Array): number {
  for (let k = 0; k < count; k += 1) {
    const height = heights[from + k] ?? 0;
    let place = k;
    while (place > 0 && (room[place - 1] ?? 0) > height) {
      room[place] = room[place - 1] ?? 0;
      place -= 1;
    }
    room[place] = height;
  }
  return room[Math.floor(count / 2)] ?? 0;
}

/** Spikes first, by a window that holds more good heights than bad, at the ends too; then what is left is smoothed. */
export function withoutHeightSpikes(
  points: readonly TrackPoint[],
  heights: Float64Array,
): { heights: Float64Array; jumps: number } {
  const room = new Float64Array(SPIKE_WINDOW);
  const wide = Math.min(SPIKE_WINDOW, heights.length);
  let jumps = 0;
  const without = heights.map((height, i) => {
    const from = Math.max(0, Math.min(heights.length - wide, i - Math.floor(wide / 2)));
    const middle = middleOf(heights, from, wide, room);
    const [here, there] = [points[i], points[from + Math.floor(wide / 2)]];
    const ground = here && there ? STEEPEST * metresBetween(here, there) : 0;
    if (Math.abs(height - middle) <= HEIGHT_JUMP_M + ground) return height;
    jumps += 1;
    return middle;
  });
  const half = Math.floor(SMOOTHED_OVER / 2);
  return {
    heights: without.map((_, i) => {
      const from = Math.max(0, i - half);
      return middleOf(without, from, Math.min(without.length, i + half + 1) - from, room);
    }),
    jumps,
  };
}
