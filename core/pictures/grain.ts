/** Value noise on a lattice, from a seed: the grain of a surface, the same on every machine. */
import { seededRandom } from "../numbers/random.ts";

const SIDE = 64;
const MASK = SIDE - 1;

/** A class, so that every picture's grain runs the same compiled code. */
export class Grain {
  private readonly lattice: Float32Array;

  /** @param seed - any whole number */
  constructor(seed: number) {
    const { uniform } = seededRandom(seed);
    this.lattice = Float32Array.from({ length: SIDE * SIDE }, () => 2 * uniform() - 1);
  }

  /** @returns -1..1, smooth over one unit of `x` and `y` */
  at(x: number, y: number): number {
    const { lattice } = this;
    // Called several times a pixel: plain variables, for a pair in an array would be made anew each time.
    const i = Math.floor(x);
    const j = Math.floor(y);
    const u = x - i;
    const v = y - j;
    const su = u * u * (3 - 2 * u);
    const sv = v * v * (3 - 2 * v);
    const row = (j & MASK) * SIDE;
    const next = ((j + 1) & MASK) * SIDE;
    const left = i & MASK;
    const right = (i + 1) & MASK;
    const a = lattice[row + left] ?? 0;
    const b = lattice[row + right] ?? 0;
    const c = lattice[next + left] ?? 0;
    const d = lattice[next + right] ?? 0;
    return a + su * (b - a) + sv * (c + su * (d - c) - a - su * (b - a));
  }
}
