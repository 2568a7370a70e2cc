/** Parts that are swapped, in words. */
import type { BenchPart, BenchPartKind } from "#core/log/part-schema.ts";
import { shortest } from "#app/vocabulary/numerals.ts";

export const PART_KIND_NAMES: Readonly<Record<BenchPartKind, string>> = {
  needle: "Needle",
  needleJet: "Needle jet",
  slide: "Slide",
  airJet: "Air jet",
  emulsionTube: "Emulsion tube",
  slideSpring: "Slide spring",
};

/** Measures of parts, to the micrometer. */
export const mm = (value: number): string => `${shortest(value, 3)} mm`;

/** Its measure, as one line: what tells it from the next of its kind. */
export function partMeasure(part: BenchPart): string {
  switch (part.kind) {
    case "needle": {
      const [first] = part.needle.profile;
      const last = part.needle.profile.at(-1);
      return `${mm(first?.diameterMm ?? 0)} at the straight, ${mm(last?.diameterMm ?? 0)} at the tip, ${part.needle.grooves} grooves`;
    }
    case "needleJet":
      return mm(part.needleJetMm);
    case "slide":
      return `cutaway ${mm(part.cutawayMm)}`;
    case "airJet":
      return `${part.path}, hole ${mm(part.holeMm)}`;
    case "emulsionTube":
      return part.drilled ? "drilled" : "undrilled";
    case "slideSpring":
      return `lifts at ${Math.round(part.depressionPa)} Pa`;
  }
}

/** `needle “B, thicker”`: the kind, and the tuner's own name for it */
export const benchPartWords = ({ kind, name }: BenchPart): string =>
  `${PART_KIND_NAMES[kind].toLowerCase()} “${name}”`;
