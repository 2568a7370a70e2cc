/** Restores the time order of a track's segments, and detects a reversed track. */
import type { TrackNote, TrackPoint } from "./track.ts";

export type OrderAnswer = "byTime" | "asFiled";

export interface Ordered {
  readonly points: readonly TrackPoint[];
  readonly notes: readonly TrackNote[];
  /** times jump back and forth: only the rider knows which order is right */
  readonly asks: boolean;
}

/** So many of the points may stand out of order before it is asked: a receiver's clock is set right once or twice. */
const FEW = 0.02;

/** @returns the places of as many times as can be kept so that time never runs back: the longest such sequence */
function longestInTime(times: readonly number[]): number[] {
  const ends: number[] = [];
  const before = new Int32Array(times.length).fill(-1);
  times.forEach((ms, place) => {
    let [from, to] = [0, ends.length];
    while (from < to) {
      const middle = (from + to) >> 1;
      if ((times[ends[middle] ?? 0] ?? 0) <= ms) from = middle + 1;
      else to = middle;
    }
    before[place] = from === 0 ? -1 : (ends[from - 1] ?? -1);
    ends[from] = place;
  });
  const kept: number[] = [];
  for (let place = ends.at(-1) ?? -1; place >= 0; place = before[place] ?? -1) kept.push(place);
  return kept.reverse();
}

const timesOf = (points: readonly TrackPoint[]): number[] => points.flatMap(({ ms }) => ms ?? []);

function runsBack(points: readonly TrackPoint[]): boolean {
  const times = timesOf(points);
  return longestInTime(times.toReversed()).length > longestInTime(times).length;
}

const firstMs = (points: readonly TrackPoint[]): number | undefined =>
  points.find(({ ms }) => ms !== undefined)?.ms;

function withoutTime({ latitude, longitude, elevationM }: TrackPoint): TrackPoint {
  return { latitude, longitude, ...(elevationM !== undefined && { elevationM }) };
}

/** @param answer - of the rider, where times jump back and forth */
export function inRidingOrder(
  segments: readonly (readonly TrackPoint[])[],
  answer: OrderAnswer | undefined,
): Ordered {
  const filed = segments.filter((segment) => segment.length > 0);
  const turned = filed.map((segment) => (runsBack(segment) ? segment.toReversed() : segment));
  const backward = turned.filter((segment, i) => segment !== filed[i]).length;
  const starts = turned.map(firstMs);
  const inOrder = starts.includes(undefined)
    ? turned
    : [...turned].sort((a, b) => (firstMs(a) ?? 0) - (firstMs(b) ?? 0));
  const moved = inOrder.some((segment, i) => segment !== turned[i]);
  const points = inOrder.flat();
  const timed = points.flatMap(({ ms }, i) => (ms === undefined ? [] : [i]));
  const inTime = new Set(longestInTime(timesOf(points)).map((place) => timed[place]));
  const late = timed.length - inTime.size;
  const asks = late > Math.max(3, FEW * timed.length);
  const notes: TrackNote[] = [
    ...(backward > 0 ? [{ what: "turnedRound" as const, segments: backward, of: filed.length }] : []),
    ...(moved ? [{ what: "putInOrder" as const }] : []),
  ];
  // A clock that was wrong for a moment: those few points go.
  const kept = late === 0 ? points : points.filter(({ ms }, i) => ms === undefined || inTime.has(i));
  if (!asks) return { points: kept, notes, asks };
  if (answer === "asFiled")
    return { points: filed.flat().map(withoutTime), notes: [{ what: "asFiled" }], asks };
  return {
    points: points.filter(({ ms }) => ms !== undefined).sort((a, b) => (a.ms ?? 0) - (b.ms ?? 0)),
    notes: [{ what: "byTime" }],
    asks,
  };
}
