/**
 * Checks a plug's heat range: strap against porcelain. The root shows the mixture, the strap the heat of the plug
 * itself: where the two disagree the heat range is settled before any jet.
 */
import { TONES, type Tone } from "../log/parts.ts";

export type HeatRangeSays = "tooCold" | "tooHot";

/** So many tones apart is no matter of light. */
const APART = 2;

/** @returns nothing when the strap was not looked at, or agrees */
export function heatRangeSays(root: Tone, strap: Tone | undefined): HeatRangeSays | undefined {
  if (strap === undefined) return undefined;
  const darker = TONES.indexOf(strap) - TONES.indexOf(root);
  if (darker >= APART) return "tooCold";
  return darker <= -APART ? "tooHot" : undefined;
}
