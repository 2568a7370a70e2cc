/**
 * The tone of a plug's porcelain in seven steps, as an ordinal probit: the reader sees the true error
 * blurred by a normal error, and names the step it falls in. Edges at ± 3, ± 8, ± 14 % of mixture.
 */
import { TONES, type Tone } from "../log/parts.ts";
import type { Likelihood } from "./likelihood.ts";
import { normalBetween, normalCdf } from "../numbers/normal.ts";

/** Lower edge of each tone's band, leanest first; its upper edge is the one before. */
const LOWER_EDGES = [0.14, 0.08, 0.03, -0.03, -0.08, -0.14, -Infinity] as const;
/** Where a mark stands for a tone whose band has no end. */
const OPEN_BAND_MARK = 0.17;

export interface ToneReading {
  readonly tone: Tone;
  /** sd of the reader's error, log mixture */
  readonly sd: number;
  /** how much richer the plug looks than the mixture is, e.g. from too cold a heat range */
  readonly looksRicher: number;
}

/** @returns the band of mixture error that a tone stands for, `low < high`, open at the ends */
export function toneBand(tone: Tone): { low: number; high: number } {
  const i = TONES.indexOf(tone);
  return { low: LOWER_EDGES[i] ?? -Infinity, high: i === 0 ? Infinity : (LOWER_EDGES[i - 1] ?? Infinity) };
}

/** @returns the tone that a mixture error shows to a perfect eye */
export function toneOf(error: number): Tone {
  return TONES.find((tone) => error > toneBand(tone).low) ?? "soot";
}

/** @returns the middle of a tone's band */
export function toneCentre(tone: Tone): number {
  const { low, high } = toneBand(tone);
  if (high === Infinity) return OPEN_BAND_MARK;
  return low === -Infinity ? -OPEN_BAND_MARK : (low + high) / 2;
}

/** @throws {RangeError} if the reader's error is not above 0 */
export function toneLikelihood({ tone, sd, looksRicher }: ToneReading): Likelihood {
  if (!(sd > 0)) throw new RangeError(`reader's error must be above 0, got ${sd}`);
  const { low, high } = toneBand(tone);
  const chance = (mean: number, spread: number) =>
    normalBetween((low - mean + looksRicher) / spread, (high - mean + looksRicher) / spread);
  return {
    // Far outside its band the chance underflows; the floor keeps the logarithm a number.
    log: (e) => Math.log(Math.max(chance(e, sd), 1e-300)),
    tail: (mean, variance) => {
      const spread = Math.sqrt(variance + sd * sd);
      const seen = mean - looksRicher;
      const leaner = normalCdf((seen - low) / spread);
      const richer = normalCdf((high - seen) / spread);
      return Math.min(1, 2 * Math.min(leaner, richer));
    },
    reads: toneCentre(tone) + looksRicher,
  };
}
