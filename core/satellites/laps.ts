/** Lap times over a set line, by closest approach between two fixes. */
import { flatAbout, placeSdM, type Fix, type Place } from "./fix.ts";
import { speedsOf, type Timed } from "./from-standstill.ts";

/** Nearer than this it is the line, slower than this nobody rides over it. */
const NEAR_M = 25;
const RIDDEN_MS = 3;
/** Further than this it has left the line. */
const AWAY_M = 50;

export interface Pass {
  readonly atMs: number;
  readonly sdMs: number;
  /** how near it came */
  readonly distanceM: number;
  /** which way it led, a metre of it */
  readonly eastM: number;
  readonly northM: number;
}

const sameWay = (a: Pass, b: Pass): number => a.eastM * b.eastM + a.northM * b.northM;

/** @returns when the line was passed, in order */
export function passes(fixes: readonly Fix[], line: Place): Pass[] {
  const speeds = speedsOf(fixes);
  const points = fixes.map((fix) => flatAbout(line, fix));
  const found: Pass[] = [];
  let nearest: Pass | undefined;
  const settle = () => {
    if (nearest) found.push(nearest);
    nearest = undefined;
  };
  for (let i = 1; i < fixes.length; i += 1) {
    const [a, b, before, after] = [points[i - 1], points[i], fixes[i - 1], fixes[i]];
    if (!a || !b || !before || !after) continue;
    if (Math.hypot(b.eastM, b.northM) > AWAY_M) settle();
    const [east, north] = [b.eastM - a.eastM, b.northM - a.northM];
    const length = east * east + north * north;
    const speed = speeds[i] ?? 0;
    if (!(length > 0) || speed < RIDDEN_MS) continue;
    const u = Math.max(0, Math.min(1, -(a.eastM * east + a.northM * north) / length));
    const distanceM = Math.hypot(a.eastM + u * east, a.northM + u * north);
    if (distanceM > NEAR_M) continue;
    const metres = Math.sqrt(length);
    const pass: Pass = {
      distanceM,
      atMs: before.atMs + u * (after.atMs - before.atMs),
      sdMs: (1000 * placeSdM(after)) / speed,
      eastM: east / metres,
      northM: north / metres,
    };
    // The way back beside it is another pass, however near.
    if (nearest && sameWay(nearest, pass) < 0) settle();
    if (!nearest || distanceM < nearest.distanceM) nearest = pass;
  }
  const last = points.at(-1);
  if (last && Math.hypot(last.eastM, last.northM) > NEAR_M) settle();
  return found;
}

/** Within sixty degrees. */
const SAME_WAY = 0.5;

/**
 * A lap goes over the line one way: a figure of eight, or a straight that leads back beside it, passes it the other way
 * too.
 * @returns the passes of that way, which the nearer of the first two tells, and how many led another way
 */
export function oneWay(all: readonly Pass[]): {
  readonly counted: readonly Pass[];
  readonly otherWay: number;
} {
  const [first, second] = all;
  if (!first) return { counted: [], otherWay: 0 };
  const way = second && second.distanceM < first.distanceM ? second : first;
  const counted = all.filter((pass) => sameWay(way, pass) > SAME_WAY);
  return { counted, otherWay: all.length - counted.length };
}

/** @returns the time of each lap, with the error of both its ends */
export function lapsOf(all: readonly Pass[]): Timed[] {
  return all.slice(1).map((pass, i) => {
    const before = all[i] ?? pass;
    return {
      seconds: (pass.atMs - before.atMs) / 1000,
      sdS: Math.hypot(pass.sdMs, before.sdMs) / 1000,
    };
  });
}
