/** What was advised when something was fitted, in words. */
import type { Advised } from "#core/log/schema.ts";
import { certainty, mixtureWords, PART_NAMES, partValue, ZONE_NAMES } from "#app/vocabulary/parts.ts";

const NEXT: Readonly<Record<Advised["next"], string>> = {
  fit: "A change",
  putBack: "To put the last change back",
  part: "Another part",
  look: "To look first",
  ride: "To ride and look first",
  leave: "To leave it",
  stop: "To stop",
  check: "To look for a fault first",
};

/** @returns `A change: main 155, sure (92 %) to be better` */
export function advisedWords({ next, changes, chanceBetter }: Advised): string {
  const what = changes
    .map(({ part, to }) => `${PART_NAMES[part].toLowerCase()} ${partValue(part, to)}`)
    .join(", ");
  const sure = chanceBetter === undefined ? "" : `, ${certainty(chanceBetter)} to be better`;
  return `${NEXT[next]}${what === "" ? "" : `: ${what}`}${sure}`;
}

/** @returns `Top 4 % lean, give or take 3 %` for each zone */
export const believedWords = ({ zones }: Advised): string[] =>
  zones.map(
    ({ zone, mean, sd }) =>
      `${ZONE_NAMES[zone]}: ${mixtureWords(mean)}, give or take ${Math.max(1, Math.round(100 * sd))} %`,
  );
