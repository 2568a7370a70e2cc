/** Coordinates of the strip: throttle across, mixture up (lean) and down (rich). */
import { LEAN_LIMIT, rulerPosition, ZONE_EDGES, ZONES, type Zone } from "#core/carburettor/zones.ts";
import { DOUBT_SDS } from "#app/vocabulary/parts.ts";
import type { StripPoint } from "#core/advice/judge/strip-curve.ts";

export interface StripSize {
  readonly left: number;
  readonly right: number;
  /** heights of the mixture's plot */
  readonly top: number;
  readonly bottom: number;
  /** heights of the layers of who feeds */
  readonly layersTop: number;
  readonly layersBottom: number;
}

/** Mixture errors beyond this are drawn at the edge. */
const LARGEST = 0.14;

export const xAt = (size: StripSize, position: number): number =>
  size.left + position * (size.right - size.left);

export function yAt(size: StripSize, error: number): number {
  const clamped = Math.max(-LARGEST, Math.min(LARGEST, error));
  return (size.top + size.bottom) / 2 - (clamped / LARGEST) * ((size.bottom - size.top) / 2);
}

export interface ZoneSpan {
  readonly zone: Zone;
  readonly from: number;
  readonly to: number;
}

/** Each zone's stretch of the ruler, 0..1. */
export const ZONE_SPANS: readonly ZoneSpan[] = ZONES.map((zone, i) => ({
  zone,
  from: i === 0 ? 0 : rulerPosition(ZONE_EDGES[i - 1] ?? 0),
  to: i === ZONES.length - 1 ? 1 : rulerPosition(ZONE_EDGES[i] ?? 1),
}));

const polyline = (points: readonly (readonly [number, number])[]): string =>
  points.map(([x, y], i) => `${i === 0 ? "M" : "L"}${x.toFixed(1)} ${y.toFixed(1)}`).join("");

export function linePath(size: StripSize, points: readonly StripPoint[]): string {
  return polyline(points.map(({ position, mean }) => [xAt(size, position), yAt(size, mean)]));
}

/** A closed band between two curves over the ruler. */
function band(
  size: StripSize,
  points: readonly StripPoint[],
  upper: (p: StripPoint) => number,
  lower: (p: StripPoint) => number,
): string {
  const there = points.map((p): [number, number] => [xAt(size, p.position), upper(p)]);
  const back = [...points].reverse().map((p): [number, number] => [xAt(size, p.position), lower(p)]);
  return `${polyline([...there, ...back])}Z`;
}

export function doubtPath(size: StripSize, points: readonly StripPoint[]): string {
  return band(
    size,
    points,
    ({ mean, sd }) => yAt(size, mean + DOUBT_SDS * sd),
    ({ mean, sd }) => yAt(size, mean - DOUBT_SDS * sd),
  );
}

/** Stacked from the bottom: main, needle, pilot. */
export function layerPath(
  size: StripSize,
  points: readonly StripPoint[],
  layer: "main" | "needle" | "pilot",
): string {
  const height = (share: number) => size.layersBottom - share * (size.layersBottom - size.layersTop);
  const below = ({ authority }: StripPoint) =>
    layer === "main" ? 0 : layer === "needle" ? authority.main : authority.main + authority.needle;
  return band(
    size,
    points,
    (p) => height(below(p) + p.authority[layer]),
    (p) => height(below(p)),
  );
}

/** The lean limit: a step down where the top zone begins. */
export function limitPath(size: StripSize): string {
  return polyline(
    ZONE_SPANS.flatMap(({ zone, from, to }): [number, number][] => [
      [xAt(size, from), yAt(size, LEAN_LIMIT[zone])],
      [xAt(size, to), yAt(size, LEAN_LIMIT[zone])],
    ]),
  );
}

/** Everything above the lean limit. */
export const dangerPath = (size: StripSize): string =>
  `${limitPath(size)}L${size.right} ${size.top}L${size.left} ${size.top}Z`;

/** Looks of one zone stand side by side around its middle, in the order they were taken. */
export function markPosition(span: ZoneSpan, index: number, count: number): number {
  const width = span.to - span.from;
  const step = Math.min(width / (count + 1), 0.035);
  return (span.from + span.to) / 2 + (index - (count - 1) / 2) * step;
}
