/** Synthesises sounds that are not an engine: speech, song, music, clapping, mains hum. */
import type { Random } from "../numbers/random.ts";
import { requireRange } from "../units/guard.ts";

export const OTHER_SOUNDS = ["voice", "sung note", "held note", "music", "clapping", "mains"] as const;
export type OtherSound = (typeof OTHER_SOUNDS)[number];

const between = (random: Random, from: number, to: number): number => from + (to - from) * random.uniform();
const turns = (phase: number): number => Math.sin(2 * Math.PI * phase);

/** A throat's pulses through three formants, a piece of time. */
function throat(
  sound: Float64Array,
  from: number,
  to: number,
  rateHz: number,
  pitch: (share: number) => number,
  random: Random,
): void {
  const formants = [between(random, 300, 800), between(random, 900, 2000), between(random, 2200, 3000)];
  const loud = between(random, 0.6, 1.2);
  for (let at = from; at < to;) {
    const period = (rateHz / pitch((at - from) / (to - from))) * (1 + 0.007 * random.normal());
    const start = Math.round(at);
    const end = Math.min(sound.length, start + Math.round(0.03 * rateHz));
    const fade = Math.min(1, (at - from) / (0.02 * rateHz), (to - at) / (0.03 * rateHz));
    for (let i = start; i < end; i += 1) {
      const t = (i - start) / rateHz;
      const rung = formants.reduce((sum, hz, k) => sum + (turns(hz * t) * Math.exp(-t / 0.006)) / (k + 1), 0);
      sound[i] = (sound[i] ?? 0) + loud * fade * rung;
    }
    at += period;
  }
}

function voice(count: number, rateHz: number, random: Random): Float64Array {
  const sound = new Float64Array(count);
  const base = between(random, 90, 230);
  for (let at = 0; at < count;) {
    const voiced = Math.round(between(random, 0.1, 0.35) * rateHz);
    const [start, end] = [base * between(random, 0.8, 1.3), base * between(random, 0.75, 1.15)];
    throat(sound, at, Math.min(count, at + voiced), rateHz, (share) => start + (end - start) * share, random);
    at += voiced;
    // A hiss, a stop, or a breath between.
    const pause = Math.round(between(random, 0.03, random.uniform() < 0.2 ? 0.5 : 0.15) * rateHz);
    const hisses = random.uniform() < 0.4 ? 0.15 : 0;
    for (let i = at; i < Math.min(count, at + pause); i += 1) sound[i] = hisses * random.normal();
    at += pause;
  }
  return sound;
}

function sung(count: number, rateHz: number, random: Random): Float64Array {
  const sound = new Float64Array(count);
  const base = between(random, 90, 400);
  const vibrato = random.uniform() < 0.6 ? between(random, 0.01, 0.03) : 0.002;
  const hz = between(random, 4.5, 6.5);
  const seconds = count / rateHz;
  throat(sound, 0, count, rateHz, (share) => base * (1 + vibrato * turns(hz * share * seconds)), random);
  return sound;
}

function held(count: number, rateHz: number, random: Random): Float64Array {
  const base = between(random, 60, 500);
  const vibrato = random.uniform() < 0.4 ? between(random, 0.003, 0.012) : 0;
  const swell = random.uniform() < 0.3 ? between(random, 0.1, 0.4) : 0;
  const [wobbles, swells] = [between(random, 4, 7), between(random, 3, 7)];
  const gains = Array.from({ length: 12 }, (_, k) => Math.exp(0.5 * random.normal()) / (k + 1));
  let phase = 0;
  return Float64Array.from({ length: count }, (_, i) => {
    const t = i / rateHz;
    phase += (base * (1 + vibrato * turns(wobbles * t))) / rateHz;
    const note = gains.reduce((sum, gain, k) => sum + gain * turns((k + 1) * phase), 0);
    return note * (1 + swell * turns(swells * t));
  });
}

function music(count: number, rateHz: number, random: Random): Float64Array {
  const sound = new Float64Array(count);
  const beat = between(random, 0.22, 0.5);
  const add = (at: number, seconds: number, wave: (t: number) => number) => {
    const from = Math.round(at * rateHz);
    for (let i = from; i < Math.min(count, from + seconds * rateHz); i += 1)
      sound[i] = (sound[i] ?? 0) + wave((i - from) / rateHz);
  };
  const root = between(random, 50, 110);
  const steps = [1, 9 / 8, 5 / 4, 4 / 3, 3 / 2, 5 / 3];
  const note = () => steps[Math.floor(random.uniform() * steps.length)] ?? 1;
  for (let at = -beat * random.uniform(); at < count / rateHz; at += beat) {
    if (at < 0) continue;
    const notes = [root * note(), 2 * root * note(), 4 * root * note(), 4 * root * note()];
    for (const hz of notes)
      add(
        at,
        beat,
        (t) => 0.3 * Math.exp(-t / 0.6) * (turns(hz * t) + 0.5 * turns(2 * hz * t) + 0.3 * turns(3 * hz * t)),
      );
    add(at, 0.15, (t) => 1.2 * Math.exp(-t / 0.04) * turns(60 * t));
    add(at + beat / 2, 0.06, (t) => 0.5 * Math.exp(-t / 0.015) * random.normal());
  }
  return sound;
}

function clapping(count: number, rateHz: number, random: Random): Float64Array {
  const sound = new Float64Array(count);
  const hands = 1 + Math.floor(12 * random.uniform());
  for (let hand = 0; hand < hands; hand += 1) {
    const period = 1 / between(random, 2.5, 6);
    const ring = between(random, 600, 1800);
    for (
      let at = period * random.uniform();
      at < count / rateHz;
      at += period * (1 + 0.08 * random.normal())
    ) {
      const from = Math.max(0, Math.round(at * rateHz));
      const loud = between(random, 0.5, 1);
      for (let i = from; i < Math.min(count, from + 0.02 * rateHz); i += 1) {
        const t = (i - from) / rateHz;
        sound[i] = (sound[i] ?? 0) + loud * Math.exp(-t / 0.004) * (random.normal() + turns(ring * t));
      }
    }
  }
  return sound;
}

function mains(count: number, rateHz: number, random: Random): Float64Array {
  const hz = (random.uniform() < 0.5 ? 50 : 60) * (1 + 0.0004 * random.normal());
  const even = random.uniform() < 0.5 ? 1 : 0.3;
  const gains = Array.from(
    { length: 20 },
    (_, k) => ((k % 2 === 1 ? even : 1) * Math.exp(0.6 * random.normal())) / (k + 1) ** 0.7,
  );
  const phases = gains.map(() => random.uniform());
  return Float64Array.from({ length: count }, (_, i) =>
    gains.reduce((sum, gain, k) => sum + gain * turns(((k + 1) * hz * i) / rateHz + (phases[k] ?? 0)), 0),
  );
}

const MAKERS: Readonly<Record<OtherSound, (count: number, rateHz: number, random: Random) => Float64Array>> =
  {
    voice,
    "sung note": sung,
    "held note": held,
    music,
    clapping,
    mains,
  };

/** @returns a window of it; @throws {RangeError} for a window outside 0.5..30 s */
export function otherSound(kind: OtherSound, seconds: number, rateHz: number, random: Random): Float32Array {
  requireRange("window", seconds, 0.5, 30, "s");
  return Float32Array.from(MAKERS[kind](Math.round(seconds * rateHz), rateHz, random));
}
