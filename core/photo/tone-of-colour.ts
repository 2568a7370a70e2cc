/**
 * Classifies a plug's tone from a photo: the porcelain's colour against something white in the same light, compared
 * with the seven tones in CIELAB by CIEDE2000 (CIE 142-2001).
 */
import { converter, differenceCiede2000, formatHex, type Rgb } from "culori";
import { TONES, type Tone } from "../log/parts.ts";
import { requireRange } from "../units/guard.ts";
import { TONE_COLOURS } from "./tone-colours.ts";

/** Mean colour of a patch of a photo, sRGB 0..255, and how far its pixels stray from it (CIEDE2000). */
export interface Patch {
  readonly red: number;
  readonly green: number;
  readonly blue: number;
}

export interface ToneRead {
  readonly tone: Tone;
  /** chance of that tone, 0..1 */
  readonly sure: number;
  /** the next likely one */
  readonly else: Tone;
  /** the patch as it would look under white light, `#rrggbb` */
  readonly corrected: string;
  /** how far the patch's pixels stray from its mean, CIEDE2000 */
  readonly unevenness: number;
  /** what makes the photo a poor witness */
  readonly doubts: readonly PhotoDoubt[];
}
export type PhotoDoubt = "whiteTooDark" | "whiteBurntOut" | "whiteColoured" | "uneven" | "noneAlike";

const linear = converter("lrgb");
const lab = converter("lab65");
const difference = differenceCiede2000();

/** Paper gives back so much of the light. */
const PAPER = 0.9;
/** A reader's eye and two cameras differ by about this much, CIEDE2000. */
const CAMERA_ERROR = 6;
const UNEVEN = 8;
/** Further than this from every tone is no porcelain. */
const NONE_ALIKE = 25;
/** sRGB of the white reference, 0..255. */
const WHITE_DARK = 90;
const WHITE_BURNT = 253;
/** Channels of something white differ by less, as a ratio; more is coloured light or no white. */
const WHITE_COLOURED = 1.8;

function colourOf({ red, green, blue }: Patch, name: string): Rgb {
  const channel = (value: number) => requireRange(name, value, 0, 255) / 255;
  return { mode: "rgb", r: channel(red), g: channel(green), b: channel(blue) };
}

const REFERENCES = TONES.map((tone) => ({ tone, colour: lab(TONE_COLOURS[tone]) ?? TONE_COLOURS[tone] }));

/** @returns the colour under light in which the reference is white */
function balanced(patch: Rgb, white: Rgb): Rgb {
  const [p, w] = [linear(patch), linear(white)];
  const channel = (value: number, reference: number) =>
    Math.min(1, (PAPER * value) / Math.max(reference, 1e-3));
  const corrected = {
    mode: "lrgb" as const,
    r: channel(p.r, w.r),
    g: channel(p.g, w.g),
    b: channel(p.b, w.b),
  };
  return converter("rgb")(corrected);
}

/** Means and spread of a patch given pixel by pixel, as red, green, blue, alpha. */
export function patchOf(pixels: Uint8ClampedArray): Patch & { unevenness: number } {
  if (pixels.length < 4) throw new RangeError(`patch must have at least 1 pixel, got ${pixels.length / 4}`);
  const count = pixels.length / 4;
  const sums = [0, 0, 0];
  for (let i = 0; i < pixels.length; i += 4)
    for (let c = 0; c < 3; c += 1) sums[c] = (sums[c] ?? 0) + (pixels[i + c] ?? 0);
  const [red = 0, green = 0, blue = 0] = sums.map((sum) => sum / count);
  const mean = colourOf({ red, green, blue }, "red, green, blue");
  let strayed = 0;
  for (let i = 0; i < pixels.length; i += 4) {
    const pixel = { red: pixels[i] ?? 0, green: pixels[i + 1] ?? 0, blue: pixels[i + 2] ?? 0 };
    strayed += difference(mean, colourOf(pixel, "red, green, blue"));
  }
  return { red, green, blue, unevenness: strayed / count };
}

function whiteDoubts({ red, green, blue }: Patch): PhotoDoubt[] {
  const [low, high] = [Math.min(red, green, blue), Math.max(red, green, blue)];
  return [
    ...(high < WHITE_DARK ? (["whiteTooDark"] as const) : []),
    ...(low > WHITE_BURNT ? (["whiteBurntOut"] as const) : []),
    ...(high > WHITE_COLOURED * Math.max(1, low) ? (["whiteColoured"] as const) : []),
  ];
}

/**
 * @param patch - of the porcelain near its root, with its unevenness
 * @param white - of paper or a white rag in the same light
 * @throws {RangeError} for channels outside 0..255
 */
export function toneOfColour(patch: Patch & { readonly unevenness: number }, white: Patch): ToneRead {
  const corrected = balanced(colourOf(patch, "porcelain"), colourOf(white, "white"));
  const blur = Math.hypot(CAMERA_ERROR, patch.unevenness);
  const far = REFERENCES.map(({ tone, colour }) => ({ tone, distance: difference(corrected, colour) }));
  const nearest = Math.min(...far.map(({ distance }) => distance));
  const weighed = far.map(({ tone, distance }) => ({
    tone,
    weight: Math.exp((-0.5 * (distance ** 2 - nearest ** 2)) / blur ** 2),
  }));
  const total = weighed.reduce((sum, { weight }) => sum + weight, 0);
  const [first, second] = [...weighed].sort((a, b) => b.weight - a.weight);
  if (!first || !second) throw new RangeError("tones must be at least 2");
  return {
    tone: first.tone,
    sure: first.weight / total,
    else: second.tone,
    corrected: formatHex(corrected),
    unevenness: patch.unevenness,
    doubts: [
      ...whiteDoubts(white),
      ...(patch.unevenness > UNEVEN ? (["uneven"] as const) : []),
      ...(nearest > NONE_ALIKE ? (["noneAlike"] as const) : []),
    ],
  };
}
