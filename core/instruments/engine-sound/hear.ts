/**
 * How fast an engine turns, by its exhaust's sound: the beat whose multiples stand out of the spectrum and whose halves
 * do not, in the tones and in the loudness. Pure: a window in, an answer out; nothing is kept.
 */
import { twoSpectra } from "../../numbers/fft.ts";
import { requireRange } from "../../units/guard.ts";
import { linesOf, type Lines } from "./lines.ts";
import { meanRate } from "./phase.ts";
import { reduceSound } from "./reduced.ts";

export interface Firing {
  readonly strokes: 2 | 4;
  /** that are heard together */
  readonly cylinders: number;
  /** at even distances; else only the whole cycle repeats */
  readonly even: boolean;
}

export interface Listening {
  readonly firing: Firing;
  readonly leastRpm: number;
  readonly mostRpm: number;
  /** what was heard just before, or settled by the tuner: an octave is then no question */
  readonly nearRpm?: number | undefined;
  /** what such an engine does there by the book, an idle say: of two answers an octave apart it names one */
  readonly usualRpm?: number | undefined;
}

export type Heard =
  /** `clear`: how far its lines stand out, 0.5 just so, 2 plainly */
  | { readonly kind: "rpm"; readonly rpm: number; readonly clear: number }
  /** both could be: the likelier first */
  | { readonly kind: "two"; readonly rpms: readonly [number, number]; readonly clear: number }
  | { readonly kind: "unsure" }
  | { readonly kind: "tooQuiet" };

/** Of full scale: below it no engine runs near this microphone. */
const QUIET = 0.0015;
/** Less than this stands out of any noise. */
const LEAST_CLEAR = 0.5;
const MULTIPLES = 4;
/** Higher multiples count less: an engine's unrest washes them out. */
const MULTIPLE_POWER = 1.2;
const WEIGHTS = Array.from({ length: MULTIPLES + 1 }, (_, m) => (m === 0 ? 0 : m ** -MULTIPLE_POWER));
/** What stands at the halves speaks against a beat, by so much. */
const HALVES = 0.35;
const HIGHEST_HZ = 1100;
/** Tones below this were taken out as rumble. */
const LOWEST_TONE_HZ = 60;
const STEP = 1.004;
/** Another answer this near to the best is one to ask about; at a multiple sooner than elsewhere. */
const RIVAL = 0.9;
const MULTIPLE_RIVAL = 0.75;
const NEAR = 0.12;
/** What was heard before is believed before something so much clearer. */
const NEAR_SHARE = 0.35;

/** Beats a second at a revolution a minute. */
const beatsAt = ({ strokes, cylinders, even }: Firing): number =>
  ((even ? cylinders : 1) * (strokes === 2 ? 1 : 0.5)) / 60;

interface Candidate {
  readonly hz: number;
  readonly score: number;
}

/** How much a line and what lies halfway before it differ, in one spectrum. */
function contrast(lines: Lines, hz: number, multiple: number): number {
  const reach = 0.004 * multiple * hz + 0.7;
  return lines.meanAbout(multiple * hz, reach) - HALVES * lines.meanAbout((multiple - 0.5) * hz, reach);
}

function scoreOf(tones: Lines, loudness: Lines, hz: number): number {
  let sum = 0;
  let weights = 0;
  for (let m = 1; m <= MULTIPLES && m * hz < HIGHEST_HZ; m += 1) {
    const weight = WEIGHTS[m] ?? 0;
    sum += weight * contrast(loudness, hz, m);
    weights += weight;
    if ((m - 0.5) * hz <= LOWEST_TONE_HZ) continue;
    sum += weight * contrast(tones, hz, m);
    weights += weight;
  }
  return sum / weights - (1 - HALVES);
}

function candidates(tones: Lines, loudness: Lines, fromHz: number, toHz: number): Candidate[] {
  const all: Candidate[] = [];
  for (let hz = fromHz; hz <= toHz; hz *= STEP) all.push({ hz, score: scoreOf(tones, loudness, hz) });
  const isPeak = ({ score }: Candidate, i: number) =>
    score > (all[i - 1]?.score ?? -Infinity) && score >= (all[i + 1]?.score ?? -Infinity);
  return all.filter(isPeak).sort((a, b) => b.score - a.score);
}

const apart = (a: number, b: number): number => Math.abs(Math.log(a / b));
const isMultiple = (of: number, hz: number): boolean => [2, 3, 4].some((k) => apart(hz / of, k) < 0.03);

/** How much louder than its multiple a lower beat is: less, and only its cylinders differ; more, and it beats itself. */
const DIFFER = 0.25;
const BEATS = 3;

/** @returns how strong a tone is, with what an unrest has spread about it */
function strength({ power, hzPerBin }: Lines, hz: number): number {
  const middle = Math.round(hz / hzPerBin);
  const reach = Math.max(2, Math.round((0.01 * hz) / hzPerBin));
  let energy = 0;
  for (let bin = middle - reach; bin <= middle + reach; bin += 1) energy += power[bin] ?? 0;
  return Math.sqrt(energy);
}

/**
 * Two beats, one a multiple of the other: cylinders that differ leave a weak line below the true beat, a true beat is
 * no weaker than its multiple.
 * @returns the one that it is; nothing where the loudness does not tell
 */
function ofMultiples(loudness: Lines, a: Candidate, b: Candidate): Candidate | undefined {
  const [low, high] = a.hz < b.hz ? [a, b] : [b, a];
  if (!isMultiple(low.hz, high.hz)) return undefined;
  const share = strength(loudness, low.hz) / strength(loudness, high.hz);
  if (share < DIFFER) return high;
  return share > BEATS ? low : undefined;
}

/** A book's figure is good for so much, and an octave is well beyond it. */
const AS_USUAL = 0.35;

/** @returns the one of two beats that lies about the usual one, where the other does not */
function byTheBook(a: number, b: number, usual: number): number | undefined {
  const [ofA, ofB] = [apart(a, usual) < AS_USUAL, apart(b, usual) < AS_USUAL];
  if (ofA === ofB) return undefined;
  return ofA ? a : b;
}

/** The middle of each line's power, told by its multiple: finer than the step of the search. */
function sharpened(lines: readonly Lines[], hz: number): number {
  let [sum, weights] = [0, 0];
  for (const { hzPerBin, power } of lines)
    for (let m = 1; m <= 4 && m * hz < HIGHEST_HZ; m += 1) {
      const reach = Math.max(2, Math.round((0.012 * m * hz) / hzPerBin));
      const middle = Math.round((m * hz) / hzPerBin);
      const around = Array.from({ length: 2 * reach + 1 }, (_, i) => middle - reach + i);
      const floor = 0.25 * Math.max(...around.map((bin) => power[bin] ?? 0));
      const mass = around.map((bin) => Math.max(0, (power[bin] ?? 0) - floor));
      const total = mass.reduce((a, b) => a + b, 0);
      if (!(total > 0)) continue;
      const bin = around.reduce((moment, at, i) => moment + at * (mass[i] ?? 0), 0) / total;
      sum += bin * hzPerBin;
      weights += m;
    }
  return weights > 0 ? sum / weights : hz;
}

/**
 * @param sound - one channel, -1..1; two seconds are best
 * @param sampleRateHz - of the sound
 * @throws {RangeError} for a rate, a window or speeds that cannot be
 */
export function hear(sound: Float32Array, sampleRateHz: number, listening: Listening): Heard {
  const { firing, leastRpm, mostRpm, nearRpm, usualRpm } = listening;
  requireRange("cylinders", firing.cylinders, 1, 12);
  requireRange("least speed", leastRpm, 100, 20_000, "rpm");
  requireRange("most speed", mostRpm, leastRpm * 1.1, 30_000, "rpm");
  const { tones, loudness, beats, rateHz, level } = reduceSound(sound, sampleRateHz);
  if (!(level >= QUIET)) return { kind: "tooQuiet" };
  let size = 2;
  while (size < 1.5 * tones.length) size *= 2;
  const [ofTones, ofLoudness] = twoSpectra(tones, loudness, size);
  const lines = [linesOf(ofLoudness, rateHz / size), linesOf(ofTones, rateHz / size)] as const;
  const perRpm = beatsAt(firing);
  const found = candidates(lines[1], lines[0], leastRpm * perRpm, mostRpm * perRpm);
  const [best] = found;
  if (!best || best.score < LEAST_CLEAR) return { kind: "unsure" };
  const rpmOf = ({ hz }: Candidate) => meanRate(beats, rateHz, sharpened(lines, hz)) / perRpm;
  const before =
    nearRpm === undefined ? undefined : found.find(({ hz }) => apart(hz / perRpm, nearRpm) < NEAR);
  if (before && before.score >= NEAR_SHARE * best.score)
    return { kind: "rpm", rpm: rpmOf(before), clear: before.score };
  const rival = found.find(
    (one) =>
      one !== best &&
      apart(one.hz, best.hz) > 0.08 &&
      one.score >= (isMultiple(best.hz, one.hz) ? MULTIPLE_RIVAL : RIVAL) * best.score,
  );
  if (!rival) return { kind: "rpm", rpm: rpmOf(best), clear: best.score };
  const usual = usualRpm === undefined ? undefined : byTheBook(best.hz, rival.hz, usualRpm * perRpm);
  const told = usual === undefined ? ofMultiples(lines[0], best, rival) : usual === best.hz ? best : rival;
  if (told) return { kind: "rpm", rpm: rpmOf(told), clear: told.score };
  return { kind: "two", rpms: [rpmOf(best), rpmOf(rival)], clear: best.score };
}
