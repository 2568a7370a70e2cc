/** A picture as the camera gives it: RGBA bytes, and the finish that lens and sensor put on them. */
import type { Random } from "../numbers/random.ts";
import { requireRange } from "../units/guard.ts";
import { encoded, SENSOR_NOISE } from "./light.ts";

/** A place on a picture, as shares of its width and height. */
export interface Place {
  readonly x: number;
  readonly y: number;
}

export interface Picture {
  /** red, green, blue, alpha, row by row from the top left */
  readonly pixels: Uint8ClampedArray<ArrayBuffer>;
  readonly sidePx: number;
}

const NOISES = 4096;

/** @throws {RangeError} unless the side is a whole number from 40 to 1200 */
export function checkSide(sidePx: number): number {
  requireRange("sidePx", sidePx, 40, 1200);
  if (!Number.isInteger(sidePx)) throw new RangeError(`sidePx must be a whole number, got ${sidePx}`);
  return sidePx;
}

export const smooth = (from: number, to: number, x: number): number => {
  const t = Math.min(1, Math.max(0, (x - from) / (to - from)));
  return t * t * (3 - 2 * t);
};

/** Surfaces are worked out on fewer pixels than the picture has: no lens is sharper, and it takes half the time. */
const INNER = 0.7;
export const innerSide = (sidePx: number): number => Math.round(INNER * sidePx);

/**
 * Lens and sensor: drawn larger by bilinear interpolation, then transfer curve and noise.
 * @param linear - three channels a pixel of a square of {@link innerSide}, exposed, not below 0
 */
export function developed(linear: Float32Array, sidePx: number, random: Random): Picture {
  const inner = innerSide(sidePx);
  const noise = Float32Array.from({ length: NOISES }, () => SENSOR_NOISE * random.normal());
  const pixels = new Uint8ClampedArray(4 * sidePx * sidePx);
  // Where each column lies among the inner ones, and how near to the next; rows are the same.
  const from = new Int32Array(sidePx);
  const share = new Float32Array(sidePx);
  for (let i = 0; i < sidePx; i += 1) {
    const place = Math.min(inner - 1.001, Math.max(0, ((i + 0.5) * inner) / sidePx - 0.5));
    from[i] = Math.floor(place);
    share[i] = place % 1;
  }
  let at = Math.floor(NOISES * random.uniform());
  for (let row = 0, p = 0; row < sidePx; row += 1) {
    const top = 3 * inner * (from[row] ?? 0);
    const down = share[row] ?? 0;
    for (let column = 0; column < sidePx; column += 1, p += 4) {
      // A step that shares no factor with the table's length walks through all of it, another way each row.
      at = (at + 1237 + (p & 4)) & (NOISES - 1);
      const one = noise[at] ?? 0;
      const two = noise[(at + 911) & (NOISES - 1)] ?? 0;
      const i = top + 3 * (from[column] ?? 0);
      const j = i + 3 * inner;
      const right = share[column] ?? 0;
      const d = down * right;
      const c = down - d;
      const b = right - d;
      const a = 1 - down - b;
      pixels[p] =
        encoded(
          a * (linear[i] ?? 0) + b * (linear[i + 3] ?? 0) + c * (linear[j] ?? 0) + d * (linear[j + 3] ?? 0),
        ) + one;
      pixels[p + 1] =
        encoded(
          a * (linear[i + 1] ?? 0) +
            b * (linear[i + 4] ?? 0) +
            c * (linear[j + 1] ?? 0) +
            d * (linear[j + 4] ?? 0),
        ) +
        0.7 * one +
        0.5 * two;
      pixels[p + 2] =
        encoded(
          a * (linear[i + 2] ?? 0) +
            b * (linear[i + 5] ?? 0) +
            c * (linear[j + 2] ?? 0) +
            d * (linear[j + 5] ?? 0),
        ) +
        0.7 * one -
        0.7 * two;
      pixels[p + 3] = 255;
    }
  }
  return { pixels, sidePx };
}
