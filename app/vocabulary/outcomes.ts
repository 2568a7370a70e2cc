/** What a weighed look was called: taken by somebody, or told by the clock. */
import type { Present } from "#core/log/present.ts";
import type { LookOutcome } from "#core/belief/update.ts";
import type { Preferences } from "./preferences.ts";
import { staleAirSd } from "#core/belief/stale-air.ts";
import { DOUBT_SDS, mixtureWords } from "./parts.ts";
import { readingWords } from "./readings.ts";
import { runName } from "./runs.ts";
import { fixed } from "#app/vocabulary/numerals.ts";

export interface OutcomeWords {
  readonly what: string;
  readonly read: string;
  readonly at: string;
  /** it speaks of several zones: which one this is has to be said */
  readonly zoned: boolean;
  /** held against an air of another day, in words */
  readonly staleAir?: string;
}

/** @returns e.g. "air read 3 days off: ± 3 % more doubt" */
export const staleAirWords = (days: number): string =>
  `air read ${days} ${days === 1 ? "day" : "days"} off: ± ${fixed(100 * DOUBT_SDS * staleAirSd(days), 0)} % more doubt`;

/** @returns nothing for a look that this log does not hold */
export function outcomeWords(
  { lookId, reads }: Pick<LookOutcome, "lookId" | "reads">,
  { looks, runs }: Pick<Present, "looks" | "runs">,
  units: Preferences,
): OutcomeWords | undefined {
  const look = looks.find(({ entry }) => entry.id === lookId);
  if (look) {
    const { reading, cylinder, at } = look.entry;
    const days = look.airDaysOff;
    const read =
      reading.type === "plug" ? `${reading.tone}: ${mixtureWords(reads)}` : mixtureWords(reads, 0.005);
    return {
      what: readingWords(reading, cylinder),
      read,
      at,
      zoned: reading.type === "rideReport",
      ...(days !== undefined && { staleAir: staleAirWords(days) }),
    };
  }
  const run = runs.find(({ entry }) => entry.id === lookId)?.entry;
  if (!run) return undefined;
  return {
    what: `By the clock, two settings: ${runName(run.run, units)}`,
    read: mixtureWords(reads, 0.005),
    at: run.at,
    zoned: false,
  };
}
