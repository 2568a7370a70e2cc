/** How parts, zones, tones and chances are called on screen. */
import type { Zone } from "#core/carburettor/zones.ts";
import type { Part, Tone } from "#core/log/parts.ts";
import { formatOrdinal } from "#core/units/workshop.ts";
import { formatTurns } from "#app/vocabulary/numerals.ts";

export const PART_NAMES: Readonly<Record<Part, string>> = {
  pilot: "Pilot",
  screwTurns: "Screw",
  clip: "Clip",
  main: "Main",
  shimMm: "Shims",
};

const IN_A_SENTENCE: Readonly<Record<Part, string>> = {
  pilot: "pilot jet",
  screwTurns: "mixture screw",
  clip: "clip",
  main: "main jet",
  shimMm: "shims",
};
export const partInSentence = (part: Part): string => IN_A_SENTENCE[part];

export const ZONE_NAMES: Readonly<Record<Zone, string>> = {
  idle: "Idle",
  low: "Just off idle",
  mid: "Middle",
  top: "Full throttle",
};
export const zoneInSentence = (zone: Zone): string => ZONE_NAMES[zone].toLowerCase();

const AT_ZONE: Readonly<Record<Zone, string>> = {
  idle: "at idle",
  low: "just off idle",
  mid: "in the middle",
  top: "at full throttle",
};
/** @returns where on the throttle something shows: `in the middle` */
export const atZone = (zone: Zone): string => AT_ZONE[zone];

export const ZONE_OPENINGS: Readonly<Record<Zone, string>> = {
  idle: "shut to ⅛",
  low: "⅛ to ¼",
  mid: "¼ to ¾",
  top: "¾ to open",
};

/** What each tone says, in the words a tuner uses. */
export const TONE_MEANINGS: Readonly<Record<Tone, string>> = {
  chalk: "far too lean",
  bone: "lean",
  straw: "a little lean",
  biscuit: "right",
  cocoa: "a little rich",
  umber: "rich",
  soot: "far too rich",
};

/** @returns a part's value as it is stamped or counted: `152`, `1 ¾`, `2nd`, `0.3 mm` */
export function partValue(part: Part, value: number): string {
  switch (part) {
    case "pilot":
    case "main":
      return String(value);
    case "screwTurns":
      return formatTurns(value);
    case "clip":
      return formatOrdinal(value);
    case "shimMm":
      return value === 0 ? "none" : `${value} mm`;
  }
}

/** The same with what it needs to stand alone: `1 ¾ turns`, `2nd from the top`. */
export function partValueInFull(part: Part, value: number): string {
  const plain = partValue(part, value);
  if (part === "screwTurns") return `${plain} ${value === 1 ? "turn" : "turns"}`;
  return part === "clip" ? `${plain} groove` : plain;
}

/** Doubt is shown as the band that holds the truth with 80 % chance. */
export const DOUBT_SDS = 1.2816;

export const percentWords = (chance: number): string => {
  const whole = Math.round(100 * chance);
  if (whole >= 99) return "99 %";
  return whole <= 0 ? "under 1 %" : `${whole} %`;
};

const CERTAINTY = [
  [90, "sure"],
  [75, "likely"],
  [50, "maybe"],
] as const;

/** Certainty in words with the number. */
export function certainty(chance: number): string {
  // The word follows the number as shown, or 89.6 % would be "likely (90 %)" beside "sure (90 %)".
  const shown = Math.round(100 * chance);
  const word = CERTAINTY.find(([least]) => shown >= least)?.[1] ?? "not sure";
  return `${word} (${percentWords(chance)})`;
}

/** @returns `1.2 %` or `4 %` */
export const sizeWords = (percent: number): string =>
  `${percent < 1.95 ? Number(percent.toFixed(1)) : Math.round(percent)} %`;

/** @returns `2 % leaner`, how a change moves the mixture */
export const shiftWords = (shift: number): string =>
  `${sizeWords(Math.abs(100 * shift))} ${shift > 0 ? "leaner" : "richer"}`;

/** @returns `4 % rich`, `2 % lean`, or `right` when it is too small to name */
export function mixtureWords(error: number, smallest = 0.01): string {
  if (Math.abs(error) < smallest) return "right";
  return `${sizeWords(Math.abs(100 * error))} ${error > 0 ? "lean" : "rich"}`;
}

/** The first letter of a sentence. */
export const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
