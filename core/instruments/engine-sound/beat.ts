/**
 * Tracks a beat through a window to tell engines from other sounds: an engine's is there all the time and wanders
 * from beat to beat; a voice pauses and glides, a tune goes on to the next note, and what hums on the mains or
 * holds a note hardly wanders.
 */

export interface Beat {
  /** share of the loudness's swing that is this beat, in the pieces where it is least (a tenth of them is less), 0..1 */
  readonly leastShare: number;
  /** unrest from one piece to the next, a beat, as a share of its length: noise is in it */
  readonly jitter: number;
  /** how far it wanders away, a beat, as a share of its length: noise is not in it */
  readonly walk: number;
}

const LEAST_BEATS = 4;
const LEAST_PIECE_S = 0.1;

interface Piece {
  readonly share: number;
  /** turns */
  readonly phase: number;
}

/** A piece of the loudness, faded at both ends; the tone is turned on from sample to sample. */
function pieceAt(beats: Float64Array, from: number, length: number, fade: Float64Array, turn: number): Piece {
  const [stepCos, stepSin] = [Math.cos(turn), Math.sin(turn)];
  let c = Math.cos(turn * from);
  let s = Math.sin(turn * from);
  let re = 0;
  let im = 0;
  let energy = 0;
  for (let i = 0; i < length; i += 1) {
    const value = (fade[i] ?? 0) * (beats[from + i] ?? 0);
    re += value * c;
    im -= value * s;
    energy += value * value;
    const nextC = c * stepCos - s * stepSin;
    s = s * stepCos + c * stepSin;
    c = nextC;
  }
  // A pure tone of the piece's energy would have this strength.
  const pure = Math.sqrt((energy * length) / 3);
  return { share: pure > 0 ? Math.hypot(re, im) / pure : 0, phase: Math.atan2(im, re) / (2 * Math.PI) };
}

const meanSquare = (values: readonly number[]): number =>
  values.reduce((sum, value) => sum + value * value, 0) / Math.max(1, values.length);

/** @returns each value less the one so many before it, and less what a steady rate makes of that */
function beyondSteady(phases: readonly number[], lag: number): number[] {
  const steady = ((phases.at(-1) ?? 0) - (phases[0] ?? 0)) / (phases.length - 1);
  return phases.slice(lag).map((phase, i) => phase - (phases[i] ?? 0) - lag * steady);
}

/**
 * @param beats - loudness about its mean
 * @param hz - of the beat, to a per cent
 * @returns nothing where the window holds too few of them to tell
 */
export function beatOf(beats: Float64Array, rateHz: number, hz: number): Beat | undefined {
  const length = Math.round(Math.max(LEAST_BEATS / hz, LEAST_PIECE_S) * rateHz);
  const hop = Math.round(length / 2);
  const count = Math.floor((beats.length - length) / hop) + 1;
  if (count < 5) return undefined;
  const fade = Float64Array.from({ length }, (_, i) => 0.5 - 0.5 * Math.cos((2 * Math.PI * i) / length));
  const turn = (2 * Math.PI * hz) / rateHz;
  const pieces = Array.from({ length: count }, (_, p) => pieceAt(beats, p * hop, length, fade, turn));
  const shares = pieces.map(({ share }) => share).sort((a, b) => a - b);
  const phases: number[] = [];
  for (const { phase } of pieces) {
    const last = phases.at(-1) ?? phase;
    phases.push(phase - Math.round(phase - last));
  }
  const steps = phases.slice(1).map((phase, i) => phase - (phases[i] ?? 0));
  const turns = steps.slice(1).map((step, i) => step - (steps[i] ?? 0) - Math.round(step - (steps[i] ?? 0)));
  const beatsAHop = (hop / rateHz) * hz;
  // A walk grows with the time between, what noise does to two phases does not.
  const [near, far] = [2, Math.max(3, Math.floor(count / 5))];
  const grown = meanSquare(beyondSteady(phases, far)) - meanSquare(beyondSteady(phases, near));
  return {
    leastShare: shares[Math.floor(0.1 * (count - 1))] ?? 0,
    jitter: Math.sqrt(meanSquare(turns) / (2 * beatsAHop)),
    walk: Math.sqrt(Math.max(0, grown) / ((far - near) * beatsAHop)),
  };
}
