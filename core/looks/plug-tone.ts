/**
 * Ordinal probit of plug tone in seven steps: the reader sees the true error blurred by a normal error, and names
 * the step it falls in. Edges at ± 3, ± 8, ± 14 % of mixture.
 */
import { TONES, type Tone } from "../log/parts.ts";
import { bandLikelihood, type Likelihood } from "./likelihood.ts";

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
  const { low, high } = toneBand(tone);
  return bandLikelihood({
    low: low + looksRicher,
    high: high + looksRicher,
    sd,
    steps: TONES.length,
    reads: toneCentre(tone) + looksRicher,
  });
}
