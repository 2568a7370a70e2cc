/**
 * Best-idle fit: rpm against turns of the mixture screw rises to a crest and falls off on both sides, lean on one
 * and rich on the other. The fit is a crest with a slope of its own on each side, robust against a reading that
 * jumped, and honest about how well the points fix it.
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
  /** how far in and out was walked */
  readonly walkedFrom: number;
  readonly walkedTo: number;
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
const SEEN_FALL = 0.017;
const QUARTER = 0.25;
const LEAST_SPAN_TURNS = 1;
/**
 * How the screw moves the mixture, as a table: turns out, rising, and the mixture there on any scale that rises
 * with them. A fuel screw far out hardly does anything: in turns its fall-off is long, in mixture it is not.
 */
export interface ScrewScale {
  readonly turns: readonly number[];
  readonly mixture: readonly number[];
}

/** An air screw of the usual kind: a fifth of the mixture a turn, all along. */
const STRAIGHT: ScrewScale = { turns: [0, 20], mixture: [0, 4] };

/** Reads a table between its entries; outside them the end counts. */
function readTable(at: readonly number[], values: readonly number[], x: number): number {
  let i = 1;
  while (i < at.length - 1 && (at[i] ?? 0) < x) i += 1;
  const [x0 = 0, x1 = 0, y0 = 0, y1 = 0] = [at[i - 1], at[i], values[i - 1], values[i]];
  const share = x1 > x0 ? (x - x0) / (x1 - x0) : 0;
  return y0 + Math.min(1, Math.max(0, share)) * (y1 - y0);
}

/** A point with the mixture that its turns stand for. */
interface Placed extends IdlePoint {
  readonly x: number;
}

/** A tachometer read by eye on a living idle. */
const LEAST_SCATTER_SHARE = 0.003;
/** Steepness at which a side is taken to be before its points say so: 2 % of rpm in 11 % of mixture. */
const USUAL_STEEPNESS = 1.65;
/** How strongly: as much as a reading 7 % of mixture out. */
const PRIOR_WEIGHT = 2.5e-5;
const GRID = 61;
const ROUNDS = 6;
/** Tukey's biweight: readings further out than this many sds count for nothing. */
const CUT = 4.685;

interface Shape {
  readonly crestRpm: number;
  /** rpm lost per mixture², towards the seat and away from it */
  readonly steepIn: number;
  readonly steepOut: number;
}

interface Candidate extends Shape {
  readonly crestX: number;
  readonly cost: number;
}

const lostAt = ({ steepIn, steepOut }: Shape, x: number): number => (x < 0 ? steepIn : steepOut) * x * x;

/** The readings as plain rows of numbers: the fit runs over them some hundred times. */
interface Rows {
  readonly x: Float64Array;
  /** rpm above the level about which they lie: sums of squares stay small */
  readonly above: Float64Array;
  readonly level: number;
}

/**
 * Weighted least squares for a crest that stands at a given place: three unknowns, the sides not coupled but
 * through the crest's height, so they are eliminated in closed form, and the cost follows from the same sums.
 */
function candidateAt({ x, above, level }: Rows, weights: Float64Array, crestX: number): Candidate {
  const usual = USUAL_STEEPNESS * level;
  let [w0, wy, wyy, in2, in4, inY, out2, out4, outY] = [0, 0, 0, 0, PRIOR_WEIGHT, 0, 0, PRIOR_WEIGHT, 0];
  for (let i = 0; i < x.length; i += 1) {
    const w = weights[i] ?? 0;
    const y = above[i] ?? 0;
    const from = (x[i] ?? 0) - crestX;
    const wx2 = w * from * from;
    w0 += w;
    wy += w * y;
    wyy += w * y * y;
    if (from < 0) {
      in2 += wx2;
      in4 += wx2 * from * from;
      inY += wx2 * y;
    } else {
      out2 += wx2;
      out4 += wx2 * from * from;
      outY += wx2 * y;
    }
  }
  // d/d steep: steep x⁴ - crest x² + y x² + prior = 0, on each side; then the crest's own equation.
  const towards = PRIOR_WEIGHT * usual;
  const crest =
    (wy + (in2 * (towards - inY)) / in4 + (out2 * (towards - outY)) / out4) /
    (w0 - (in2 * in2) / in4 - (out2 * out2) / out4);
  const least = 0.05 * usual;
  const steepIn = Math.max(least, (crest * in2 - inY + towards) / in4);
  const steepOut = Math.max(least, (crest * out2 - outY + towards) / out4);
  // Σ w (y - crest + steep x²)² written out, with the prior on each side's steepness.
  const side = (steep: number, x2: number, x4: number, xy: number): number =>
    2 * steep * (xy - crest * x2) + steep * steep * x4 + PRIOR_WEIGHT * usual * (usual - 2 * steep);
  const level0 = wyy - 2 * crest * wy + crest * crest * w0;
  const cost = level0 + side(steepIn, in2, in4, inY) + side(steepOut, out2, out4, outY);
  return { crestRpm: level + crest, steepIn, steepOut, crestX, cost: Math.max(0, cost) };
}

const median = (values: readonly number[]): number => {
  const sorted = [...values].sort((a, b) => a - b);
  const middle = sorted.length >> 1;
  return sorted.length % 2 === 1
    ? (sorted[middle] ?? 0)
    : ((sorted[middle - 1] ?? 0) + (sorted[middle] ?? 0)) / 2;
};

const residuals = (points: readonly Placed[], { crestX, ...shape }: Candidate): number[] =>
  points.map(({ x, rpm }) => rpm - (shape.crestRpm - lostAt(shape, x - crestX)));

/** How far beyond what was walked the crest is looked for, in mixture. */
const BEYOND = 0.1;

function candidates(rows: Rows, weights: Float64Array): Candidate[] {
  const from = rows.x.reduce((least, x) => Math.min(least, x), Infinity) - BEYOND;
  const to = rows.x.reduce((most, x) => Math.max(most, x), -Infinity) + BEYOND;
  return Array.from({ length: GRID }, (_, i) =>
    candidateAt(rows, weights, from + ((to - from) * i) / (GRID - 1)),
  );
}

const best = (list: readonly Candidate[]): Candidate =>
  list.reduce((least, one) => (one.cost < least.cost ? one : least));

function inTurns({ turns, mixture }: ScrewScale, { crestX, crestRpm, steepIn, steepOut }: Candidate) {
  const at = (x: number) => readTable(mixture, turns, x);
  const fallInTurns = at(crestX - Math.sqrt((FALL * crestRpm) / steepIn));
  const fallOutTurns = at(crestX + Math.sqrt((FALL * crestRpm) / steepOut));
  return { crestTurns: at(crestX), fallInTurns, fallOutTurns, middleTurns: (fallInTurns + fallOutTurns) / 2 };
}

interface Fitted {
  readonly fit: BestIdle;
  readonly shape: Candidate;
}

function fitAll(points: readonly Placed[], scale: ScrewScale): Fitted {
  const level = median(points.map(({ rpm }) => rpm));
  const floor = LEAST_SCATTER_SHARE * level;
  const rows: Rows = {
    x: Float64Array.from(points, ({ x }) => x),
    above: Float64Array.from(points, ({ rpm }) => rpm - level),
    level,
  };
  let weights = new Float64Array(points.length).fill(1);
  let list = candidates(rows, weights);
  let scatter = floor;
  for (let round = 0; round < ROUNDS; round += 1) {
    const off = residuals(points, best(list));
    scatter = Math.max(floor, 1.4826 * median(off.map(Math.abs)));
    const next = Float64Array.from(off, (r) => {
      const u = r / (CUT * scatter);
      return Math.abs(u) < 1 ? (1 - u * u) ** 2 : 0;
    });
    const moved = next.reduce((most, w, i) => Math.max(most, Math.abs(w - (weights[i] ?? 0))), 0);
    weights = next;
    list = candidates(rows, weights);
    if (moved < 0.01) break;
  }
  const shape = best(list);
  // Each place for the crest counts by how well it explains the readings: that spread is the doubt.
  const chances = list.map(({ cost }) => Math.exp(-(cost - shape.cost) / (2 * scatter * scatter)));
  const total = chances.reduce((sum, w) => sum + w, 0);
  const middles = list.map((one) => inTurns(scale, one).middleTurns);
  const mean = middles.reduce((sum, m, i) => sum + m * (chances[i] ?? 0), 0) / total;
  const variance = middles.reduce((sum, m, i) => sum + (m - mean) ** 2 * (chances[i] ?? 0), 0) / total;
  const off = residuals(points, shape);
  return {
    shape,
    fit: {
      crestRpm: shape.crestRpm,
      ...inTurns(scale, shape),
      middleTurns: mean,
      sdTurns: Math.max(0.03, Math.sqrt(variance)),
      scatterRpm: scatter,
      walkedFrom: Math.min(...points.map(({ turns }) => turns)),
      walkedTo: Math.max(...points.map(({ turns }) => turns)),
      outliers: off.flatMap((r, i) => (Math.abs(r) > CUT * scatter ? [i] : [])),
    },
  };
}

/** Which side nobody has walked far enough along: its furthest readings must themselves have fallen. */
function unseen(points: readonly Placed[], { shape, fit }: Fitted): NoCrest | undefined {
  const kept = points.filter((_, i) => !fit.outliers.includes(i));
  const turns = kept.map((point) => point.turns);
  const [least, most] = [Math.min(...turns), Math.max(...turns)];
  const wanted = Math.max(SEEN_FALL * shape.crestRpm, 2 * fit.scatterRpm);
  const fallen = (end: number): boolean => {
    const there = kept.filter((point) => Math.abs(point.turns - end) < QUARTER / 2).map(({ rpm }) => rpm);
    return shape.crestRpm - median(there) >= wanted;
  };
  const sawIn = least < fit.crestTurns && fallen(least);
  const sawOut = most > fit.crestTurns && fallen(most);
  const inward = least >= QUARTER ? { nextTurns: least - QUARTER } : {};
  if (!sawIn && !sawOut) return { reason: "flat", nextTurns: most + QUARTER };
  if (!sawIn) return { reason: "noFallIn", ...inward };
  return sawOut ? undefined : { reason: "noFallOut", nextTurns: most + QUARTER };
}

/**
 * @param points - at least five, over a turn or more; in any order, a place may be read twice
 * @param scale - of this screw, by the model; straight if not known
 * @returns the crest with its fall-offs and their middle, or what is missing and which point to take next
 * @throws {RangeError} for turns outside 0..20 or rpm that is no positive number
 */
export function fitBestIdle(points: readonly IdlePoint[], scale: ScrewScale = STRAIGHT): IdleFit {
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
  const placed = points.map((point) => ({ ...point, x: readTable(scale.turns, scale.mixture, point.turns) }));
  const fitted = fitAll(placed, scale);
  const missing = unseen(placed, fitted);
  return missing ? { ok: false, missing, fit: fitted.fit } : { ok: true, fit: fitted.fit };
}
