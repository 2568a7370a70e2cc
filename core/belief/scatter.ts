/**
 * The scatter of an instrument’s readings: a factor on its usual standard deviation, chosen by log evidence against odds
 * that favour 1. Only instruments with some residuals beyond their usual error are considered, one at a time.
 */
import { instrumentKey } from "../looks/instruments.ts";
import { instrumentOf } from "../looks/registry.ts";
import type { Evidence } from "./evidence.ts";
import type { Look } from "./look-evidence.ts";
import type { LookOutcome } from "./update.ts";

/** By instrument: how many times as far as usual its readings scatter. None: as usual. */
export type Scatter = ReadonlyMap<string, number>;
export const AS_USUAL: Scatter = new Map();

/** What may be learnt, and its odds against the usual error before anything was seen. */
const WIDER: readonly { readonly factor: number; readonly odds: number }[] = [
  { factor: 1.6, odds: 0.12 },
  { factor: 2.5, odds: 0.06 },
];
/** Fewer readings teach nothing of their scatter. */
const LEAST_READINGS = 3;
/** Squares of errors, in units of what they should be, are 1 on average: beyond this it is worth asking. */
const SUSPICIOUS = 1.6;

const keyOf = ({ entry: { reading } }: Look): string | undefined => {
  const instrument = instrumentOf(reading);
  return instrument && instrumentKey(instrument);
};

/** @returns what a look says, by an instrument that scatters so */
export function withScatter(look: Look, item: Evidence, scatter: Scatter): Evidence {
  const key = scatter.size === 0 ? undefined : keyOf(look);
  const factor = key === undefined ? undefined : scatter.get(key);
  const wider = factor === undefined ? undefined : item.likelihood.wider?.(factor);
  return wider ? { ...item, likelihood: wider } : item;
}

interface Weighed {
  readonly look: Look | undefined;
  readonly item: Evidence;
  readonly outcome: LookOutcome | undefined;
}

/** @returns instruments whose readings are further off than their error has room for, the worst first */
export function suspects(all: readonly Weighed[]): string[] {
  const squares = new Map<string, number[]>();
  for (const { look, item, outcome } of all) {
    const key = look && keyOf(look);
    if (key === undefined || !outcome || item.silent || !item.likelihood.wider) continue;
    const variance = outcome.expectedSd ** 2 + item.likelihood.sd ** 2 + (item.sharedSd ?? 0) ** 2;
    const square = (outcome.reads - outcome.expected) ** 2 / variance;
    squares.set(key, [...(squares.get(key) ?? []), square]);
  }
  return [...squares]
    .map(([key, of]) => ({ key, of, mean: of.reduce((a, b) => a + b, 0) / of.length }))
    .filter(({ of, mean }) => of.length >= LEAST_READINGS && mean > SUSPICIOUS)
    .sort((a, b) => b.mean - a.mean)
    .map(({ key }) => key);
}

/**
 * @param keys - whom to ask of
 * @param lnEvidenceWith - of the whole log, were the scatter so
 */
export function estimateScatter(
  keys: readonly string[],
  lnEvidenceWith: (scatter: Scatter) => number,
): Scatter {
  let [learnt, best] = [AS_USUAL, keys.length > 0 ? lnEvidenceWith(AS_USUAL) : 0];
  for (const key of keys) {
    const others = learnt;
    for (const { factor, odds } of WIDER) {
      const tried: Scatter = new Map([...others, [key, factor]]);
      const worth = lnEvidenceWith(tried) + Math.log(odds);
      if (worth > best) [learnt, best] = [tried, worth];
    }
  }
  return learnt;
}
