import type { Tone } from "../log/parts.ts";

/** CIELAB reference colours of the seven porcelain tones and of the app's scale. */
export const TONE_COLOURS: Readonly<Record<Tone, string>> = {
  chalk: "#FBFAF6",
  bone: "#EFE6D2",
  straw: "#E3CB97",
  biscuit: "#C69A5B",
  cocoa: "#8B5A36",
  umber: "#573823",
  soot: "#231C17",
};
