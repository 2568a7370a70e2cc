/** Moving average of pulsing gauges, as the eye reads them. */
import type { Sample } from "#core/instruments/sample.ts";

/**
 * @param overMs - how long a needle is held back
 * @returns one figure a channel, or nothing while any channel has not spoken
 */
export function damped(
  channels: ReadonlyMap<number, readonly Sample[]>,
  count: number,
  overMs: number,
): readonly number[] | undefined {
  const means: number[] = [];
  for (let channel = 1; channel <= count; channel += 1) {
    const samples = channels.get(channel) ?? [];
    const last = samples.at(-1);
    if (!last) return undefined;
    const recent = samples.filter(({ atMs }) => atMs > last.atMs - overMs);
    means.push(Math.max(0, recent.reduce((sum, { value }) => sum + value, 0) / recent.length));
  }
  return means;
}
