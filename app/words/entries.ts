/** A log entry as a line: what kind, what it says, what came of it. */
import type { LogLine } from "#core/log/fold.ts";
import type { AirEntry, Entry, Reading } from "#core/log/schema.ts";
import type { Preferences } from "#app/store/preferences.ts";
import { formatQuantity } from "#core/units/quantity.ts";
import { partInSentence, partValue, ZONE_NAMES, ZONE_OPENINGS } from "./parts.ts";

export const KIND_NAMES: Readonly<Record<Entry["kind"], string>> = {
  build: "rig",
  air: "air",
  fit: "fitted",
  look: "look",
  note: "note",
  strike: "struck",
};

export interface LineWords {
  readonly kind: string;
  readonly what: string;
  readonly result: string;
}

const CUTS = { clean: "clean cut", rolled: "rolled to idle", unknown: "cut unknown" } as const;

export function readingWords(reading: Reading): string {
  const where = `${ZONE_NAMES[reading.zone]} (${ZONE_OPENINGS[reading.zone]})`;
  return reading.type === "plug"
    ? `Plug, ${where}, ${CUTS[reading.cut]}`
    : `λ, ${where}, sensor ${reading.sensor === "inside" ? "inside the pipe" : "at the open end"}`;
}

export function airWords(air: AirEntry, units: Preferences): string {
  const temperature = formatQuantity("temperature", air.temperatureK, units.temperature);
  const humidity =
    air.humidity.kind === "relative"
      ? `${Math.round(100 * air.humidity.fraction)} %`
      : `${air.humidity.kind === "dewPoint" ? "dew point" : "wet bulb"} ${formatQuantity("temperature", air.humidity.temperatureK, units.temperature)}`;
  const height = air.elevationM === undefined ? "" : formatQuantity("length", air.elevationM, units.length);
  const pressure =
    air.pressure.kind === "standard"
      ? height
      : `${formatQuantity("pressure", air.pressure.pressurePa, units.pressure)}${air.pressure.kind === "seaLevel" ? ` at sea level, ${height}` : ""}`;
  return `${temperature} · ${pressure} · ${humidity}`;
}

function changeWords({ entry, before }: LogLine): string {
  if (entry.kind !== "fit") return "";
  return entry.changes
    .map(({ part, to }) => {
      const from = before ? `${partValue(part, before[part])} → ` : "";
      return `${partInSentence(part)} ${from}${partValue(part, to)}`;
    })
    .join(", ");
}

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
const REASONS = { card: "the card", advice: "as advised", putBack: "put back", own: "own choice" } as const;

function readingResult(reading: Reading, units: Preferences, stoichiometric: number): string {
  if (reading.type === "plug") return reading.tone;
  return units.mixture === "afr"
    ? `AFR ${(reading.lambda * stoichiometric).toFixed(1)}`
    : `λ ${reading.lambda.toFixed(2)}`;
}

/** @param stoichiometric - air-fuel ratio of the fuel in use at λ 1, for those who read AFR */
export function lineWords(line: LogLine, units: Preferences, stoichiometric: number): LineWords {
  const { entry } = line;
  const kind = KIND_NAMES[entry.kind];
  switch (entry.kind) {
    case "build":
      return { kind, what: entry.why === "" ? "Rig described" : entry.why, result: "" };
    case "air":
      return { kind, what: entry.place === "" ? "Air read" : entry.place, result: airWords(entry, units) };
    case "fit":
      return { kind, what: capital(changeWords(line)), result: REASONS[entry.because] };
    case "look":
      return {
        kind,
        what: readingWords(entry.reading),
        result: readingResult(entry.reading, units, stoichiometric),
      };
    case "note":
      return { kind, what: entry.text, result: "" };
    case "strike":
      return { kind, what: entry.why === "" ? "An entry was struck through" : entry.why, result: "" };
  }
}
