/** Detects when a live figure has settled, such as an idle speed after a turn of the screw. */
import type { Sample } from "./sample.ts";

export interface Settling {
  readonly settled: boolean;
  /** mean of the last seconds */
  readonly mean: number;
  /** how long it has been at rest */
  readonly restMs: number;
}

/** Both halves of this long must agree. */
export const WINDOW_MS = 3000;
const LEAST_SAMPLES = 8;
/** Drift between the halves, and scatter, as shares of the mean. */
const MOST_DRIFT = 0.005;
const MOST_SCATTER = 0.02;

const mean = (values: readonly number[]): number => values.reduce((sum, x) => sum + x, 0) / values.length;

/** Rest at the end of `upTo`, by the window before it. */
function atRest(samples: readonly Sample[], upTo: number): { rest: boolean; mean: number } {
  const from = upTo - WINDOW_MS;
  const inside = samples.filter(({ atMs }) => atMs > from && atMs <= upTo);
  const values = inside.map(({ value }) => value);
  const [first] = samples;
  if (values.length < LEAST_SAMPLES || !first || first.atMs > from + WINDOW_MS / 10)
    return { rest: false, mean: values.length > 0 ? mean(values) : 0 };
  const level = mean(values);
  const early = inside.filter(({ atMs }) => atMs <= upTo - WINDOW_MS / 2).map(({ value }) => value);
  const late = values.slice(early.length);
  const scatter = Math.sqrt(mean(values.map((value) => (value - level) ** 2)));
  const rest =
    level > 0 &&
    early.length > 0 &&
    late.length > 0 &&
    Math.abs(mean(late) - mean(early)) <= MOST_DRIFT * level &&
    scatter <= MOST_SCATTER * level;
  return { rest, mean: level };
}

/**
 * @param samples - of one channel, oldest first
 * @param sinceMs - what came before does not count: the screw was turned then
 */
export function settling(samples: readonly Sample[], sinceMs = -Infinity): Settling {
  const counted = samples.filter(({ atMs }) => atMs >= sinceMs);
  const last = counted.at(-1);
  if (!last) return { settled: false, mean: 0, restMs: 0 };
  const now = atRest(counted, last.atMs);
  if (!now.rest) return { settled: false, mean: now.mean, restMs: 0 };
  let restMs = 0;
  while (restMs < 60_000 && atRest(counted, last.atMs - restMs - 500).rest) restMs += 500;
  return { settled: true, mean: now.mean, restMs };
}
