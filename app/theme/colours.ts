/**
 * Paper, ink and brass, by day, in the sun and by night: the same roles in all. Brass is what can be pressed, petrol
 * what is chosen, signal is danger and never stands without an icon and words. The layers of who feeds are
 * neutral, so that brass and petrol keep their meaning.
 */
export interface Colours {
  readonly paper: string;
  readonly sheet: string;
  readonly ink: string;
  readonly quiet: string;
  readonly hairline: string;
  readonly brass: string;
  readonly onBrass: string;
  readonly petrol: string;
  readonly petrolWash: string;
  readonly signal: string;
  readonly corridor: string;
  readonly doubt: string;
  readonly hatch: string;
  readonly layerPilot: string;
  readonly onLayerPilot: string;
  readonly layerNeedle: string;
  readonly onLayerNeedle: string;
  readonly layerMain: string;
  readonly onLayerMain: string;
}

export const DAY: Colours = {
  paper: "#F7F3EA",
  sheet: "#FFFEF9",
  ink: "#1D1A15",
  quiet: "#595346",
  hairline: "#D8D0BC",
  brass: "#8A5A0B",
  onBrass: "#FFFFFF",
  petrol: "#12485E",
  petrolWash: "#E1EBEC",
  signal: "#B23A00",
  corridor: "#E3E2CC",
  doubt: "rgba(29, 26, 21, 0.16)",
  hatch: "rgba(178, 58, 0, 0.24)",
  layerPilot: "#4A4E49",
  onLayerPilot: "#FFFFFF",
  layerNeedle: "#AEB8B0",
  onLayerNeedle: "#1D1A15",
  layerMain: "#D9C79E",
  onLayerMain: "#1D1A15",
};

export const NIGHT: Colours = {
  paper: "#151410",
  sheet: "#1D1B17",
  ink: "#F5EEDD",
  quiet: "#B9B09C",
  hairline: "#3A362D",
  brass: "#E0A640",
  onBrass: "#1D1A15",
  petrol: "#7FB9CF",
  petrolWash: "#20333C",
  signal: "#FF8552",
  corridor: "#2B2A1F",
  doubt: "rgba(245, 238, 221, 0.18)",
  hatch: "rgba(255, 133, 82, 0.28)",
  layerPilot: "#9AA39C",
  onLayerPilot: "#1D1A15",
  layerNeedle: "#4B534E",
  onLayerNeedle: "#F5EEDD",
  layerMain: "#6B5A38",
  onLayerMain: "#F5EEDD",
};

/** In full sun: white and black, nothing pale; what can be pressed and what is chosen are deep. */
export const SUN: Colours = {
  ...DAY,
  paper: "#FFFFFF",
  sheet: "#FFFFFF",
  ink: "#000000",
  quiet: "#1A1712",
  hairline: "#6B655A",
  brass: "#553400",
  petrol: "#06324A",
  petrolWash: "#CFE3EA",
  signal: "#7D2200",
  corridor: "#D2D0A6",
  doubt: "rgba(0, 0, 0, 0.26)",
  hatch: "rgba(138, 38, 0, 0.42)",
  layerPilot: "#2B2E2B",
  layerNeedle: "#93A098",
  layerMain: "#CDB269",
  onLayerNeedle: "#000000",
  onLayerMain: "#000000",
};

/** The tones of a plug are the same in every light: they are outlined in ink and carry their word. */
export { TONE_COLOURS } from "#core/photo/tone-colours.ts";

/** Tones on which dark ink can be read. */
export const LIGHT_TONES: ReadonlySet<string> = new Set(["chalk", "bone", "straw", "biscuit"]);

/** @returns the roles as CSS variables, `--paper` and so on */
export function cssVariables(colours: Colours): Record<string, string> {
  return Object.fromEntries(
    Object.entries(colours).map(([name, value]) => [
      `--${name.replace(/[A-Z]/g, (letter) => `-${letter.toLowerCase()}`)}`,
      String(value),
    ]),
  );
}
