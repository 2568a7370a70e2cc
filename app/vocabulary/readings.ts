/** A look in words: what was looked at, and what it showed. */
import { SYMPTOMS } from "#core/log/symptom-names.ts";
import type { Crown, HeaderColour, HeatSensor, PlugPlace, PlugProtocol } from "#core/log/parts.ts";
import { zonesOf } from "#core/log/readings/reading.ts";
import type { Reading } from "#core/log/schema.ts";
import type { LearntHeat } from "#core/belief/heat-slopes.ts";
import { type UnitOf } from "#core/units/quantity.ts";
import type { Preferences } from "./preferences.ts";
import { ZONE_OPENINGS, zoneInSentence } from "./parts.ts";
import { timeWords } from "./runs.ts";
import { PLUG_FINDING_WORDS, SYMPTOM_WORDS } from "./symptoms.ts";
import { fixed, formatQuantity, formatTurns } from "#app/vocabulary/numerals.ts";

export const CROWN_WORDS: Readonly<Record<Crown, { name: string; note: string }>> = {
  dry: { name: "Dry all over", note: "lean" },
  island: { name: "Island, clean edges", note: "as wanted" },
  washed: { name: "Washed, or wet black", note: "rich" },
};

export const HEADER_WORDS: Readonly<Record<HeaderColour, { name: string; note: string }>> = {
  pale: { name: "Pale grey", note: "lean" },
  tan: { name: "Tan to brown", note: "right" },
  black: { name: "Black, sooty", note: "rich" },
};

export const PLUG_PLACE_WORDS: Readonly<Record<PlugPlace | "root", { name: string; tells: string }>> = {
  root: { name: "Porcelain, near its root", tells: "the mixture" },
  face: { name: "Porcelain, its face", tells: "how clean it burns" },
  strap: { name: "Strap", tells: "its colour break: heat of the plug" },
  ring: { name: "Base ring", tells: "the fuel overall" },
};

export const SENSOR_WORDS: Readonly<Record<HeatSensor, string>> = {
  exhaust: "Exhaust gas",
  head: "Head",
};

const CUTS = { clean: "clean cut", rolled: "rolled to idle", unknown: "cut unknown" } as const;

const MADE: Readonly<Record<PlugProtocol, (amount: number | undefined) => string>> = {
  steady: (seconds) => (seconds === undefined ? "held steady" : `held for ${timeWords(seconds)}`),
  pull: () => "one full pull",
  laps: (count) => (count === undefined ? "after laps" : `after ${count} laps`),
};

export function readingWords(reading: Reading, cylinder?: number): string {
  const what = readingAlone(reading);
  return cylinder === undefined ? what : `Cylinder ${cylinder}: ${what}`;
}

function readingAlone(reading: Reading): string {
  if (reading.type === "rideReport") return "Ride report";
  const where = `${zoneInSentence(reading.zone)} (${ZONE_OPENINGS[reading.zone]})`;
  switch (reading.type) {
    case "bestIdle":
      return `Idle bench, ${reading.points.length} readings`;
    case "symptom":
      return SYMPTOM_WORDS[reading.symptom];
    case "compared":
      return `Against what was fitted before, ${where}`;
    case "plug": {
      const made = reading.made ? `, ${MADE[reading.made.by](reading.made.amount)}` : "";
      return `Plug, ${where}, ${CUTS[reading.cut]}${made}${reading.used ? ", used before" : ""}`;
    }
    case "crown":
      return `Piston crown, ${where}`;
    case "header":
      return `Inside of the header, ${where}`;
    case "temperature":
      return `${SENSOR_WORDS[reading.sensor]}${reading.risenFromK === undefined ? "" : ", rise of the run"}, ${where}`;
    case "lambda": {
      const logged = reading.logged ? `, ${timeWords(reading.logged.seconds)} logged` : "";
      return `λ, ${where}, sensor ${reading.sensor === "inside" ? "inside the pipe" : "at the open end"}${logged}`;
    }
  }
}

/** What this engine's own log says a per cent of mixture is worth, or nothing while it says nothing. */
export function learntWords(
  heat: readonly LearntHeat[],
  sensor: HeatSensor,
  unit: UnitOf<"temperature">,
): string {
  const known = heat.filter((slope) => slope.sensor === sensor);
  if (known.length === 0) return "";
  const each = known.map(
    ({ zone, rise, perUnitK, sdK }) =>
      `${rise ? "rise to the finish" : zoneInSentence(zone)} ${riseWords(perUnitK / 100, unit)} ± ${riseWords(sdK / 100, unit)}`,
  );
  return `By its log, one per cent leaner is: ${each.join("; ")}.`;
}

/** @returns a difference of temperatures: `42 °C`, `76 °F` */
export const riseWords = (kelvin: number, unit: UnitOf<"temperature">): string =>
  `${Math.round(unit === "°F" ? kelvin * 1.8 : kelvin)} ${unit}`;

export function readingResult(reading: Reading, units: Preferences, stoichiometric: number): string {
  switch (reading.type) {
    case "rideReport":
      return zonesOf(reading)
        .map((zone) => `${zoneInSentence(zone)} ${reading.felt[zone] ?? ""}`)
        .join(", ");
    case "compared":
      return reading.verdict === "same" ? "no difference" : reading.verdict;
    case "plug": {
      const found = (reading.findings ?? []).map((name) => PLUG_FINDING_WORDS[name].name.toLowerCase());
      return [reading.tone, ...found].join(", ");
    }
    case "bestIdle":
      return `best at ${formatTurns((reading.fallInTurns + reading.fallOutTurns) / 2)} turns`;
    case "symptom":
      return `${SYMPTOMS[reading.symptom].kind}, ${zoneInSentence(reading.zone)}`;
    case "crown":
      return CROWN_WORDS[reading.crown].name.toLowerCase();
    case "header":
      return HEADER_WORDS[reading.colour].name.toLowerCase();
    case "temperature": {
      const shown = formatQuantity("temperature", reading.temperatureK, units.temperature);
      return reading.risenFromK === undefined
        ? shown
        : `+${riseWords(reading.temperatureK - reading.risenFromK, units.temperature)} to ${shown}`;
    }
    case "lambda":
      return units.mixture === "afr"
        ? `AFR ${fixed(reading.lambda * stoichiometric, 1)}`
        : `λ ${fixed(reading.lambda, 2)}`;
  }
}
