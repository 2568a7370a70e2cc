/**
 * Indices into the one joint Gaussian: the unknowns of each cylinder in turn, then the offset of each instrument. Most of
 * the prior variance is common to all cylinders (fuel, level, pipe, model error), a little is each cylinder’s own, so a
 * look at one cylinder informs the others, but less.
 */
import type { Build, InstrumentMessage } from "../log/schema.ts";
import { instrumentKey, OFFSET_SD, type Instrument } from "../looks/instruments.ts";
import type { Line } from "../looks/line.ts";
import { PRIOR_SD, UNKNOWNS, UNKNOWNS_EACH, type Belief, type Unknown } from "./unknowns.ts";

/** Share of the variance that cylinders have in common: their own part has 0.45 of the sd. */
export const COMMON_SHARE = 0.8;

export interface Layout {
  readonly cylinders: number;
  readonly instruments: readonly Instrument[];
  readonly size: number;
}

/** @param instruments - those that looks were taken with, each once */
export function layoutOf(cylinders: number, instruments: readonly Instrument[]): Layout {
  return { cylinders, instruments, size: UNKNOWNS_EACH * cylinders + instruments.length };
}

/** @returns the place of an instrument's error, or nothing where no look was taken with it */
export function placeOfInstrument(
  { cylinders, instruments }: Layout,
  wanted: Instrument,
): number | undefined {
  const key = instrumentKey(wanted);
  const index = instruments.findIndex((one) => instrumentKey(one) === key);
  return index < 0 ? undefined : UNKNOWNS_EACH * cylinders + index;
}

/** @returns covariance added between cylinders where each is uncertain by `amounts` of variance */
function addShared(
  covariance: Float64Array,
  size: number,
  cylinders: number,
  amount: (name: Unknown, cylinder: number) => number,
): void {
  UNKNOWNS.forEach((name, u) => {
    for (let a = 0; a < cylinders; a += 1)
      for (let b = 0; b < cylinders; b += 1) {
        const both = Math.sqrt(amount(name, a) * amount(name, b)) * (a === b ? 1 : COMMON_SHARE);
        const place = (a * UNKNOWNS_EACH + u) * size + b * UNKNOWNS_EACH + u;
        covariance[place] = (covariance[place] ?? 0) + both;
      }
  });
}

/**
 * @param messages - what other rigs say of these instruments
 * @param airAnswer - what an engine like this one had learnt of its answer to the air
 * @returns what is thought possible before anything was seen on this rig
 */
export function priorOf(
  layout: Layout,
  messages: readonly InstrumentMessage[] = [],
  airAnswer: Build["airAnswer"] = { mean: 0, sd: PRIOR_SD.airSensitivity },
): Belief {
  const { size, cylinders, instruments } = layout;
  const mean = new Float64Array(size);
  const covariance = new Float64Array(size * size);
  addShared(
    covariance,
    size,
    cylinders,
    (name) => (name === "airSensitivity" ? airAnswer.sd : PRIOR_SD[name]) ** 2,
  );
  for (let cylinder = 0; cylinder < cylinders; cylinder += 1)
    mean[cylinder * UNKNOWNS_EACH + UNKNOWNS.indexOf("airSensitivity")] = airAnswer.mean;
  instruments.forEach((instrument, i) => {
    const place = UNKNOWNS_EACH * cylinders + i;
    const key = instrumentKey(instrument);
    const message = messages.find((one) => instrumentKey(one) === key);
    const precision = 1 / OFFSET_SD[instrument.kind] ** 2 + (message?.precision ?? 0);
    covariance[place * size + place] = 1 / precision;
    mean[place] = (message?.pull ?? 0) / precision;
  });
  return { mean, covariance };
}

/** Doubt added to the cylinders: common and own in the prior's proportion. */
export function addDoubt(
  belief: Belief,
  { size, cylinders }: Layout,
  added: (name: Unknown, cylinder: number) => number,
): Belief {
  const covariance = Float64Array.from(belief.covariance);
  addShared(covariance, size, cylinders, added);
  return { mean: belief.mean, covariance };
}

/**
 * @param lines - of each cylinder (from 0) that the look speaks of
 * @param instrument - place of the error that the look shares with others of its instrument
 * @param shareOf - of each cylinder, adding to 1; equal ones unless given
 * @returns the one line along the long belief
 */
export function lineOver(
  lines: ReadonlyMap<number, Line>,
  { size }: Pick<Layout, "size">,
  instrument?: number,
  shareOf: (cylinder: number) => number = () => 1 / lines.size,
): Line {
  const row = new Float64Array(size);
  let shift = 0;
  for (const [cylinder, line] of lines) {
    const share = shareOf(cylinder);
    shift += share * line.shift;
    line.row.forEach((x, i) => {
      row[cylinder * UNKNOWNS_EACH + i] = share * x;
    });
  }
  if (instrument !== undefined) row[instrument] = 1;
  return { shift, row };
}

/** @returns what is believed of the mean of some cylinders (from 0): of one, of those a carburettor feeds */
export function beliefOver(belief: Belief, cylinders: readonly number[]): Belief {
  const size = belief.mean.length;
  const share = 1 / cylinders.length;
  const mean = new Float64Array(UNKNOWNS_EACH);
  const covariance = new Float64Array(UNKNOWNS_EACH ** 2);
  for (const a of cylinders)
    for (let i = 0; i < UNKNOWNS_EACH; i += 1) {
      mean[i] = (mean[i] ?? 0) + share * (belief.mean[a * UNKNOWNS_EACH + i] ?? 0);
      for (const b of cylinders)
        for (let j = 0; j < UNKNOWNS_EACH; j += 1) {
          const value = belief.covariance[(a * UNKNOWNS_EACH + i) * size + b * UNKNOWNS_EACH + j] ?? 0;
          covariance[i * UNKNOWNS_EACH + j] =
            (covariance[i * UNKNOWNS_EACH + j] ?? 0) + share * share * value;
        }
    }
  return { mean, covariance };
}

/** @returns the line of how far one cylinder (from 0) departs from the mean of the others; two at least */
export function contrastLine(lines: readonly Line[], cylinder: number, layout: Pick<Layout, "size">): Line {
  const own = lines[cylinder];
  if (!own || lines.length < 2)
    throw new RangeError(`cylinder must be one of at least two, got ${cylinder} of ${lines.length}`);
  const mine = lineOver(new Map([[cylinder, own]]), layout);
  const theirs = lineOver(new Map([...lines.entries()].filter(([c]) => c !== cylinder)), layout);
  return { shift: mine.shift - theirs.shift, row: mine.row.map((x, i) => x - (theirs.row[i] ?? 0)) };
}
