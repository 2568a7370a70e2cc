/** Joint probabilities over several zones, by seeded Monte Carlo draws from the posterior. */
import type { Zone } from "../../carburettor/zones.ts";
import type { Belief } from "../../belief/unknowns.ts";
import type { Line } from "../../looks/line.ts";
import type { Setting } from "../../log/schema.ts";
import { cholesky, dot } from "../../numbers/linear.ts";
import { seededRandom } from "../../numbers/random.ts";
import { REACHED_ZONES, TOLERANCE, type ReachedZone, type SettingJudge } from "./judge-setting.ts";
import { LOSS, loss } from "./loss.ts";

const DRAWS = 400;
const DRAW_SEED = 45165;

const normals = new Map<number, readonly Float64Array[]>();

/** Standard normals of one size, drawn once: the first of many are the few that were asked before. */
function standardDraws(size: number, count: number): readonly Float64Array[] {
  const known = normals.get(size);
  if (known && known.length >= count) return known.slice(0, count);
  const random = seededRandom(DRAW_SEED);
  const drawn = Array.from({ length: count }, () =>
    Float64Array.from({ length: size }, () => random.normal()),
  );
  normals.set(size, drawn);
  return drawn;
}

const beliefDraws = new WeakMap<Belief, readonly Float64Array[]>();

/** @returns what the unknowns may be in so many draws, the same ones whenever asked */
export function drawnFrom({ mean, covariance }: Belief, draws: number): Float64Array[] {
  const size = mean.length;
  const lower = cholesky(covariance);
  return standardDraws(size, draws).map((z) => {
    const draw = new Float64Array(mean);
    for (let i = 0; i < size; i += 1)
      for (let j = 0; j <= i; j += 1) draw[i] = (draw[i] ?? 0) + (lower[i * size + j] ?? 0) * (z[j] ?? 0);
    return draw;
  });
}

/** @returns what the unknowns may be, the same draws whenever the same belief is asked */
function drawsOf(belief: Belief): readonly Float64Array[] {
  const known = beliefDraws.get(belief) ?? drawnFrom(belief, DRAWS);
  beliefDraws.set(belief, known);
  return known;
}

const errorAt = ({ shift, row }: Line, draw: Float64Array): number => shift + dot(row, draw);

/** A setting, asked of a judge: of the machine as it is, or with another part in it. */
export interface JudgedSetting {
  readonly judge: SettingJudge;
  readonly setting: Setting;
}

/** @returns chance that one costs less than the other in these zones, both in the same draws */
export function chanceCheaper(from: JudgedSetting, to: JudgedSetting, zones: readonly Zone[]): number {
  const costsOf = ({ judge, setting }: JudgedSetting): number[] => {
    const at = judge.lines(setting);
    return drawsOf(judge.beliefs.together).map((draw) =>
      zones.reduce((sum, zone) => sum + judge.weights[zone] * loss(zone, errorAt(at[zone], draw)), 0),
    );
  };
  const [before, after] = [costsOf(from), costsOf(to)];
  return after.filter((cost, i) => cost < (before[i] ?? cost)).length / after.length;
}

/** @returns chance that one setting costs less than another, in the zones that a hand can put right */
export const chanceBetter = (judge: SettingJudge, from: Setting, to: Setting): number =>
  chanceCheaper({ judge, setting: from }, { judge, setting: to }, REACHED_ZONES);

export interface DrawnCosts {
  readonly draws: number;
  /** draw by draw, in each setting by setting: what it costs there, in the zones asked about */
  readonly costs: Float64Array;
}

/** The draws of a belief unknown by unknown: many settings are asked of each. */
function flatDraws(belief: Belief, draws: number): Float64Array {
  const size = belief.mean.length;
  const flat = new Float64Array(size * draws);
  for (const [d, draw] of drawnFrom(belief, draws).entries())
    for (let u = 0; u < size; u += 1) flat[u * draws + d] = draw[u] ?? 0;
  return flat;
}

/** What each draw says of one line, into `errors`: only the few unknowns that count there are gone through. */
function errorsOfDraws({ shift, row }: Line, flat: Float64Array, errors: Float64Array): void {
  const draws = errors.length;
  errors.fill(shift);
  for (let u = 0; u < row.length; u += 1) {
    const weight = row[u] ?? 0;
    if (weight === 0) continue;
    for (let d = 0, from = u * draws; d < draws; d += 1)
      errors[d] = (errors[d] ?? 0) + weight * (flat[from + d] ?? 0);
  }
}

/** So many draws tell the holes of a sieve apart as finely as a screen shows them. */
const DRAWS_OF_MANY = 200;

/** The cost of many settings in the same draws: in each of them one is the best. */
export function costOfDraws(
  { beliefs, weights, lines }: SettingJudge,
  settings: readonly Setting[],
  zones: readonly ReachedZone[] = REACHED_ZONES,
): DrawnCosts {
  const draws = DRAWS_OF_MANY;
  const flat = flatDraws(beliefs.together, draws);
  const costs = new Float64Array(settings.length * draws);
  const errors = new Float64Array(draws);
  settings.forEach((setting, s) => {
    const at = lines(setting);
    for (const zone of zones) {
      errorsOfDraws(at[zone], flat, errors);
      const cost = LOSS[zone];
      const weight = weights[zone];
      // Some hundred thousand errors: plain loops over arrays, nothing made on the way.
      for (let d = 0, place = s; d < draws; d += 1, place += settings.length)
        costs[place] = (costs[place] ?? 0) + weight * cost(errors[d] ?? 0);
    }
  });
  return { draws, costs };
}

/** @returns chance that all these zones are right together: of the worst cylinder where there are several */
export function chanceAllRight(
  { beliefs, lines }: SettingJudge,
  setting: Setting,
  zones: readonly Zone[],
): number {
  const at = lines(setting);
  const chances = beliefs.each.map(({ belief }) => {
    const draws = drawsOf(belief);
    const right = draws.filter((draw) =>
      zones.every((zone) => Math.abs(errorAt(at[zone], draw)) <= TOLERANCE),
    );
    return right.length / draws.length;
  });
  return Math.min(...chances);
}
