/**
 * Bias and scatter of a reader from plugs of known mixture: ordinal probit with a shared shift, posterior on a grid.
 */
import { TONES } from "../log/parts.ts";
import { OFFSET_SD } from "../looks/instruments.ts";
import { toneBand, toneOf } from "../looks/plug-tone.ts";
import { normalCdf } from "../numbers/normal.ts";
import type { Call } from "./round.ts";

export interface ReaderBias {
  /** how much leaner plugs look to this reader than they are, log mixture */
  readonly mean: number;
  readonly sd: number;
  /** how far the same plug is called now this and now that, log mixture */
  readonly scatter: number;
  /** plugs it rests on */
  readonly plugs: number;
}

/** Bias and scatter before the first plug, log mixture: wide, so that the plugs decide. */
const PRIOR_SD = 0.06;
const FARTHEST = 0.16;
const STEP = 0.004;
const SCATTERS = [0.008, 0.014, 0.022, 0.034, 0.055];
/** A slip of the finger. */
const SLIPS = 0.02;
/** Width of a tone's band, log mixture: half of it is half a tone. */
export const TONE_WIDTH = 0.055;
/** From so many plugs on a bias is named at all. */
export const FEWEST_PLUGS = 20;
/** So many sds off is no chance any more. */
const ACCUSED_SDS = 2.3;
/** Who scatters more names tones by chance: an offset of that would be one by chance too. */
const STEADY_SCATTER = 0.04;
/** Practice on drawn plugs is never surer than this of real ones, log mixture. */
const PRACTISED_SD = 0.015;
/** Who reads pale is corrected towards leaner jets: drawn plugs alone shall hardly do that. */
const LEANING_SD = 0.03;

/** @returns chance that a plug is called so by a reader with that bias and scatter */
function chanceOf({ error, called }: Call, bias: number, scatter: number): number {
  const { low, high } = toneBand(called);
  const seen = error + bias;
  const upper = high === Infinity ? 1 : normalCdf((high - seen) / scatter);
  const lower = low === -Infinity ? 0 : normalCdf((low - seen) / scatter);
  return (1 - SLIPS) * (upper - lower) + SLIPS / TONES.length;
}

/** @returns the reader's bias with its doubt, or nothing while there are fewer than {@link FEWEST_PLUGS} plugs */
export function readerBias(calls: readonly Call[]): ReaderBias | undefined {
  if (calls.length < FEWEST_PLUGS) return undefined;
  const grid: { bias: number; scatter: number; log: number }[] = [];
  for (let bias = -FARTHEST; bias <= FARTHEST + 1e-9; bias += STEP)
    for (const scatter of SCATTERS) {
      let log = -0.5 * (bias / PRIOR_SD) ** 2;
      for (const call of calls) log += Math.log(chanceOf(call, bias, scatter));
      grid.push({ bias, scatter, log });
    }
  const top = Math.max(...grid.map(({ log }) => log));
  let [mass, first, second, scattered] = [0, 0, 0, 0];
  for (const { bias, scatter, log } of grid) {
    const weight = Math.exp(log - top);
    mass += weight;
    first += weight * bias;
    second += weight * bias * bias;
    scattered += weight * scatter;
  }
  const mean = first / mass;
  const variance = second / mass - mean * mean;
  return {
    mean,
    sd: Math.sqrt(Math.max(variance, (STEP / 2) ** 2)),
    scatter: scattered / mass,
    plugs: calls.length,
  };
}

/** @returns whether the reader is off by more than chance would show */
export const isOff = ({ mean, sd }: ReaderBias): boolean => Math.abs(mean) > ACCUSED_SDS * sd;

/** @returns whether the reader tells tones apart well enough for the bias to count */
export const isSteady = ({ scatter }: ReaderBias): boolean => scatter <= STEADY_SCATTER;

/** @returns the message to a reader's instrument, in natural parameters; never surer than practice can be */
export function practisedMessage({ mean, sd }: ReaderBias): { precision: number; pull: number } {
  const variance = Math.max(sd, mean > 0 ? LEANING_SD : PRACTISED_SD) ** 2;
  // What a reader is off by is known to be small beforehand; the rig's own prior says so again.
  const cut = Math.max(-2 * OFFSET_SD.reader, Math.min(2 * OFFSET_SD.reader, mean));
  return { precision: 1 / variance, pull: cut / variance };
}

/** Rows: the tone that was meant; columns: what it was called; both as {@link TONES}. */
export function calledWhat(calls: readonly Call[]): number[][] {
  const table = TONES.map(() => TONES.map(() => 0));
  for (const { error, called } of calls) {
    const row = table[TONES.indexOf(toneOf(error))];
    const column = TONES.indexOf(called);
    if (row) row[column] = (row[column] ?? 0) + 1;
  }
  return table;
}

/** @returns the share that was called what it is, 0..1; 0 for none */
export const shareRight = (calls: readonly Call[]): number =>
  calls.length === 0
    ? 0
    : calls.filter(({ error, called }) => toneOf(error) === called).length / calls.length;
