import type { BoxJet } from "#core/rig/box.ts";

/** @returns what is special about a jet: `148 drilled to 1.58 mm`, `256 of Hex`; nothing for a plain one */
export function jetWords({ drilled, family }: BoxJet): string {
  if (drilled) return `${drilled.stamped} drilled to ${drilled.measuredMm} mm`;
  return family ? `${family.stamped} of ${family.name}` : "";
}
