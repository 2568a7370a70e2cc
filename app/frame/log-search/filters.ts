/** The log by what a tuner looks for: what happened, where on the throttle, with which part, where. */
import type { LogLine } from "#core/log/present.ts";
import { placeKey } from "#core/log/day-schema.ts";
import type { Part, ZoneOfThrottle } from "#core/log/parts.ts";
import { zonesOf } from "#core/log/readings/reading.ts";
import { dayOf, type Entry, type EntryKind } from "#core/log/schema.ts";

export interface Filters {
  readonly kind: EntryKind | "";
  readonly zone: ZoneOfThrottle | "";
  readonly part: Part | "";
  /** as it was typed with an air */
  readonly place: string;
}

export const NO_FILTERS: Filters = { kind: "", zone: "", part: "", place: "" };

/** @returns the kinds that a log holds, each once */
export const kindsIn = (lines: readonly LogLine[]): EntryKind[] => [
  ...new Set(lines.map(({ entry }) => entry.kind)),
];

/** @returns the places at which an air was read, each once, as last typed */
export function placesIn(lines: readonly LogLine[]): string[] {
  const places = new Map<string, string>();
  for (const { entry } of lines)
    if (entry.kind === "air" && entry.place !== "") places.set(placeKey(entry.place), entry.place);
  return [...places.values()];
}

const ofZone = (entry: Entry, zone: ZoneOfThrottle): boolean =>
  entry.kind === "look" && zonesOf(entry.reading).includes(zone);
const ofPart = (entry: Entry, part: Part): boolean =>
  entry.kind === "fit" && entry.changes.some((change) => change.part === part);

/** Days on which an air was read at a place: all that was done on them was done there. */
function daysAt(lines: readonly LogLine[], place: string): ReadonlySet<string> {
  const key = placeKey(place);
  return new Set(
    lines.flatMap(({ entry }) =>
      entry.kind === "air" && placeKey(entry.place) === key ? [dayOf(entry.at)] : [],
    ),
  );
}

/** @returns the lines that are all of what is wanted */
export function filtered(
  lines: readonly LogLine[],
  { kind, zone, part, place }: Filters,
): readonly LogLine[] {
  if (kind === "" && zone === "" && part === "" && place === "") return lines;
  const days = place === "" ? undefined : daysAt(lines, place);
  return lines.filter(
    ({ entry }) =>
      (kind === "" || entry.kind === kind) &&
      (zone === "" || ofZone(entry, zone)) &&
      (part === "" || ofPart(entry, part)) &&
      (!days || days.has(dayOf(entry.at))),
  );
}
