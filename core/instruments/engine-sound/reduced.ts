/** A window of sound decimated to its low band, with its loudness envelope. */
import { requireRange } from "../../units/guard.ts";

export interface ReducedSound {
  readonly rateHz: number;
  /** the sound itself without rumble, faded in and out */
  readonly tones: Float64Array;
  /** its loudness about its mean, faded in and out */
  readonly loudness: Float64Array;
  /** the same, not faded */
  readonly beats: Float64Array;
  /** root of the mean square of what is left, of full scale */
  readonly level: number;
}

/** Enough for eleven hundred beats a second. */
const REDUCED_HZ = 2400;
/** Wind and handling rumble below this. */
const RUMBLE_HZ = 45;

function faded(signal: Float64Array): Float64Array {
  const n = signal.length;
  return signal.map((value, i) => value * (0.5 - 0.5 * Math.cos((2 * Math.PI * i) / n)));
}

/**
 * @param sound - one channel, -1..1, a second or two
 * @param sampleRateHz - 8 000 to 192 000
 * @throws {RangeError} for another rate, or a window of less than half a second
 */
export function reduceSound(sound: Float32Array, sampleRateHz: number): ReducedSound {
  requireRange("sample rate", sampleRateHz, 8000, 192_000, "Hz");
  requireRange("window", sound.length / sampleRateHz, 0.5, 30, "s");
  const step = Math.floor(sampleRateHz / REDUCED_HZ);
  const count = Math.floor(sound.length / step);
  const tones = new Float64Array(count);
  const loud = new Float64Array(count);
  // Two poles, one after the other: what is below is taken out of each sample as it comes. Plain: a hundred thousand.
  const keep = Math.exp((-2 * Math.PI * RUMBLE_HZ) / sampleRateHz);
  const take = 1 - keep;
  let first = 0;
  let second = 0;
  let energy = 0;
  for (let i = 0; i < count; i += 1) {
    let sum = 0;
    let squares = 0;
    for (let k = i * step; k < (i + 1) * step; k += 1) {
      const heard = sound[k] ?? 0;
      first = keep * first + take * heard;
      const once = heard - first;
      second = keep * second + take * once;
      const sample = once - second;
      sum += sample;
      squares += sample * sample;
    }
    tones[i] = sum / step;
    loud[i] = Math.sqrt(squares / step);
    energy += squares;
  }
  const mean = loud.reduce((sum, value) => sum + value, 0) / count;
  const beats = loud.map((value) => value - mean);
  return {
    rateHz: sampleRateHz / step,
    tones: faded(tones),
    loudness: faded(beats),
    beats,
    level: Math.sqrt(energy / (count * step)),
  };
}
