import type { Present } from "#core/log/present.ts";
import type { LookOutcome } from "#core/belief/update.ts";
import type { Preferences } from "./preferences.ts";
import { outcomeWords } from "./outcomes.ts";
import { mixtureWords } from "./parts.ts";
import { fixed } from "#app/vocabulary/numerals.ts";

/** A look that does not fit is questioned, never silently averaged away. */
export function surpriseWords(outcome: LookOutcome, present: Present, units: Preferences): string {
  const { expected, reads, tail } = outcome;
  const look = outcomeWords(outcome, present, units);
  const what = look ? `${look.what} at ${look.at.slice(11, 16)}` : "A look";
  const chance = tail < 0.0005 ? "under 0.05 %" : `${fixed(100 * tail, 2)} %`;
  return `${what} reads ${mixtureWords(reads)}, but everything else says ${mixtureWords(expected)} (chance ${chance}). Check the entry, or look for a fault. Cross it out in the log if it was wrong.`;
}
