import { TONES, type PlugFinding } from "../log/parts.ts";
import { toneCentre, toneOf } from "../looks/plug-tone.ts";
import { seededRandom } from "../numbers/random.ts";
import { patchOf, toneOfColour } from "../photo/tone-of-colour.ts";
import type { LightName } from "./light.ts";
import type { Picture, Place } from "./picture.ts";
import { plugPicture } from "./plug-picture.ts";
import { plugScene, type PlugScene } from "./plug-scene.ts";
import { crownPicture, headerPicture } from "./witness-pictures.ts";

const SIDE = 160;

/** A patch as the photo reader takes it. */
function patch({ pixels, sidePx }: Picture, { x, y }: Place, side = Math.max(3, Math.round(0.02 * sidePx))) {
  const [left, top] = [x, y].map((share) => Math.round(share * sidePx - side / 2)) as [number, number];
  const cut = new Uint8ClampedArray(4 * side * side);
  for (let row = 0; row < side; row += 1) {
    const from = 4 * ((top + row) * sidePx + left);
    cut.set(pixels.subarray(from, from + 4 * side), 4 * side * row);
  }
  return patchOf(cut);
}
const lightness = (picture: Picture, place: Place): number => {
  const { red, green, blue } = patch(picture, place);
  return 0.2126 * red + 0.7152 * green + 0.0722 * blue;
};

/** @returns how far off the app's own reader of photos is, in tones, for plugs of all tones */
function readOff(count: number, light: LightName, seed: number): number[] {
  const random = seededRandom(seed);
  return Array.from({ length: count }, (_, i) => {
    const meant = TONES[i % TONES.length]!;
    // Anywhere in the inner 60 % of its band: nearer to the edge two words are right.
    const error = toneCentre(meant) + 0.6 * 0.027 * (2 * random.uniform() - 1);
    expect(toneOf(error)).toBe(meant);
    const burns = random.uniform() < 0.5 ? "twoStroke" : "fourStroke";
    const picture = plugPicture(plugScene(error, { light, burns }), seed + i, SIDE);
    const read = toneOfColour(patch(picture, picture.spots.root), patch(picture, picture.spots.paper));
    return TONES.indexOf(read.tone) - TONES.indexOf(meant);
  });
}
const share = (offs: readonly number[]) => offs.filter((off) => off === 0).length / offs.length;

describe("a drawn plug, held against the app's own reader of photos", () => {
  it("in shade shows the tone that was meant in 95 of 100, never two off", () => {
    const offs = readOff(500, "shade", 11);
    expect(share(offs)).toBeGreaterThanOrEqual(0.95);
    expect(Math.max(...offs.map(Math.abs))).toBeLessThan(2);
  });
  it.each(["sun", "lamp"] as const)("in %s light with the paper tapped in 85 of 100", (light) => {
    expect(share(readOff(210, light, 12))).toBeGreaterThanOrEqual(0.85);
  });
});

describe("a drawn plug", () => {
  const draw = (scene: Partial<PlugScene>, error = 0, seed = 3) =>
    plugPicture(plugScene(error, scene), seed, SIDE);

  it("is the same for the same seed, another for another", () => {
    expect(draw({}).pixels).toEqual(draw({}).pixels);
    expect(draw({}).pixels).not.toEqual(draw({}, 0, 4).pixels);
  });
  it("carries the tone by lightness alone, whatever is burnt", () => {
    for (const burns of ["twoStroke", "fourStroke", "methanol"] as const) {
      const seen = TONES.map((tone) => {
        const picture = draw({ burns }, toneCentre(tone));
        return lightness(picture, picture.spots.root);
      });
      for (let i = 1; i < seen.length; i += 1) expect(seen[i]!).toBeLessThan(seen[i - 1]! - 8);
    }
  });
  it("shows each place its own tone", () => {
    const shows = { root: 0.05, face: -0.05, strap: 0, ring: -0.12 };
    const picture = draw({ shows });
    const at = picture.spots;
    expect(lightness(picture, at.root)).toBeGreaterThan(lightness(picture, at.face) + 20);
    expect(lightness(picture, at.face)).toBeGreaterThan(lightness(picture, at.ring) + 15);
  });
  it("breaks the strap's colour nearer its end the colder the plug", () => {
    // Along the strap, from the weld to the end, how much of it is burnt clean.
    const burnt = (colderSteps: number) => {
      const picture = plugPicture(plugScene(0, { colderSteps }), 6, 400);
      const from = picture.spots.strap;
      return lightness(picture, { x: from.x, y: from.y });
    };
    expect(burnt(-1)).toBeGreaterThan(burnt(1) + 5);
  });
  it.each(["wet", "glazed", "specks", "oily"] as const)(
    "looks otherwise when it is %s",
    (finding: PlugFinding) => {
      const [plain, found] = [draw({}), draw({ findings: [finding] })];
      const differing = plain.pixels.filter((value, i) => Math.abs(value - found.pixels[i]!) > 12).length;
      expect(differing).toBeGreaterThan(200);
    },
  );
  it("that was rolled off wears the idle's colour in patches", () => {
    const even = (picture: ReturnType<typeof draw>) => patch(picture, picture.spots.root, 14).unevenness;
    expect(even(draw({ painted: -0.15 }, 0.05))).toBeGreaterThan(3 * even(draw({}, 0.05)));
  });
  it("refuses what cannot be drawn", () => {
    expect(() => plugPicture(plugScene(NaN), 1)).toThrow("shows.root must be in -1..1, got NaN");
    expect(() => plugPicture(plugScene(0, { colderSteps: 9 }), 1)).toThrow(RangeError);
    for (const side of [0, 39, 1201, 100.5, NaN])
      expect(() => plugPicture(plugScene(0), 1, side)).toThrow(RangeError);
  });
});

describe("the other witnesses", () => {
  const bright = ({ pixels, sidePx }: Picture, from: number, to: number) => {
    let [sum, count] = [0, 0];
    for (let i = 0; i < sidePx * sidePx; i += 1) {
      const r = Math.hypot((2 * (i % sidePx)) / sidePx - 1, 1 - (2 * Math.floor(i / sidePx)) / sidePx);
      if (r < from || r > to) continue;
      sum += pixels[4 * i + 1] ?? 0;
      count += 1;
    }
    return sum / count;
  };
  const scene = (error: number) => ({ error, burns: "twoStroke", light: "shade" }) as const;
  it("a crown is washed at its edge when rich, an island when right, dry when lean", () => {
    const edge = [-0.12, 0, 0.12].map((error) => {
      const picture = crownPicture(scene(error), 5, SIDE);
      return bright(picture, 0.72, 0.88) - bright(picture, 0, 0.3);
    });
    expect(edge[0]!).toBeGreaterThan(edge[1]!);
    expect(edge[1]!).toBeGreaterThan(edge[2]! + 20);
  });
  it("a header's wall is darker the richer it ran", () => {
    const [lean, right, rich] = [0.15, 0, -0.15].map((error) =>
      bright(headerPicture(scene(error), 5, SIDE), 0.6, 0.8),
    );
    expect(lean!).toBeGreaterThan(right! + 20);
    expect(right!).toBeGreaterThan(rich! + 20);
  });
  it("refuse an error that is none", () => {
    expect(() => crownPicture(scene(NaN), 1)).toThrow(RangeError);
    expect(() => headerPicture(scene(2), 1)).toThrow(RangeError);
  });
});
