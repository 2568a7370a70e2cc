/** The newest stretch over which a figure was steady, with its mean and standard deviation. */
import type { Sample } from "./sample.ts";

export interface Held {
  readonly seconds: number;
  /** of the figure: λ and 1/λ are as far apart, so it is that of its logarithm */
  readonly mean: number;
  /** sd of the logarithm */
  readonly spread: number;
}

/** Further from the stretch's mean than this, and the throttle was moved. */
const MOST_OFF = 0.035;
const LONGEST_S = 20;
export const LEAST_HELD_S = 3;

/**
 * @param samples - of one channel, oldest first, all above 0
 * @returns the stretch up to now over which every figure stayed near its mean; nothing without a figure
 */
export function heldSteady(samples: readonly Sample[]): Held | undefined {
  const last = samples.at(-1);
  if (!last || !(last.value > 0)) return undefined;
  let [sum, squares, count] = [0, 0, 0];
  let [low, high] = [Infinity, -Infinity];
  let from = last.atMs;
  for (let i = samples.length - 1; i >= 0; i -= 1) {
    const { value = 0, atMs = 0 } = samples[i] ?? {};
    if (!(value > 0) || last.atMs - atMs > 1000 * LONGEST_S) break;
    const log = Math.log(value);
    const mean = (sum + log) / (count + 1);
    if (Math.max(high, log) - mean > MOST_OFF || mean - Math.min(low, log) > MOST_OFF) break;
    [low, high] = [Math.min(low, log), Math.max(high, log)];
    sum += log;
    squares += log * log;
    count += 1;
    from = atMs;
  }
  const mean = sum / count;
  return {
    seconds: (last.atMs - from) / 1000,
    mean: Math.exp(mean),
    spread: Math.sqrt(Math.max(0, squares / count - mean * mean)),
  };
}
