/**
 * In which order carburettors are brought into step, and what to turn next. On one shaft a screw moves
 * everything beyond it, so neighbours come first, then pair with pair. On cables each has its own stop:
 * stops at idle, then the slack of the cables at cruising speed.
 */
import { requireFinite, Refusal } from "../units/guard.ts";
import { spread } from "./spread.ts";

export type Linkage = "shaft" | "cables";
export type Speed = "idle" | "cruise";

/** One comparison with the adjuster that settles it; carburettors are counted from 1. */
export interface BalanceStep {
  readonly speed: Speed;
  /** those on one side, and those on the other */
  readonly sides: readonly [readonly number[], readonly number[]];
  /** the adjuster that brings the second side to the first */
  readonly turn:
    /** between these two; it moves everything beyond it */
    | { readonly kind: "shaftScrew"; readonly between: readonly [number, number] }
    | { readonly kind: "stopScrew"; readonly of: number }
    | { readonly kind: "cable"; readonly of: number };
}

const numbers = (from: number, to: number): number[] =>
  Array.from({ length: to - from + 1 }, (_, i) => from + i);

/** Pairs side by side first, then each pair with the one before it. */
function shaftSteps(count: number): BalanceStep[] {
  const pairs: number[][] = [];
  for (let first = 1; first <= count; first += 2) pairs.push(numbers(first, Math.min(first + 1, count)));
  const step = (a: readonly number[], b: readonly number[]): BalanceStep => ({
    speed: "idle",
    sides: [a, b],
    turn: { kind: "shaftScrew", between: [a.at(-1) ?? 1, b[0] ?? 1] },
  });
  const within = pairs.flatMap(([a, b]) => (a !== undefined && b !== undefined ? [step([a], [b])] : []));
  const across = pairs.slice(1).map((pair, i) => step(pairs[i] ?? [1], pair));
  return [...within, ...across];
}

/** Each against the first: by its stop at idle, by its cable just off idle. */
function cableSteps(count: number): BalanceStep[] {
  return (["idle", "cruise"] as const).flatMap((speed) =>
    numbers(2, count).map((of): BalanceStep => ({
      speed,
      sides: [[1], [of]],
      turn: { kind: speed === "idle" ? "stopScrew" : "cable", of },
    })),
  );
}

/**
 * @param count - of carburettors, 2 to 6
 * @returns the comparisons in the order in which they are made
 * @throws {RangeError} for another number
 */
export function balanceSteps(count: number, linkage: Linkage): BalanceStep[] {
  if (!(Number.isInteger(count) && count >= 2 && count <= 6))
    throw new Refusal("carburettors", "must be in 2..6 to be balanced", count);
  return linkage === "shaft" ? shaftSteps(count) : cableSteps(count);
}

export interface BalanceState {
  /** highest less lowest */
  readonly spreadPa: number;
  /** how each step of this speed stands: the second side's mean less the first's, + pulls harder */
  readonly differencesPa: readonly number[];
  /** the first of them that is out; nothing when all are in */
  readonly next: number | undefined;
  readonly inStep: boolean;
}

/**
 * @param depressionsPa - one a carburettor, in their order
 * @param steps - of one speed
 * @param allowedPa - the spread this machine may have
 * @throws {RangeError} for a gauge that is no number or a step that names a carburettor without a gauge
 */
export function judgeBalance(
  depressionsPa: readonly number[],
  steps: readonly BalanceStep[],
  allowedPa: number,
): BalanceState {
  const mean = (side: readonly number[]): number =>
    side.reduce((sum, one) => sum + requireFinite(`gauge ${one}`, depressionsPa[one - 1] ?? NaN), 0) /
    side.length;
  const spreadPa = spread(depressionsPa);
  const inStep = spreadPa <= allowedPa;
  const differencesPa = steps.map(({ sides: [a, b] }) => mean(b) - mean(a));
  // Each comparison gets a share of what is allowed, or pairs that are just in would add up to a spread that is not.
  const share = allowedPa / 3;
  const out = differencesPa.findIndex((difference) => Math.abs(difference) > share);
  return { spreadPa, differencesPa, next: inStep || out < 0 ? undefined : out, inStep };
}
