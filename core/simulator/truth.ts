/**
 * True parameters of the simulated engines, plugs, sensors and riders: literals, written down once. None comes from
 * the judge: whoever edits what the judge believes must not move the truth along with it.
 */
import type { Felt } from "../log/readings/ride-report.ts";
import type { Tone } from "../log/parts.ts";

/** Sd of what an engine departs from the model by, log mixture of a path or zone; the last four are factors. */
export const TRUE_SD = {
  pilot: 0.1,
  needle: 0.08,
  main: 0.08,
  idle: 0.02,
  low: 0.04,
  mid: 0.02,
  top: 0.02,
  airSensitivity: 0.15,
  screwWorth: 0.25,
  clipWorth: 0.25,
  mainWorth: 0.1,
} as const;

/** How far a setting that is called so is from right, if the word is this engine's. */
export const WORD = {
  book: { mean: -0.01, sd: 0.05 },
  ranWell: { mean: 0, sd: 0.035 },
  measured: { mean: 0, sd: 0.02 },
} as const;

/** One word in so many is another machine's: the setting is a guess after all. */
export const WRONG_WORD_ONE_IN = { book: 6, ranWell: 10, measured: 30 } as const;

/** What a month of use moves each zone by. */
export const DRIFT_SD_PER_MONTH = 0.01;

/** Own error of each instrument, the same in all that it shows. */
export const INSTRUMENT_SD = { plug: 0.02, lambda: 0.015, idle: 0.015, ride: 0.02, heat: 0.03 } as const;

/** A plug read clean, a sensor well inside the pipe, and alcohol, which leaves little colour. */
export const PLUG_SD = 0.03;
export const SENSOR_SD = 0.015;
export const METHANOL_FACTOR = 2.5;

const TONE_FROM: readonly (readonly [Tone, number])[] = [
  ["chalk", 0.14],
  ["bone", 0.08],
  ["straw", 0.03],
  ["biscuit", -0.03],
  ["cocoa", -0.08],
  ["umber", -0.14],
];

/** @returns the tone that a mixture error shows */
export const toneShown = (error: number): Tone => TONE_FROM.find(([, from]) => error > from)?.[0] ?? "soot";

/** @returns what a hand on the throttle calls a mixture error */
export const feltAs = (error: number): Felt => (error > 0.05 ? "lean" : error < -0.05 ? "rich" : "clean");
