/**
 * Best idle: rpm against the turns of the mixture screw rises to a crest and falls off on both sides, lean on
 * one and rich on the other. The fit is a crest with a slope of its own on each side, robust against a reading
 * that jumped, and honest about how well the points fix it.
 */
import { requireFinite, requirePositive, requireRange } from "../units/guard.ts";

export interface IdlePoint {
  /** out from seated */
  readonly turns: number;
  readonly rpm: number;
}

export interface BestIdle {
  /** rpm at the crest and where it is */
  readonly crestRpm: number;
  readonly crestTurns: number;
  /** where rpm has fallen by 2 %: fewer turns out, more turns out */
  readonly fallInTurns: number;
  readonly fallOutTurns: number;
  /** halfway between the two */
  readonly middleTurns: number;
  /** doubt of the middle, in turns */
  readonly sdTurns: number;
  /** scatter of the readings about the fit */
  readonly scatterRpm: number;
  /** readings that do not fit, by index: an idle that had not settled, a slip of the pen */
  readonly outliers: readonly number[];
}

/** Why there is no crest to speak of yet, and which point to take next. */
export interface NoCrest {
  readonly reason: "fewPoints" | "narrow" | "noFallIn" | "noFallOut" | "flat";
  /** turns to try next; nothing when the screw is at its seat already */
  readonly nextTurns?: number;
}

export type IdleFit =
  | { readonly ok: true; readonly fit: BestIdle }
  | { readonly ok: false; readonly missing: NoCrest; readonly fit?: BestIdle };

export const LEAST_POINTS = 5;
/** The fall that counts as a fall-off, as a share of the crest. */
const FALL = 0.02;
/** A side is seen when its end has fallen by this share, and by more than the scatter can explain. */
const SEEN_FALL = 0.012;
const QUARTER = 0.25;
const LEAST_SPAN_TURNS = 1;
/** A tachometer read by eye on a living idle. */
const LEAST_SCATTER_SHARE = 0.003;
/** Steepness at which a side is taken to be before its points say so: 2 % in about 0.6 of a turn. */
const USUAL_STEEPNESS = 0.055;
/** How strongly: as much as one reading half a turn out. */
const PRIOR_WEIGHT = 0.02;
const GRID = 81;
const ROUNDS = 6;
/** Tukey's biweight: readings further out than this many sds count for nothing. */
const CUT = 4.685;

interface Shape {
  readonly crestRpm: number;
  /** rpm lost per turn², towards the seat and away from it */
  readonly steepIn: number;
  readonly steepOut: number;
}

interface Candidate extends Shape {
  readonly crestTurns: number;
  readonly cost: number;
}

const lostAt = ({ steepIn, steepOut }: Shape, x: number): number => (x < 0 ? steepIn : steepOut) * x * x;

/** Solves the 3 by 3 normal equations; symmetric and positive by their priors. */
function solve3(m: readonly (readonly number[])[], v: readonly number[]): [number, number, number] {
  const a = m.map((row, i) => [...row, v[i] ?? 0]);
  for (let i = 0; i < 3; i += 1) {
    const pivot = a[i] ?? [];
    for (let j = i + 1; j < 3; j += 1) {
      const row = a[j] ?? [];
      const factor = (row[i] ?? 0) / (pivot[i] ?? NaN);
      for (let k = i; k < 4; k += 1) row[k] = (row[k] ?? 0) - factor * (pivot[k] ?? 0);
    }
  }
  const at = (i: number, j: number) => a[i]?.[j] ?? 0;
  const z = at(2, 3) / at(2, 2);
  const y = (at(1, 3) - at(1, 2) * z) / at(1, 1);
  const x = (at(0, 3) - at(0, 1) * y - at(0, 2) * z) / at(0, 0);
  return [x, y, z];
}

/** Weighted least squares for a crest that stands at a given place. */
function shapeAt(
  points: readonly IdlePoint[],
  weights: readonly number[],
  crestTurns: number,
  level: number,
): Shape {
  const m = [
    [0, 0, 0],
    [0, 0, 0],
    [0, 0, 0],
  ];
  const v = [0, 0, 0];
  points.forEach(({ turns, rpm }, i) => {
    const x = turns - crestTurns;
    const row = [1, x < 0 ? -x * x : 0, x < 0 ? 0 : -x * x];
    const w = weights[i] ?? 0;
    row.forEach((p, r) => {
      v[r] = (v[r] ?? 0) + w * p * rpm;
      row.forEach((q, c) => {
        const line = m[r];
        if (line) line[c] = (line[c] ?? 0) + w * p * q;
      });
    });
  });
  const usual = USUAL_STEEPNESS * level;
  for (const side of [1, 2]) {
    const line = m[side];
    if (line) line[side] = (line[side] ?? 0) + PRIOR_WEIGHT;
    v[side] = (v[side] ?? 0) + PRIOR_WEIGHT * usual;
  }
  const [crestRpm, steepIn, steepOut] = solve3(m, v);
  const least = 0.05 * usual;
  return { crestRpm, steepIn: Math.max(least, steepIn), steepOut: Math.max(least, steepOut) };
}

const median = (values: readonly number[]): number => {
  const sorted = [...values].sort((a, b) => a - b);
  const middle = sorted.length >> 1;
  return sorted.length % 2 === 1
    ? (sorted[middle] ?? 0)
    : ((sorted[middle - 1] ?? 0) + (sorted[middle] ?? 0)) / 2;
};

const residuals = (points: readonly IdlePoint[], { crestTurns, ...shape }: Candidate): number[] =>
  points.map(({ turns, rpm }) => rpm - (shape.crestRpm - lostAt(shape, turns - crestTurns)));

function candidates(points: readonly IdlePoint[], weights: readonly number[], level: number): Candidate[] {
  const turns = points.map((point) => point.turns);
  const from = Math.max(0, Math.min(...turns) - 0.5);
  const to = Math.max(...turns) + 0.5;
  const usual = USUAL_STEEPNESS * level;
  return Array.from({ length: GRID }, (_, i) => {
    const crestTurns = from + ((to - from) * i) / (GRID - 1);
    const shape = shapeAt(points, weights, crestTurns, level);
    const off = residuals(points, { ...shape, crestTurns, cost: 0 });
    const prior = [shape.steepIn, shape.steepOut].reduce(
      (sum, s) => sum + PRIOR_WEIGHT * (s - usual) ** 2,
      0,
    );
    const cost = off.reduce((sum, r, k) => sum + (weights[k] ?? 0) * r * r, 0) + prior;
    return { ...shape, crestTurns, cost };
  });
}

const best = (list: readonly Candidate[]): Candidate =>
  list.reduce((least, one) => (one.cost < least.cost ? one : least));

function middleOf({ crestTurns, crestRpm, steepIn, steepOut }: Candidate) {
  const fallInTurns = crestTurns - Math.sqrt((FALL * crestRpm) / steepIn);
  const fallOutTurns = crestTurns + Math.sqrt((FALL * crestRpm) / steepOut);
  return { fallInTurns, fallOutTurns, middleTurns: (fallInTurns + fallOutTurns) / 2 };
}

interface Fitted {
  readonly fit: BestIdle;
  readonly shape: Candidate;
}

function fitAll(points: readonly IdlePoint[]): Fitted {
  const level = median(points.map(({ rpm }) => rpm));
  const floor = LEAST_SCATTER_SHARE * level;
  let weights = points.map(() => 1);
  let list = candidates(points, weights, level);
  let scatter = floor;
  for (let round = 0; round < ROUNDS; round += 1) {
    const off = residuals(points, best(list));
    scatter = Math.max(floor, 1.4826 * median(off.map(Math.abs)));
    const next = off.map((r) => {
      const u = r / (CUT * scatter);
      return Math.abs(u) < 1 ? (1 - u * u) ** 2 : 0;
    });
    const moved = Math.max(...next.map((w, i) => Math.abs(w - (weights[i] ?? 0))));
    weights = next;
    list = candidates(points, weights, level);
    if (moved < 0.01) break;
  }
  const shape = best(list);
  // Each place for the crest counts by how well it explains the readings: that spread is the doubt.
  const chances = list.map(({ cost }) => Math.exp(-(cost - shape.cost) / (2 * scatter * scatter)));
  const total = chances.reduce((sum, w) => sum + w, 0);
  const middles = list.map((one) => middleOf(one).middleTurns);
  const mean = middles.reduce((sum, m, i) => sum + m * (chances[i] ?? 0), 0) / total;
  const variance = middles.reduce((sum, m, i) => sum + (m - mean) ** 2 * (chances[i] ?? 0), 0) / total;
  const off = residuals(points, shape);
  return {
    shape,
    fit: {
      crestRpm: shape.crestRpm,
      crestTurns: shape.crestTurns,
      ...middleOf(shape),
      middleTurns: mean,
      sdTurns: Math.max(0.03, Math.sqrt(variance)),
      scatterRpm: scatter,
      outliers: off.flatMap((r, i) => (Math.abs(r) > CUT * scatter ? [i] : [])),
    },
  };
}

/** Which side nobody has walked far enough along. */
function unseen(points: readonly IdlePoint[], { shape, fit }: Fitted): NoCrest | undefined {
  const kept = points.filter((_, i) => !fit.outliers.includes(i)).map(({ turns }) => turns);
  const [least, most] = [Math.min(...kept), Math.max(...kept)];
  const wanted = Math.max(SEEN_FALL * shape.crestRpm, 2 * fit.scatterRpm);
  const [fallIn, fallOut] = [least, most].map((turns) => lostAt(shape, turns - shape.crestTurns));
  const sawIn = least < shape.crestTurns && (fallIn ?? 0) >= wanted;
  const sawOut = most > shape.crestTurns && (fallOut ?? 0) >= wanted;
  const inward = least >= QUARTER ? { nextTurns: least - QUARTER } : {};
  if (!sawIn && !sawOut) return { reason: "flat", nextTurns: most + QUARTER };
  if (!sawIn) return { reason: "noFallIn", ...inward };
  return sawOut ? undefined : { reason: "noFallOut", nextTurns: most + QUARTER };
}

/**
 * @param points - at least five, over a turn or more; in any order, a place may be read twice
 * @returns the crest with its fall-offs and their middle, or what is missing and which point to take next
 * @throws {RangeError} for turns outside 0..20 or rpm that is no positive number
 */
export function fitBestIdle(points: readonly IdlePoint[]): IdleFit {
  for (const { turns, rpm } of points) {
    requireRange("screw", requireFinite("screw", turns), 0, 20, "turns");
    requirePositive("idle speed", rpm);
  }
  const turns = points.map((point) => point.turns);
  const most = Math.max(...turns);
  const next = points.length === 0 ? {} : { nextTurns: most + QUARTER };
  if (points.length < LEAST_POINTS) return { ok: false, missing: { reason: "fewPoints", ...next } };
  if (most - Math.min(...turns) < LEAST_SPAN_TURNS - 1e-9)
    return { ok: false, missing: { reason: "narrow", ...next } };
  const fitted = fitAll(points);
  const missing = unseen(points, fitted);
  return missing ? { ok: false, missing, fit: fitted.fit } : { ok: true, fit: fitted.fit };
}
