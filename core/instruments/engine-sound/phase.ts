/** Mean rate of a beat from its phase slope over a window. */

const BEATS_A_PIECE = 2.5;
const SHORTEST_PIECE_S = 0.15;
/** Further off than this it was another beat that was followed. */
const MOST_OFF = 0.04;

/** @returns the phase of a tone in a piece of the signal, faded at both ends, rad */
function phaseIn(signal: Float64Array, from: number, length: number, turnsPerSample: number): number {
  // The tone and the fade are turned on from sample to sample: a cosine each would take most of the time.
  const turn = 2 * Math.PI * turnsPerSample;
  const fadeTurn = (2 * Math.PI) / length;
  const [stepCos, stepSin] = [Math.cos(turn), Math.sin(turn)];
  const [fadeCos, fadeSin] = [Math.cos(fadeTurn), Math.sin(fadeTurn)];
  let c = Math.cos(turn * from);
  let s = Math.sin(turn * from);
  let f = 1;
  let g = 0;
  let re = 0;
  let im = 0;
  for (let i = from; i < from + length; i += 1) {
    const value = (0.5 - 0.5 * f) * (signal[i] ?? 0);
    re += value * c;
    im -= value * s;
    const nextC = c * stepCos - s * stepSin;
    s = s * stepCos + c * stepSin;
    c = nextC;
    const nextF = f * fadeCos - g * fadeSin;
    g = g * fadeCos + f * fadeSin;
    f = nextF;
  }
  return Math.atan2(im, re);
}

const nearest = (phase: number, last: number): number =>
  phase - 2 * Math.PI * Math.round((phase - last) / (2 * Math.PI));

/**
 * @param beats - loudness about its mean
 * @param aboutHz - the beat, known to some per cent
 * @returns its mean over the window; what was given where it cannot be told better
 */
export function meanRate(beats: Float64Array, rateHz: number, aboutHz: number): number {
  const piece = Math.round(Math.max(BEATS_A_PIECE / aboutHz, SHORTEST_PIECE_S) * rateHz);
  const pieces = Math.floor(beats.length / piece);
  if (pieces < 3) return aboutHz;
  const span = beats.length - piece;
  const first = phaseIn(beats, 0, piece, aboutHz / rateHz);
  let last = first;
  for (let p = 1; p < pieces; p += 1) {
    const from = Math.round((p * span) / (pieces - 1));
    last = nearest(phaseIn(beats, from, piece, aboutHz / rateHz), last);
  }
  const offHz = ((last - first) / (2 * Math.PI)) * (rateHz / span);
  return Math.abs(offHz) < MOST_OFF * aboutHz ? aboutHz + offHz : aboutHz;
}
