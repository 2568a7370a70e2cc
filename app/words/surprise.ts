import type { Present } from "#core/log/fold.ts";
import type { LookOutcome } from "#core/sieve/update.ts";
import { readingWords } from "./entries.ts";
import { mixtureWords } from "./parts.ts";

/** A look that does not fit is questioned, never silently averaged away. */
export function surpriseWords({ lookId, expected, reads, tail }: LookOutcome, { looks }: Present): string {
  const look = looks.find(({ entry }) => entry.id === lookId);
  const what = look
    ? `${readingWords(look.entry.reading, look.entry.cylinder)} at ${look.entry.at.slice(11, 16)}`
    : "A look";
  const chance = tail < 0.0005 ? "under 0.05 %" : `${(100 * tail).toFixed(2)} %`;
  return `${what} reads ${mixtureWords(reads)} where all else says ${mixtureWords(expected)} (chance ${chance}). Check the entry, or look for a fault; strike it in the log if it was wrong.`;
}
