/** Prominence of spectral lines over their local background. */

export interface Lines {
  readonly hzPerBin: number;
  readonly power: Float64Array;
  /** mean prominence over some tones, 1 for nothing */
  readonly meanAbout: (hz: number, reachHz: number) => number;
}

/** Surroundings: this wide, or this share of the tone where that is wider. */
const LEAST_REACH_HZ = 40;
const REACH_SHARE = 0.5;
/** One line cannot speak for all. */
const MOST = 12;

const sumsOf = (values: Float64Array): Float64Array => {
  const sums = new Float64Array(values.length + 1);
  for (let i = 0; i < values.length; i += 1) sums[i + 1] = (sums[i] ?? 0) + (values[i] ?? 0);
  return sums;
};

/** @returns the mean from a bin to before another, of sums that were added up before */
const meanOf = (sums: Float64Array, from: number, to: number): number =>
  ((sums[to] ?? 0) - (sums[from] ?? 0)) / Math.max(1, to - from);

/** @param power - from 0 Hz on, evenly */
export function linesOf(power: Float64Array, hzPerBin: number): Lines {
  const n = power.length;
  const amplitude = power.map(Math.sqrt);
  const sums = sumsOf(amplitude);
  const prominence = new Float64Array(n);
  const leastReach = LEAST_REACH_HZ / hzPerBin;
  for (let i = 0; i < n; i += 1) {
    const reach = Math.ceil(Math.max(leastReach, REACH_SHARE * i));
    const around = meanOf(sums, Math.max(0, i - reach), Math.min(n, i + reach + 1));
    prominence[i] = around > 0 ? Math.min(MOST, (amplitude[i] ?? 0) / around) : 0;
  }
  const prominences = sumsOf(prominence);
  return {
    hzPerBin,
    power,
    meanAbout: (hz, reachHz) => {
      const from = Math.max(0, Math.round((hz - reachHz) / hzPerBin));
      const to = Math.min(n, Math.round((hz + reachHz) / hzPerBin) + 1);
      return meanOf(prominences, from, to);
    },
  };
}
