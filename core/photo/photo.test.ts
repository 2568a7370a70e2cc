import { converter } from "culori";
import { TONES } from "../log/parts.ts";
import { seededRandom } from "../numbers/random.ts";
import { TONE_COLOURS } from "./tone-colours.ts";
import { patchOf, toneOfColour, type Patch } from "./tone-of-colour.ts";

const WHITE = { red: 243, green: 243, blue: 243 };
const toRgb = converter("rgb");
const toLinear = converter("lrgb");

/** A colour as a camera sees it under coloured light: by the second way, light times surface. */
function under(light: readonly [number, number, number], hex: string): Patch {
  const surface = toLinear(hex)!;
  const seen = toRgb({
    mode: "lrgb",
    r: surface.r * light[0],
    g: surface.g * light[1],
    b: surface.b * light[2],
  });
  return { red: 255 * seen.r, green: 255 * seen.g, blue: 255 * seen.b };
}
const paper = "#F3F3F3"; // gives back 0.9 of the light

describe("a tone from a photo", () => {
  it("is each tone's own under white light, and surely so", () => {
    for (const tone of TONES) {
      const read = toneOfColour(
        { ...under([1, 1, 1], TONE_COLOURS[tone]), unevenness: 0 },
        under([1, 1, 1], paper),
      );
      expect(read.tone).toBe(tone);
      expect(read.sure).toBeGreaterThan(0.5);
      expect(read.doubts).toEqual([]);
    }
  });
  it("stays the same by lamp light, in the shade, and half as bright: the paper says what white is", () => {
    for (const light of [
      [1, 0.8, 0.55],
      [0.75, 0.85, 1],
      [0.4, 0.4, 0.4],
    ] as const)
      for (const tone of ["bone", "biscuit", "umber"] as const) {
        const read = toneOfColour(
          { ...under(light, TONE_COLOURS[tone]), unevenness: 0 },
          under(light, paper),
        );
        expect(read.tone).toBe(tone);
      }
  });
  it("is less sure of an uneven patch, and says so", () => {
    const patch = under([1, 1, 1], TONE_COLOURS.biscuit);
    const [even, uneven] = [0, 14].map((unevenness) => toneOfColour({ ...patch, unevenness }, WHITE));
    expect(uneven!.sure).toBeLessThan(even!.sure);
    expect(uneven!.doubts).toEqual(["uneven"]);
  });
  it("doubts a white that is dark, burnt out or coloured, and a colour like no porcelain", () => {
    const patch = { ...under([1, 1, 1], TONE_COLOURS.biscuit), unevenness: 0 };
    const doubts = (white: Patch) => toneOfColour(patch, white).doubts;
    expect(doubts({ red: 60, green: 60, blue: 60 })).toContain("whiteTooDark");
    expect(doubts({ red: 255, green: 255, blue: 255 })).toContain("whiteBurntOut");
    expect(doubts({ red: 240, green: 120, blue: 90 })).toContain("whiteColoured");
    expect(toneOfColour({ red: 20, green: 40, blue: 250, unevenness: 0 }, WHITE).doubts).toContain(
      "noneAlike",
    );
  });
  it("averages its pixels and measures how they stray", () => {
    const random = seededRandom(9);
    const flat = patchOf(Uint8ClampedArray.from([100, 110, 120, 255, 100, 110, 120, 255]));
    expect(flat).toEqual({ red: 100, green: 110, blue: 120, unevenness: 0 });
    const noisy = patchOf(
      Uint8ClampedArray.from({ length: 400 }, (_, i) => (i % 4 === 3 ? 255 : 120 + 30 * random.normal())),
    );
    expect(noisy.unevenness).toBeGreaterThan(5);
    expect(() => patchOf(new Uint8ClampedArray(0))).toThrow("patch must have at least 1 pixel");
  });
  it("refuses colours that are none", () => {
    expect(() => toneOfColour({ red: NaN, green: 0, blue: 0, unevenness: 0 }, WHITE)).toThrow(
      "porcelain must be in 0..255, got NaN",
    );
  });
});
