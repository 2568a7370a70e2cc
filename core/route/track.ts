/** From the points of a receiver's file to a way with heights and times that a wheel could have ridden. */
import { MOST_ROUTE_POINTS, type RouteEntry } from "../log/schema.ts";
import { metresBetween } from "../satellites/fix.ts";
import { ELEVATION_DOMAIN_M } from "../units/domains.ts";
import { requireRange } from "../units/guard.ts";

export interface TrackPoint {
  readonly latitude: number;
  readonly longitude: number;
  readonly elevationM?: number;
  readonly ms?: number;
}

export interface Track {
  readonly name: string;
  readonly points: readonly TrackPoint[];
}

export interface Way {
  readonly points: RouteEntry["points"];
  readonly lengthM: number;
  readonly seconds: number;
  /** the file told the times; otherwise they follow from a speed */
  readonly timed: boolean;
  /** what the tuner should know of it */
  readonly notes: readonly string[];
}

/** Nobody rides faster: a fix that says so is a spike. */
const FASTEST_MS = 90;
/** A receiver's height wanders by so much between two fixes beside each other. */
const HEIGHT_JUMP_M = 40;
/** Without times: no two points of a way are further apart. */
const FARTHEST_M = 5000;
/** Slower than this nobody rides: the clock of the way stands still. */
const STANDING_MS = 0.4;
/** A height is the middle one of so many about it. */
const MEDIAN_OF = 5;

interface Step {
  readonly alongM: number;
  readonly elevationM: number;
  readonly seconds: number;
}

const inEarth = ({ latitude, longitude }: TrackPoint): boolean =>
  Math.abs(latitude) <= 90 && Math.abs(longitude) <= 180;

const hasHeight = ({ elevationM }: TrackPoint): boolean =>
  elevationM !== undefined && elevationM >= ELEVATION_DOMAIN_M.min && elevationM <= ELEVATION_DOMAIN_M.max;

/** Heights that were not told lie between those that were. */
function heightsFilled(points: readonly TrackPoint[]): Float64Array {
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

/** The middle one of a few heights: a spike is none of them. */
function withoutSpikes(heights: Float64Array): Float64Array {
  const half = Math.floor(MEDIAN_OF / 2);
  const about = new Float64Array(MEDIAN_OF);
  return heights.map((_, i) => {
    const from = Math.max(0, i - half);
    const count = Math.min(heights.length, i + half + 1) - from;
    for (let k = 0; k < count; k += 1) {
      const height = heights[from + k] ?? 0;
      let place = k;
      while (place > 0 && (about[place - 1] ?? 0) > height) {
        about[place] = about[place - 1] ?? 0;
        place -= 1;
      }
      about[place] = height;
    }
    return about[Math.floor(count / 2)] ?? 0;
  });
}

const secondsOf = (from: TrackPoint, to: TrackPoint): number =>
  from.ms === undefined || to.ms === undefined ? Number.NaN : (to.ms - from.ms) / 1000;

/** Points that could not be ridden one after the other are left out. */
function ridable(points: readonly TrackPoint[]): { kept: TrackPoint[]; spikes: number } {
  const kept: TrackPoint[] = [];
  let spikes = 0;
  // A spike is alone: after a few of them the last good one was wrong, or the receiver had been off.
  let refused = 0;
  for (const point of points) {
    const last = kept.at(-1);
    if (!last) {
      kept.push(point);
      continue;
    }
    const metres = metresBetween(last, point);
    const seconds = secondsOf(last, point);
    const possible = Number.isNaN(seconds)
      ? metres <= FARTHEST_M
      : seconds >= 0 && metres <= FASTEST_MS * Math.max(1, seconds);
    if (possible || refused >= 3) {
      kept.push(point);
      refused = 0;
    } else {
      spikes += 1;
      refused += 1;
    }
  }
  return { kept, spikes };
}

function stepsOf(
  points: readonly TrackPoint[],
  heights: Float64Array,
  speedMs: number,
  timed: boolean,
): Step[] {
  let [alongM, seconds] = [0, 0];
  return points.map((point, i): Step => {
    const last = points[i - 1];
    if (last) {
      const metres = metresBetween(last, point);
      alongM += metres;
      const told = timed ? secondsOf(last, point) : Number.NaN;
      const ridden = metres / speedMs;
      if (Number.isNaN(told)) seconds += ridden;
      else if (metres >= STANDING_MS * told) seconds += told;
      else seconds += Math.min(told, metres / STANDING_MS);
    }
    return { alongM, elevationM: heights[i] ?? 0, seconds };
  });
}

/** As many points as a log keeps, evenly along the way; each is the mean of what lies about it, the ends are kept. */
function thinned(steps: readonly Step[]): Step[] {
  const last = steps.at(-1);
  if (!last || steps.length <= MOST_ROUTE_POINTS) return [...steps];
  const places = MOST_ROUTE_POINTS;
  const sums = Array.from({ length: places }, () => ({ count: 0, height: 0 }));
  const placeOf = (alongM: number) => Math.min(places - 1, Math.round((alongM / last.alongM) * (places - 1)));
  for (const { alongM, elevationM } of steps) {
    const sum = sums[placeOf(alongM)];
    if (!sum) continue;
    sum.count += 1;
    sum.height += elevationM;
  }
  let i = 0;
  return sums.flatMap(({ count, height }, place): Step[] => {
    if (count === 0) return [];
    const alongM = (place / (places - 1)) * last.alongM;
    while (i < steps.length - 1 && (steps[i + 1]?.alongM ?? Infinity) <= alongM) i += 1;
    const [a, b] = [steps[i] ?? last, steps[i + 1] ?? last];
    const share = b.alongM > a.alongM ? (alongM - a.alongM) / (b.alongM - a.alongM) : 0;
    return [
      {
        alongM,
        elevationM: height / count,
        seconds: a.seconds + Math.max(0, share) * (b.seconds - a.seconds),
      },
    ];
  });
}

const rounded = ({ alongM, elevationM, seconds }: Step): Step => ({
  alongM: Math.round(alongM),
  elevationM: Math.round(10 * elevationM) / 10,
  seconds: Math.round(seconds),
});

/**
 * @param speedMs - for points without times, 0.5..60 m/s
 * @returns the way, as a log keeps it
 * @throws {RangeError} in the tuner's words for a track without heights or without length
 */
export function wayOf({ points }: Track, speedMs: number): Way {
  requireRange("average speed", speedMs, 0.5, 60, "m/s");
  const onEarth = points.filter(inEarth);
  const { kept, spikes } = ridable(onEarth);
  const withHeight = kept.filter(hasHeight).length;
  if (onEarth.length < 2) throw new RangeError("This track has fewer than two points.");
  if (withHeight < 2 || withHeight < 0.2 * kept.length)
    throw new RangeError(
      "This track has no heights, or hardly any. Export it with heights (elevation), or record it with a receiver that tells them.",
    );
  const timed = kept.filter(({ ms }) => ms !== undefined).length > 0.9 * kept.length;
  const filled = heightsFilled(kept);
  const heights = withoutSpikes(filled);
  const jumps = filled.filter(
    (height, i) => Math.abs(height - (heights[i] ?? height)) > HEIGHT_JUMP_M,
  ).length;
  const steps = stepsOf(kept, heights, speedMs, timed);
  const last = steps.at(-1);
  if (!last || last.alongM < 50) throw new RangeError("This track is shorter than 50 metres.");
  const lost = points.length - onEarth.length + spikes;
  const heightless = kept.length - withHeight;
  return {
    points: thinned(steps).map(rounded),
    lengthM: last.alongM,
    seconds: last.seconds,
    timed,
    notes: [
      ...(lost > 0 ? [`${lost} of ${points.length} points could not be ridden and are left out.`] : []),
      ...(jumps > 0 ? [`${jumps} heights jumped and are passed over.`] : []),
      ...(heightless > 0
        ? [`${heightless} points had no height: the way between their neighbours is taken.`]
        : []),
      ...(timed ? [] : ["There are no times in it: they follow from the speed."]),
    ],
  };
}
