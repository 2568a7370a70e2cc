/**
 * Estimates engine speed from exhaust sound: the beat whose multiples stand out of the spectrum and whose halves do
 * not, in the tones and in the loudness. Pure: a window in, an answer out; nothing is kept.
 */
import { twoSpectra } from "../../numbers/fft.ts";
import { requireRange } from "../../units/guard.ts";
import { beatOf, type Beat } from "./beat.ts";
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
  /** it has answered the throttle: however steady, it is an engine */
  readonly answered?: boolean | undefined;
}

export type Heard =
  /** `clear`: how far its lines stand out, 1.5 just so, 3 plainly */
  | { readonly kind: "rpm"; readonly rpm: number; readonly clear: number }
  /** each of these could be, the likelier first; one alone is far from the book's */
  | { readonly kind: "asked"; readonly rpms: readonly number[]; readonly clear: number }
  /** as steady as mains or a held note: an engine answers the throttle */
  | { readonly kind: "steady"; readonly rpm: number; readonly clear: number }
  | { readonly kind: "unsure" }
  | { readonly kind: "tooQuiet" };

/** Of full scale: below it no engine runs near this microphone. */
const QUIET = 0.0015;
/** Less than this stands out of any noise. */
const LEAST_CLEAR = 1.5;
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
const isOctave = (a: number, b: number): boolean => isMultiple(a, b) || isMultiple(b, a);

/** So many candidates, and no weaker ones, may be an engine. */
const MOST_CANDIDATES = 4;
const LEAST_SHARE = 0.5;
/** An engine's beat is there all the time, and its unrest is small. */
const THERE = 0.1;
const MOST_JITTER = 0.045;
/** Nothing that burns runs as evenly as this from beat to beat. */
const TOO_STEADY = 0.0085;
/** No throat, string or transformer sounds as low. */
const LOWEST_NOTE_HZ = 45;

/** A drum, or the wave of a voice, beats as slowly: an engine there fires loudly. */
const SLOW_HZ = 16;
const SLOW_THERE = 0.3;

const isEngine = (beat: Beat | undefined, hz: number): boolean =>
  beat !== undefined && beat.leastShare >= (hz < SLOW_HZ ? SLOW_THERE : THERE) && beat.jitter <= MOST_JITTER;
const isTooSteady = (beat: Beat | undefined, hz: number): boolean =>
  hz > LOWEST_NOTE_HZ && beat !== undefined && beat.walk < TOO_STEADY;

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

interface Chosen extends Candidate {
  /** so far from the book's figure that it is asked */
  readonly isFar?: true;
}

/** @returns the one beat that it is, or those between which the tuner says; none where nothing was found */
function chosenOf(
  found: readonly Candidate[],
  loudness: Lines,
  { nearHz, usualHz }: { readonly nearHz: number | undefined; readonly usualHz: number | undefined },
): readonly Chosen[] {
  const [best] = found;
  if (!best) return [];
  const before = nearHz === undefined ? undefined : found.find(({ hz }) => apart(hz, nearHz) < NEAR);
  if (before && before.score >= NEAR_SHARE * best.score) return [before];
  const rivals = found.filter(
    (one) =>
      apart(one.hz, best.hz) > 0.08 &&
      one.score >= (isOctave(best.hz, one.hz) ? MULTIPLE_RIVAL : RIVAL) * best.score,
  );
  if (usualHz === undefined) {
    const [rival] = rivals;
    if (!rival) return [best];
    const told = ofMultiples(loudness, best, rival);
    return told ? [told] : [best, rival];
  }
  const asUsual = ({ hz }: Candidate) => apart(hz, usualHz) < AS_USUAL;
  if (asUsual(best)) return [best, ...rivals.filter((one) => asUsual(one))];
  const usual = found.find(asUsual);
  if (!usual) return [{ ...best, isFar: true }];
  return isOctave(best.hz, usual.hz) ? [usual] : [best, usual];
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
  const { firing, leastRpm, mostRpm, nearRpm, usualRpm, answered } = listening;
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
  const all = candidates(lines[1], lines[0], leastRpm * perRpm, mostRpm * perRpm);
  const loudest = all[0]?.score ?? 0;
  if (!(loudest >= LEAST_CLEAR)) return { kind: "unsure" };
  const beatAt = (hz: number) => beatOf(beats, rateHz, hz);
  const found = all
    .slice(0, MOST_CANDIDATES)
    .filter(({ hz, score }) => score >= LEAST_SHARE * loudest && isEngine(beatAt(hz), hz));
  const rpmOf = ({ hz }: Candidate) => meanRate(beats, rateHz, sharpened(lines, hz)) / perRpm;
  const asked = (these: readonly Candidate[]): Heard => ({
    kind: "asked",
    rpms: these.map(rpmOf),
    clear: these[0]?.score ?? 0,
  });
  const answer = (one: Candidate): Heard => {
    const hz = sharpened(lines, one.hz);
    const steady = !answered && isTooSteady(beatAt(hz), hz);
    return { kind: steady ? "steady" : "rpm", rpm: rpmOf(one), clear: one.score };
  };
  const chosen = chosenOf(found, lines[0], {
    nearHz: nearRpm === undefined ? undefined : nearRpm * perRpm,
    usualHz: usualRpm === undefined ? undefined : usualRpm * perRpm,
  });
  if (chosen.length === 0) return { kind: "unsure" };
  const [one, ...others] = chosen;
  return one && others.length === 0 && !one.isFar ? answer(one) : asked(chosen);
}
