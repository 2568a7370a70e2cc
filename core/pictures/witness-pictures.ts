/**
 * Renders the two looser witnesses of a mixture: the piston's crown through the plug hole, and the inside of the header
 * at its spigot. Flat shading, seeded, no DOM.
 */
import { seededRandom } from "../numbers/random.ts";
import { requireRange } from "../units/guard.ts";
import { Grain } from "./grain.ts";
import { lightOf, type LightName } from "./light.ts";
import { checkSide, developed, innerSide, smooth, type Picture } from "./picture.ts";
import type { Burns } from "./plug-scene.ts";
import { ALUMINIUM, Deposits, METAL, SOOT, type Rgb } from "./surfaces.ts";

export interface WitnessScene {
  /** mixture error of the run, log, + lean */
  readonly error: number;
  readonly burns: Burns;
  readonly light: LightName;
}

const colour = new Float64Array(3);
function mix(other: Rgb, share: number): void {
  for (let c = 0; c < 3; c += 1) colour[c] = (1 - share) * (colour[c] ?? 0) + share * (other[c] ?? 0);
}

/** A place of the picture (-1..1 each way) gets its colour into `colour`. @returns the share of light that reaches it */
type Paint = (a: number, b: number, grain: Grain, deposits: Deposits) => number;

/** The carbon's island: washed clean from the ports inwards where it is rich, dry to the edge where it is lean. */
const crown =
  (error: number): Paint =>
  (a, b, grain, deposits) => {
    const r = Math.sqrt(a * a + b * b);
    if (r > 0.92) {
      colour.set(METAL);
      return 0.25 + 0.1 * grain.at(6 * a, 6 * b);
    }
    // Four ports wash it, so its edge goes in and out.
    const ports = Math.cos(4 * Math.atan2(b, a) + 0.6);
    const washed = Math.min(0.75, Math.max(0, 0.24 - 2.4 * error)) * (0.8 + 0.3 * ports);
    const island = 0.92 - washed + 0.05 * grain.at(5 * a + 3, 5 * b);
    deposits.at(error - 0.05 + 0.02 * grain.at(4 * a, 4 * b), colour);
    mix(SOOT, 0.35 + 0.2 * grain.at(9 * a, 9 * b));
    mix(ALUMINIUM, 0.92 * smooth(island - 0.04, island + 0.04, r));
    const shine = 1 + 0.1 * grain.at(30 * a, 30 * b);
    return shine * (1 - 0.35 * smooth(0.6, 0.92, r));
  };

/** The pipe looked into: its rim, and the wall that carries the colour. */
const header =
  (error: number): Paint =>
  (a, b, grain, deposits) => {
    const r = Math.sqrt(a * a + b * b);
    if (r > 0.95) {
      colour.set(SOOT);
      return 1 + 0.4 * grain.at(3 * a, 3 * b);
    }
    if (r > 0.82) {
      colour.set(METAL);
      return 0.9 + 0.15 * grain.at(20 * a, 20 * b);
    }
    deposits.at(error + 0.012 * grain.at(6 * a, 6 * b), colour);
    for (let c = 0; c < 3; c += 1) colour[c] = (colour[c] ?? 0) * (1 + 0.06 * grain.at(28 * a, 28 * b));
    // It darkens towards its depth.
    return 0.06 + 0.94 * smooth(0.1, 0.8, r);
  };

function picture({ burns, light: name }: WitnessScene, seed: number, sidePx: number, paint: Paint): Picture {
  checkSide(sidePx);
  const random = seededRandom(seed);
  const light = lightOf(name, random);
  const grain = new Grain(Math.floor(2 ** 31 * random.uniform()));
  const deposits = Deposits.of(burns);
  const side = innerSide(sidePx);
  const linear = new Float32Array(3 * side * side);
  const by = 0.8 / (light.ambient[1] + 0.8 * light.direct[1]);
  for (let row = 0, i = 0; row < side; row += 1)
    for (let column = 0; column < side; column += 1, i += 3) {
      const falls = by * paint((2 * column) / side - 1, 1 - (2 * row) / side, grain, deposits);
      for (let c = 0; c < 3; c += 1)
        linear[i + c] =
          Math.max(0, colour[c] ?? 0) * falls * ((light.ambient[c] ?? 0) + 0.8 * (light.direct[c] ?? 0));
    }
  return developed(linear, sidePx, random);
}

/**
 * The piston's crown, lit through the plug hole.
 * @param seed - any whole number
 * @throws {RangeError} for an error beyond ± 1, or a side that is no whole number from 40 to 1200
 */
export function crownPicture(scene: WitnessScene, seed: number, sidePx = 300): Picture {
  return picture(scene, seed, sidePx, crown(requireRange("error", scene.error, -1, 1)));
}

/** The inside of the header or its spigot; the same terms as {@link crownPicture}. */
export function headerPicture(scene: WitnessScene, seed: number, sidePx = 300): Picture {
  return picture(scene, seed, sidePx, header(requireRange("error", scene.error, -1, 1)));
}
