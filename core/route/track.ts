/** From GPS points to a route with heights and plausible times. */
import { MOST_ROUTE_POINTS, type RouteEntry } from "../log/schema.ts";
import { metresBetween } from "../satellites/fix.ts";
import { requireRange } from "../units/guard.ts";
import { hasHeight, heightsFilled, withoutHeightSpikes, zeroStretches } from "./track-heights.ts";
import { inRidingOrder, type OrderAnswer } from "./track-order.ts";
import { withoutStops } from "./track-stops.ts";

export interface TrackPoint {
  readonly latitude: number;
  readonly longitude: number;
  readonly elevationM?: number;
  readonly ms?: number;
}

export interface Track {
  readonly name: string;
  /** as they stand in the file; the points of each follow one another */
  readonly segments: readonly (readonly TrackPoint[])[];
}

/** What a file leaves open and only the rider knows. */
export interface TrackAnswers {
  /** heights of exactly nought: by the sea, or missing */
  readonly zeroHeights?: "true" | "missing";
  /** times that jump back and forth: go by them, or by the order in the file at a speed */
  readonly order?: OrderAnswer;
}

/** What a tuner should know of a way that was read from a file. */
export type TrackNote =
  | { readonly what: "turnedRound"; readonly segments: number; readonly of: number }
  | { readonly what: "putInOrder" | OrderAnswer | "wrongTimes" | "noTimes" }
  | { readonly what: "stood"; readonly seconds: number }
  | { readonly what: "lost"; readonly points: number; readonly of: number }
  | { readonly what: "heightJumps" | "heightless"; readonly points: number };

export interface Way {
  readonly points: RouteEntry["points"];
  readonly lengthM: number;
  readonly seconds: number;
  /** the file told the times; otherwise they follow from a speed */
  readonly timed: boolean;
  readonly notes: readonly TrackNote[];
  /** what must be answered before it is kept */
  readonly open: readonly (keyof TrackAnswers)[];
}

/** Nobody rides faster: a fix that says so is a spike. */
const FASTEST_MS = 90;
/** Without times: no two points of a way are further apart. */
const FARTHEST_M = 5000;
/** Slower than this nobody rides: the clock of the way stands still. */
const STANDING_MS = 0.4;
/** A spike has so many points at most: after them the last good one was wrong, or the receiver had been off. */
const LONGEST_SPIKE = 3;

interface Step {
  readonly alongM: number;
  readonly elevationM: number;
  readonly seconds: number;
}

const inEarth = ({ latitude, longitude }: TrackPoint): boolean =>
  Math.abs(latitude) <= 90 && Math.abs(longitude) <= 180;

const secondsOf = (from: TrackPoint, to: TrackPoint): number =>
  from.ms === undefined || to.ms === undefined ? Number.NaN : (to.ms - from.ms) / 1000;

/** Points that could not be ridden one after the other are left out; time never runs back. */
function ridable(points: readonly TrackPoint[]): { kept: TrackPoint[]; spikes: number } {
  const kept: TrackPoint[] = [];
  let spikes = 0;
  let refused = 0;
  for (const point of points) {
    const last = kept.at(-1);
    const metres = last ? metresBetween(last, point) : 0;
    const seconds = last ? secondsOf(last, point) : 0;
    const possible = Number.isNaN(seconds)
      ? metres <= FARTHEST_M
      : seconds >= 0 && metres <= FASTEST_MS * Math.max(1, seconds);
    if (possible || (refused >= LONGEST_SPIKE && !(seconds < 0))) {
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

/** Do the times of these points fit their places: enough of them, and time enough to ride it? */
function hasTimes(points: readonly TrackPoint[]): boolean {
  const timed = points.filter(({ ms }) => ms !== undefined);
  const [first, last] = [timed[0], timed.at(-1)];
  if (!first || !last || timed.length <= 0.9 * points.length) return false;
  const metres = points.reduce((sum, point, i) => sum + metresBetween(points[i - 1] ?? point, point), 0);
  return secondsOf(first, last) * FASTEST_MS >= metres;
}

/**
 * @param speedMs - for points without times, 0.5..60 m/s
 * @returns the way, as a log keeps it; with what is still open, by what is likeliest
 * @throws {RangeError} in the tuner's words for a track without heights or without length
 */
export function wayOf({ segments }: Track, speedMs: number, answers: TrackAnswers = {}): Way {
  requireRange("average speed", speedMs, 0.5, 60, "m/s");
  const all = segments.flat();
  const onEarth = segments.map((segment) => segment.filter(inEarth));
  if (onEarth.flat().length < 2) throw new RangeError("This track has fewer than two points.");
  const order = inRidingOrder(onEarth, answers.order);
  const moving = withoutStops(order.points);
  const { kept: ridden, spikes } = ridable(moving.points);
  const zeros = zeroStretches(ridden);
  const missing = answers.zeroHeights === "missing" ? zeros : new Set<number>();
  const kept = ridden.map((point, i): TrackPoint => {
    if (hasHeight(point) && !missing.has(i)) return point;
    const { latitude, longitude, ms } = point;
    return { latitude, longitude, ...(ms !== undefined && { ms }) };
  });
  const withHeight = kept.filter(hasHeight).length;
  if (withHeight < 2 || withHeight < 0.2 * kept.length)
    throw new RangeError(
      "This track has no heights, or hardly any. Export it with heights (elevation), or record it with a receiver that tells them.",
    );
  const timed = hasTimes(kept);
  const { heights, jumps } = withoutHeightSpikes(kept, heightsFilled(kept));
  const steps = stepsOf(kept, heights, speedMs, timed);
  const last = steps.at(-1);
  if (!last || last.alongM < 50) throw new RangeError("This track is shorter than 50 metres.");
  const lost = all.length - order.points.length + spikes;
  const heightless = kept.length - withHeight;
  return {
    points: thinned(steps).map(rounded),
    lengthM: last.alongM,
    seconds: last.seconds,
    timed,
    notes: [
      ...order.notes,
      ...(moving.stoodS >= 60 ? [{ what: "stood" as const, seconds: moving.stoodS }] : []),
      ...(lost > 0 ? [{ what: "lost" as const, points: lost, of: all.length }] : []),
      ...(jumps > 0 ? [{ what: "heightJumps" as const, points: jumps }] : []),
      ...(heightless > 0 ? [{ what: "heightless" as const, points: heightless }] : []),
      ...(timed
        ? []
        : [
            {
              what: kept.some(({ ms }) => ms !== undefined) ? ("wrongTimes" as const) : ("noTimes" as const),
            },
          ]),
    ],
    open: [
      ...(order.asks && answers.order === undefined ? ["order" as const] : []),
      ...(zeros.size > 0 && answers.zeroHeights === undefined ? ["zeroHeights" as const] : []),
    ],
  };
}
