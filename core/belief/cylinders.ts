/**
 * Several cylinders: the unknowns of each stand one after the other in one long belief. Most of what is not
 * known of an engine is common to its cylinders (fuel, fuel level, pipe, how the model errs), a little is each
 * one's own: so a look at one speaks for its neighbours too, but not quite as loudly.
 */
import type { Line } from "./mixture.ts";
import { PRIOR_SD, UNKNOWNS, type Belief, type Unknown } from "./unknowns.ts";

/** Share of the variance that cylinders have in common: their own part has 0.45 of the sd. */
export const COMMON_SHARE = 0.8;

const SIZE = UNKNOWNS.length;

/** @returns which unknown of which cylinder (from 0) stands at a place of the long belief */
const placed = (index: number): { cylinder: number; name: Unknown } => {
  const name = UNKNOWNS[index % SIZE];
  if (!name) throw new RangeError(`unknown must be in 0..${SIZE - 1}, got ${index}`);
  return { cylinder: Math.floor(index / SIZE), name };
};

/** @returns the covariance between two places, were every unknown spread with the given variance */
function shared(i: number, j: number, variance: (name: Unknown) => number): number {
  const [a, b] = [placed(i), placed(j)];
  if (a.name !== b.name) return 0;
  return variance(a.name) * (a.cylinder === b.cylinder ? 1 : COMMON_SHARE);
}

const range = (count: number): number[] => Array.from({ length: count }, (_, i) => i);

/** @returns what is thought possible of an engine before anything was seen */
export function priorOf(cylinders: number): Belief {
  const places = range(SIZE * cylinders);
  return {
    mean: places.map(() => 0),
    covariance: places.map((i) => places.map((j) => shared(i, j, (name) => PRIOR_SD[name] ** 2))),
  };
}

/** Doubt added to all cylinders alike: common and own in the prior's proportion. */
export function addDoubt(belief: Belief, added: (name: Unknown, cylinder: number) => number): Belief {
  const amounts = belief.mean.map((_, i) => {
    const { name, cylinder } = placed(i);
    return added(name, cylinder);
  });
  const root = amounts.map(Math.sqrt);
  const covariance = belief.covariance.map((row, i) =>
    row.map((value, j) => value + (root[i] ?? 0) * (root[j] ?? 0) * shared(i, j, () => 1)),
  );
  return { mean: belief.mean, covariance };
}

/**
 * @param lines - of each cylinder (from 0) that the look speaks of, equally
 * @returns the one line along the long belief
 */
export function lineOver(lines: ReadonlyMap<number, Line>, cylinders: number): Line {
  const share = 1 / lines.size;
  const row = range(SIZE * cylinders).map(() => 0);
  let shift = 0;
  for (const [cylinder, line] of lines) {
    shift += share * line.shift;
    line.row.forEach((x, i) => {
      row[cylinder * SIZE + i] = share * x;
    });
  }
  return { shift, row };
}

/** @returns what is believed of the mean of some cylinders (from 0): of one, of those a carburettor feeds */
export function beliefOver(belief: Belief, cylinders: readonly number[]): Belief {
  const share = 1 / cylinders.length;
  const sum = (read: (cylinder: number) => number) =>
    cylinders.reduce((total, cylinder) => total + share * read(cylinder), 0);
  return {
    mean: range(SIZE).map((i) => sum((c) => belief.mean[c * SIZE + i] ?? 0)),
    covariance: range(SIZE).map((i) =>
      range(SIZE).map((j) => sum((a) => sum((b) => belief.covariance[a * SIZE + i]?.[b * SIZE + j] ?? 0))),
    ),
  };
}

/** @returns the line of how far one cylinder (from 0) departs from the mean of the others; two at least */
export function departureLine(lines: readonly Line[], cylinder: number): Line {
  const own = lines[cylinder];
  if (!own || lines.length < 2)
    throw new RangeError(`cylinder must be one of at least two, got ${cylinder} of ${lines.length}`);
  const mine = lineOver(new Map([[cylinder, own]]), lines.length);
  const theirs = lineOver(new Map([...lines.entries()].filter(([c]) => c !== cylinder)), lines.length);
  return {
    shift: mine.shift - theirs.shift,
    row: mine.row.map((x, i) => x - (theirs.row[i] ?? 0)),
  };
}
