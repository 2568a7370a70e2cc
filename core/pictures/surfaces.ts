/** Reflectance of deposits by mixture error, linear sRGB: lightness alone carries the tone, hue and chroma only dress it. */
import { converter } from "culori";
import type { Burns } from "./plug-scene.ts";

/** Linear reflectance of the three channels, 0..1. */
export type Rgb = readonly [number, number, number];

const CHROMA: Readonly<Record<Burns, number>> = { twoStroke: 1, fourStroke: 0.88, methanol: 0.4 };

/** Mixture error (log, + lean) against CIELAB lightness, chroma and hue of the deposit on porcelain. */
const DEPOSITS: readonly (readonly [error: number, lightness: number, chroma: number, hue: number])[] = [
  [0.24, 98.5, 1, 95],
  [0.17, 97.5, 2, 94],
  [0.11, 91.5, 10, 90],
  [0.055, 82, 28, 84],
  [0, 67, 37, 73],
  [-0.055, 44, 30, 61],
  [-0.11, 27.5, 19, 58],
  [-0.17, 12, 5, 60],
  [-0.24, 7, 2, 60],
];
const ENDS = 0.24;
const STEPS = 96;
const toLinear = converter("lrgb");

/** @returns linear sRGB of a CIELAB (D65) colour, cut to what a surface can give back */
function linearOf(lightness: number, chroma: number, hue: number): Rgb {
  const { r, g, b } = toLinear({ mode: "lch65", l: lightness, c: chroma, h: hue });
  const cut = (channel: number) => Math.min(0.95, Math.max(0.004, channel));
  return [cut(r), cut(g), cut(b)];
}

function depositAt(error: number, burns: Burns): Rgb {
  const e = Math.min(ENDS, Math.max(-ENDS, error));
  const i = Math.max(
    1,
    DEPOSITS.findIndex(([at]) => at <= e),
  );
  const [a, b] = [DEPOSITS[i - 1], DEPOSITS[i]];
  if (!a || !b) throw new RangeError(`deposits must cover an error of ${error}`);
  const share = (a[0] - e) / (a[0] - b[0]);
  const between = (k: 1 | 2 | 3) => a[k] + share * (b[k] - a[k]);
  return linearOf(between(1), CHROMA[burns] * between(2), between(3));
}

/** Reflectance over mixture error as a table of 3 × (STEPS + 1) numbers, from `-ENDS` to `ENDS`. */
export class Deposits {
  private readonly table = new Float32Array(3 * (STEPS + 1));

  private constructor(burns: Burns) {
    for (let i = 0; i <= STEPS; i += 1)
      this.table.set(depositAt((2 * ENDS * i) / STEPS - ENDS, burns), 3 * i);
  }

  private static readonly kept = new Map<Burns, Deposits>();
  /** @returns the ramp of a fuel, worked out once */
  static of(burns: Burns): Deposits {
    const deposits = Deposits.kept.get(burns) ?? new Deposits(burns);
    Deposits.kept.set(burns, deposits);
    return deposits;
  }

  /** Writes the reflectance of a mixture error into `to`; beyond ± 24 % it stays as it is there. */
  at(error: number, to: Float64Array): void {
    const { table } = this;
    const place = ((Math.min(ENDS, Math.max(-ENDS, error)) + ENDS) / (2 * ENDS)) * STEPS;
    const i = Math.min(STEPS - 1, Math.floor(place));
    const share = place - i;
    const at = 3 * i;
    to[0] = (1 - share) * (table[at] ?? 0) + share * (table[at + 3] ?? 0);
    to[1] = (1 - share) * (table[at + 1] ?? 0) + share * (table[at + 4] ?? 0);
    to[2] = (1 - share) * (table[at + 2] ?? 0) + share * (table[at + 5] ?? 0);
  }
}

export const METAL: Rgb = [0.42, 0.41, 0.39];
export const SOOT: Rgb = [0.012, 0.011, 0.01];
/** White paper gives back so much of every colour. */
export const PAPER = 0.9;
export const ALUMINIUM: Rgb = [0.5, 0.5, 0.49];
