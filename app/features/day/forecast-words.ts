/** What a forecast's columns were taken for, in words. */
import { clockWords } from "#app/vocabulary/days.ts";
import type { By, Conclusion, ForecastUse } from "#core/forecast/weigh.ts";

export const ABOUT_WORDS: Readonly<Record<Conclusion["about"], string>> = {
  time: "Times",
  temperature: "Temperature",
  pressure: "Pressure",
};

export const ASKED_WORDS: Readonly<Record<Conclusion["about"], string>> = {
  time: "Which clock are the times by?",
  temperature: "Which unit is the temperature in? More than one is possible.",
  pressure: "Which pressure is it? More than one is possible, and the air depends on it.",
};

/** @returns what a column is, such as "at the place itself, hPa" */
export function columnWords({ role, unit }: ForecastUse): string {
  switch (role) {
    case "time":
      return unit === "local" ? "by the clock here" : unit;
    case "seaLevel":
      return `at sea level, as on a weather map, ${unit}`;
    case "altimeter":
      return `altimeter setting (QNH), ${unit}`;
    case "station":
      return `at the place itself, ${unit}`;
    default:
      return unit;
  }
}

const BY_WORDS: Readonly<Record<Exclude<By, "readings">, string>> = {
  head: "by the column’s name",
  beside: "as the file says",
  cells: "as each time says",
  figures: "by the figures",
  usual: "as usual",
};

/**
 * @param now - as it stands: other than concluded, it is the tuner's own word; nothing where it was mapped otherwise
 * @returns "Temperature: °C, by the column’s name."
 */
export function readingWords({ about, is, by, readMs }: Conclusion, now: ForecastUse | undefined): string {
  const what = ABOUT_WORDS[about];
  if (now === undefined) return `${what}: as chosen below.`;
  if (now.role !== is.role || now.unit !== is.unit) return `${what}: ${columnWords(now)}, as you say.`;
  const instrument = about === "pressure" ? "barometer" : "reading";
  const why =
    by === "readings"
      ? `by your ${instrument}${readMs === undefined ? "" : ` at ${clockWords(readMs)}`}`
      : BY_WORDS[by];
  return `${what}: ${columnWords(now)}, ${why}.`;
}
