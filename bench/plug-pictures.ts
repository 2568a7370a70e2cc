/**
 * Drawn plugs, measured: how long a picture takes, and whether the app's own reader of photos sees the tone that was
 * meant: `npm run bench:pictures -- --plugs 500 --seed 1`. Prints what it measured; asserts nothing.
 */
import { parseArgs } from "node:util";
import { TONES } from "../core/log/parts.ts";
import { toneBand, toneCentre } from "../core/looks/plug-tone.ts";
import { seededRandom } from "../core/numbers/random.ts";
import { patchOf, toneOfColour } from "../core/photo/tone-of-colour.ts";
import { LIGHTS } from "../core/pictures/light.ts";
import type { Picture, Place } from "../core/pictures/picture.ts";
import { plugPicture } from "../core/pictures/plug-picture.ts";
import { BURNS, plugScene } from "../core/pictures/plug-scene.ts";

const SIDE = 400;
const { values } = parseArgs({
  options: { plugs: { type: "string", default: "500" }, seed: { type: "string", default: "1" } },
});
const [plugs, seed] = [Number(values.plugs), Number(values.seed)];

function patch({ pixels, sidePx }: Picture, { x, y }: Place) {
  const side = Math.round(0.02 * sidePx);
  const cut = new Uint8ClampedArray(4 * side * side);
  for (let row = 0; row < side; row += 1) {
    const at = (Math.round(y * sidePx - side / 2) + row) * sidePx + Math.round(x * sidePx - side / 2);
    cut.set(pixels.subarray(4 * at, 4 * (at + side)), 4 * side * row);
  }
  return patchOf(cut);
}

const times: number[] = [];
for (const light of LIGHTS)
  for (const burns of BURNS) {
    const random = seededRandom(seed);
    let [right, far] = [0, 0];
    for (let i = 0; i < plugs; i += 1) {
      const meant = TONES[i % TONES.length] ?? "biscuit";
      const { low, high } = toneBand(meant);
      const half = Number.isFinite(high - low) ? (high - low) / 2 : 0.03;
      // Anywhere in the inner 80 % of its band, as the trainer draws them.
      const error = toneCentre(meant) + 0.8 * half * (2 * random.uniform() - 1);
      const from = performance.now();
      const picture = plugPicture(plugScene(error, { light, burns }), seed * 10_000 + i, SIDE);
      times.push(performance.now() - from);
      const read = toneOfColour(patch(picture, picture.spots.root), patch(picture, picture.spots.paper));
      const off = Math.abs(TONES.indexOf(read.tone) - TONES.indexOf(meant));
      right += off === 0 ? 1 : 0;
      far += off > 1 ? 1 : 0;
    }
    const share = ((100 * right) / plugs).toFixed(1);
    console.log(`${light}, ${burns}: ${share} % as meant of ${plugs}, ${far} two tones off or more`);
  }
times.sort((a, b) => a - b);
const at = (share: number) => (times[Math.floor(share * (times.length - 1))] ?? 0).toFixed(1);
console.log(`a picture of ${SIDE} px: ${at(0)} ms at best, median ${at(0.5)}, 95 % within ${at(0.95)}`);
