/** Time from standstill to a speed or length, with its standard deviation, and top speed. */
import { flatAbout, placeSdM, type Fix } from "./fix.ts";
import { stampSdS } from "./stamps.ts";
import { JERK_POWER, standingStarts, type AlongFix, type Moment, type Start } from "./standing-start.ts";

export interface Timed {
  readonly seconds: number;
  readonly sdS: number;
}

export type Goal =
  | { readonly what: "toSpeed"; readonly speedMs: number }
  | { readonly what: "distance"; readonly lengthM: number };

/** Of a speed from the shift of the signals. */
const SPEED_SD_MS = 0.25;
/** What a machine hastens by: a stamp that is late makes its speed that much off. */
const PUSH_MS2 = 4;
/** It stands below this, and moves for sure above that. */
const STANDS_MS = 1.2;
const MOVES_MS = 5;
/** Before the start so much is looked at: it only says where it stood. */
const STANDING_S = 3;
/** So far from where it stood is no error of a place. */
const FAR_SDS = 7;

/** @returns the fixes along the line from where it stood to where it got; nothing where it got nowhere */
function alongOf(fixes: readonly Fix[]): AlongFix[] | undefined {
  const [first, last] = [fixes[0], fixes.at(-1)];
  if (!first || !last) return undefined;
  const end = flatAbout(first, last);
  const length = Math.hypot(end.eastM, end.northM);
  if (!(length > 4 * placeSdM(last))) return undefined;
  const [east, north] = [end.eastM / length, end.northM / length];
  const crowded = Math.sqrt(Math.max(1, (1000 * (fixes.length - 1)) / (last.atMs - first.atMs)));
  const stampS = stampSdS(fixes);
  const speeds = speedsOf(fixes);
  return fixes.map((fix, i) => {
    const { eastM, northM } = flatAbout(first, fix);
    return {
      timeS: (fix.atMs - first.atMs) / 1000,
      alongM: east * eastM + north * northM,
      // Errors of a place last: ten fixes a second tell it no better than one.
      sdM: Math.hypot(placeSdM(fix) * crowded, (speeds[i] ?? 0) * stampS),
      speedMs: fix.speedMs,
      speedSdMs: Math.hypot(SPEED_SD_MS, PUSH_MS2 * stampS),
    };
  });
}

/** Places nearer in time than this tell no speed: their errors would. */
const APART_MS = 1000;

/** @returns how fast it was at each fix: as told, or by the places a second before and after it */
export function speedsOf(fixes: readonly Fix[]): number[] {
  const [first] = fixes;
  let [from, to] = [0, 0];
  return fixes.map((fix) => {
    while ((fixes[from + 1]?.atMs ?? Infinity) <= fix.atMs - APART_MS) from += 1;
    while (to < fixes.length - 1 && (fixes[to]?.atMs ?? 0) < fix.atMs + APART_MS) to += 1;
    if (fix.speedMs !== undefined) return fix.speedMs;
    const [before, after] = [fixes[from] ?? fix, fixes[to] ?? fix];
    const dtS = (after.atMs - before.atMs) / 1000;
    if (!first || !(dtS > 0)) return 0;
    const [a, b] = [flatAbout(first, before), flatAbout(first, after)];
    return Math.hypot(b.eastM - a.eastM, b.northM - a.northM) / dtS;
  });
}

interface Stand {
  /** the first fix that is looked at */
  readonly from: number;
  /** it still stood */
  readonly stoodAt: number;
  /** it surely moved */
  readonly movedAt: number;
}

/** The last stand before it got away, by the speeds that the receiver tells. */
function standBySpeed(fixes: readonly Fix[]): Stand | undefined {
  const speeds = speedsOf(fixes);
  // The newest run: where it stood again and did not get away since, the one before that.
  const movesUntil = speeds.findLastIndex((speed) => speed > MOVES_MS);
  const stoodAt = speeds.slice(0, Math.max(0, movesUntil)).findLastIndex((speed) => speed < STANDS_MS);
  const movedAt = speeds.findIndex((speed, i) => i > stoodAt && speed > MOVES_MS);
  if (stoodAt < 0 || movedAt < 0) return undefined;
  const since = (fixes[stoodAt]?.atMs ?? 0) - 1000 * STANDING_S;
  return { from: fixes.findIndex(({ atMs }) => atMs >= since), stoodAt, movedAt };
}

/** Before it surely moved so much is looked at. */
const SEARCHED_S = 20;

/** Places alone are too coarse for a speed: it stood as the first fixes came, and moves once it is far from them. */
function standByPlace(fixes: readonly Fix[]): Stand | undefined {
  const [first] = fixes;
  if (!first) return undefined;
  const far = FAR_SDS * placeSdM(first);
  const points = fixes.map((fix) => flatAbout(first, fix));
  const movedAt = points.findIndex(({ eastM, northM }) => Math.hypot(eastM, northM) > far);
  if (movedAt < 0) return undefined;
  const since = (fixes[movedAt]?.atMs ?? 0) - 1000 * SEARCHED_S;
  const from = fixes.findIndex(({ atMs }) => atMs >= since);
  return { from, stoodAt: from, movedAt };
}

/** A start so soon after the first fix may have been before it: nobody saw it stand. */
const SEEN_STANDING_S = 1.5;
const STILL_SDS = 3;

/** @returns whether it was seen to stand before it went */
export function stoodFirst(fixes: readonly Fix[]): boolean {
  const stand = standOf(fixes);
  if (!stand) return false;
  const first = fixes[stand.from];
  const later = first && fixes.find(({ atMs }) => atMs >= first.atMs + 1000 * SEEN_STANDING_S);
  if (!first || !later || first.speedMs !== undefined) return later !== undefined;
  const { eastM, northM } = flatAbout(first, later);
  return Math.hypot(eastM, northM) < STILL_SDS * placeSdM(first);
}

/** Beyond so many the run is as well told by every second of them. */
const MOST_USED = 700;
const thinned = (fixes: readonly Fix[]): readonly Fix[] => {
  const every = Math.ceil(fixes.length / MOST_USED);
  return every === 1 ? fixes : fixes.filter((_, i) => i % every === 0 || i === fixes.length - 1);
};

const standOf = (fixes: readonly Fix[]): Stand | undefined =>
  fixes.every(({ speedMs }) => speedMs !== undefined) ? standBySpeed(fixes) : standByPlace(fixes);

/** Between two moments, where a figure reaches what is sought: a cubic through both and their slopes. */
function crossing(a: Moment, b: Moment, figure: "doneM" | "speedMs", wanted: number): number {
  const dt = b.timeS - a.timeS;
  const slope = (m: Moment) => (figure === "doneM" ? m.speedMs : m.accelerationMs2);
  const at = (u: number) => {
    const [u2, u3] = [u * u, u * u * u];
    return (
      (2 * u3 - 3 * u2 + 1) * a[figure] +
      (u3 - 2 * u2 + u) * dt * slope(a) +
      (3 * u2 - 2 * u3) * b[figure] +
      (u3 - u2) * dt * slope(b)
    );
  };
  let [low, high] = [0, 1];
  for (let i = 0; i < 40; i += 1) {
    const middle = (low + high) / 2;
    if (at(middle) < wanted) low = middle;
    else high = middle;
  }
  return a.timeS + low * dt;
}

interface Reached {
  readonly seconds: number;
  readonly variance: number;
}

function reached({ moments, timeS }: Start, goal: Goal): Reached | undefined {
  const figure = goal.what === "toSpeed" ? "speedMs" : "doneM";
  const wanted = goal.what === "toSpeed" ? goal.speedMs : goal.lengthM;
  const after = moments.findIndex((moment, i) => i > 0 && moment.timeS > timeS && moment[figure] >= wanted);
  const b = moments[after];
  const before = moments[after - 1];
  if (!b || !before) return undefined;
  // It stood until it started, which may lie between two fixes.
  const a =
    before.timeS >= timeS
      ? before
      : { ...before, timeS, doneM: 0, speedMs: 0, accelerationMs2: b.speedMs / (b.timeS - timeS) };
  const at = crossing(a, b, figure, wanted);
  const [sd, rate] =
    figure === "speedMs"
      ? [b.speedSdMs, Math.max(0.3, b.accelerationMs2)]
      : [b.doneSdM, Math.max(1, b.speedMs)];
  // Between two fixes the speed wanders too, most of all halfway over a gap.
  const wandered = figure === "speedMs" ? (JERK_POWER * (b.timeS - a.timeS) ** 3) / 192 : 0;
  return { seconds: at - timeS, variance: (sd ** 2 + wandered) / rate ** 2 };
}

export interface StandstillRun extends Timed {
  /** on the receiver's clock */
  readonly startedMs: number;
}

/**
 * @param fixes - from before the start to after the goal, in order of time
 * @returns the time, or nothing while it has not started or not got there
 */
export function fromStandstill(fixes: readonly Fix[], goal: Goal): StandstillRun | undefined {
  const stand = standOf(fixes);
  if (!stand) return undefined;
  const used = thinned(fixes.slice(stand.from));
  const along = alongOf(used);
  const [stood, moved] = [fixes[stand.stoodAt], fixes[stand.movedAt]];
  const [first] = used;
  if (!along || !stood || !moved || !first || along.length < 4) return undefined;
  const since = (atMs: number) => (atMs - first.atMs) / 1000;
  // It may have let go just before the last fix at which it seemed to stand.
  const starts = standingStarts(along, Math.max(0, since(stood.atMs) - 1.5), since(moved.atMs));
  const all = starts.flatMap((start) => {
    const end = reached(start, goal);
    return end ? [{ ...end, weight: start.weight, startS: start.timeS }] : [];
  });
  const weights = all.reduce((total, { weight }) => total + weight, 0);
  if (!(weights > 0.5)) return undefined;
  const mean = all.reduce((total, { weight, seconds }) => total + weight * seconds, 0) / weights;
  const variance =
    all.reduce((total, one) => total + one.weight * (one.variance + (one.seconds - mean) ** 2), 0) / weights;
  const startS = all.reduce((total, one) => total + one.weight * one.startS, 0) / weights;
  if (moved.speedMs === undefined && startS < SEEN_STANDING_S) return undefined;
  // Places alone: what they wander by between both ends no filter of theirs can see.
  const wanderS =
    goal.what === "distance" && moved.speedMs === undefined
      ? (Math.SQRT2 * placeSdM(moved) * mean) / goal.lengthM
      : 0;
  return {
    seconds: mean,
    // The stamps at both ends, as far as no other fix makes up for them.
    sdS: Math.max(Math.hypot(Math.sqrt(variance), stampSdS(used)), wanderS),
    startedMs: first.atMs + 1000 * startS,
  };
}

export interface TopSpeed {
  readonly speedMs: number;
  readonly sdMs: number;
}

/** Held for so long it is a speed and not a spike; places alone have to be further apart. */
const HELD_S = 1;
const HELD_BY_PLACE_S = 5;

/** @returns the speed over a stretch that begins at a fix; nothing where the fixes end before it does */
function heldFrom(fixes: readonly Fix[], from: number): TopSpeed | undefined {
  const first = fixes[from];
  if (!first) return undefined;
  const told = first.speedMs !== undefined;
  const until = first.atMs + 1000 * (told ? HELD_S : HELD_BY_PLACE_S);
  const to = fixes.findIndex(({ atMs }, i) => i > from && atMs >= until);
  const last = fixes[to];
  if (!last) return undefined;
  if (told) {
    const speeds = fixes.slice(from, to).map(({ speedMs }) => speedMs ?? 0);
    const mean = speeds.reduce((total, speed) => total + speed, 0) / speeds.length;
    return { speedMs: mean, sdMs: SPEED_SD_MS / Math.sqrt(speeds.length) };
  }
  const seconds = (last.atMs - first.atMs) / 1000;
  const { eastM, northM } = flatAbout(first, last);
  // The fastest of many stretches is one whose errors helped.
  return { speedMs: Math.hypot(eastM, northM) / seconds, sdMs: (2 * placeSdM(first)) / seconds };
}

/** @returns the fastest stretch, or nothing where it never moved or was not seen for long enough */
export function topSpeed(fixes: readonly Fix[]): TopSpeed | undefined {
  let best: TopSpeed | undefined;
  for (let i = 0; i < fixes.length; i += 1) {
    const held = heldFrom(fixes, i);
    if (held && held.speedMs > (best?.speedMs ?? 0)) best = held;
  }
  return best && best.speedMs > MOVES_MS ? best : undefined;
}
