/** Synthesises exhaust sound from a seed: firing pulses with jitter, misfires, pipe resonance, wind, crowd. */
import type { Random } from "../numbers/random.ts";
import { requireRange } from "../units/guard.ts";

export interface SoundingEngine {
  readonly strokes: 2 | 4;
  readonly cylinders: number;
  readonly rpm: number;
  /** of each beat's length, as a share */
  readonly unrest: number;
  /** share of beats that do not fire */
  readonly misfires: number;
  /** how loud each cylinder is */
  readonly loudness: readonly number[];
  readonly pipes: readonly { readonly hz: number; readonly decayS: number; readonly gain: number }[];
  readonly hiss: number;
}

/** @returns one to four cylinders, two or four strokes, idle to 6000 rpm: the spreads stand in docs/devices.md */
export function drawSoundingEngine(random: Random): SoundingEngine {
  const strokes = random.uniform() < 0.5 ? 2 : 4;
  const cylinders = 1 + Math.floor(4 * random.uniform());
  return {
    strokes,
    cylinders,
    rpm: 1000 * 6 ** random.uniform(),
    unrest: 0.03,
    misfires: 0.06 * random.uniform(),
    loudness: Array.from({ length: cylinders }, () => Math.exp(0.15 * random.normal())),
    pipes: Array.from({ length: 3 }, () => ({
      hz: 70 * Math.exp(2.1 * random.uniform()),
      decayS: 0.003 + 0.012 * random.uniform(),
      gain: 0.4 + random.uniform(),
    })),
    hiss: 0.3 * random.uniform(),
  };
}

export interface Sounding {
  readonly sound: Float32Array;
  /** mean speed from the first beat in the window to the last */
  readonly meanRpm: number;
}

/** A pipe rings on after each blow: a resonance of two poles, whose answer to a blow is a fading sine. */
function ring(
  blows: Float64Array,
  { hz, decayS, gain }: SoundingEngine["pipes"][number],
  rateHz: number,
): Float64Array {
  const turn = (2 * Math.PI * hz) / rateHz;
  const keep = Math.exp(-1 / (decayS * rateHz));
  const [back, further, push] = [2 * keep * Math.cos(turn), -keep * keep, gain * keep * Math.sin(turn)];
  let last = 0;
  let before = 0;
  let blow = 0;
  return blows.map((next) => {
    const now = back * last + further * before + push * blow;
    before = last;
    last = now;
    blow = next;
    return now;
  });
}

const HISSES_S = 0.012;
const HISS_FADES_S = 0.004;
/** So long before the window the engine is heard already. */
const BEFORE_S = 0.2;

/** @throws {RangeError} for a window outside 0.5..30 s */
export function soundOf(engine: SoundingEngine, seconds: number, rateHz: number, random: Random): Sounding {
  requireRange("window", seconds, 0.5, 30, "s");
  const { strokes, cylinders, rpm, unrest, misfires, loudness, pipes, hiss } = engine;
  const lead = Math.round(BEFORE_S * rateHz);
  const count = Math.round(seconds * rateHz);
  const blows = new Float64Array(lead + count);
  const hissing = new Float64Array(lead + count);
  const turnsPerBeat = (strokes === 2 ? 1 : 2) / cylinders;
  const inside: number[] = [];
  for (let at = -BEFORE_S, beat = 0; at < seconds; beat += 1) {
    at += (60 / rpm) * turnsPerBeat * Math.max(0.5, 1 + unrest * random.normal());
    if (at >= 0 && at <= seconds) inside.push(at);
    const fires = random.uniform() >= misfires ? 1 : 0.12;
    const gain = (loudness[beat % cylinders] ?? 1) * fires * Math.exp(0.1 * random.normal());
    const from = lead + Math.round(at * rateHz);
    if (from >= blows.length) break;
    blows[from] = (blows[from] ?? 0) + gain;
    const to = Math.min(blows.length, from + Math.round(HISSES_S * rateHz));
    for (let i = from; i < to; i += 1)
      hissing[i] =
        (hissing[i] ?? 0) + gain * hiss * random.normal() * Math.exp(-(i - from) / (HISS_FADES_S * rateHz));
  }
  const rung = pipes.map((pipe) => ring(blows, pipe, rateHz));
  const sound = Float32Array.from({ length: count }, (_, i) =>
    rung.reduce((sum, pipe) => sum + (pipe[lead + i] ?? 0), hissing[lead + i] ?? 0),
  );
  const span = (inside.at(-1) ?? 0) - (inside[0] ?? 0);
  return { sound, meanRpm: inside.length > 1 ? ((inside.length - 1) * turnsPerBeat * 60) / span : rpm };
}

const energyOf = (sound: Float32Array): number => sound.reduce((sum, x) => sum + x * x, 0);

/** Wind rumbles below 80 Hz. */
function windy(count: number, rateHz: number, random: Random): Float32Array {
  const keep = Math.exp((-2 * Math.PI * 80) / rateHz);
  let low = 0;
  return Float32Array.from({ length: count }, () => (low = keep * low + (1 - keep) * random.normal()));
}

/** A crowd talks between 250 and 1500 Hz, louder and softer. */
function crowded(count: number, rateHz: number, random: Random): Float32Array {
  const [high, low] = [1500, 250].map((hz) => Math.exp((-2 * Math.PI * hz) / rateHz)) as [number, number];
  const swellHz = 1 + random.uniform();
  let first = 0;
  let second = 0;
  return Float32Array.from({ length: count }, (_, i) => {
    first = high * first + (1 - high) * random.normal();
    second = low * second + (1 - low) * first;
    return (first - second) * (1 + 0.5 * Math.sin((2 * Math.PI * swellHz * i) / rateHz));
  });
}

/**
 * @param ratioDb - of the engine over wind and crowd together
 * @returns both, brought to what a microphone's scale holds
 */
export function amongNoise(
  sound: Float32Array,
  ratioDb: number,
  rateHz: number,
  random: Random,
): Float32Array {
  const wind = windy(sound.length, rateHz, random);
  const crowd = crowded(sound.length, rateHz, random);
  const share = random.uniform();
  const engine = energyOf(sound);
  const noise = engine / 10 ** (ratioDb / 10);
  const windGain = Math.sqrt((share * noise) / energyOf(wind));
  const crowdGain = Math.sqrt(((1 - share) * noise) / energyOf(crowd));
  const scale = 5 * Math.sqrt((engine + noise) / sound.length);
  return sound.map((x, i) => (x + windGain * (wind[i] ?? 0) + crowdGain * (crowd[i] ?? 0)) / scale);
}
