/** What a log says of days to come, as lines of it. */
import type { ClimateEntry, ForecastEntry, HeatsEntry, PlaceEntry, RouteEntry } from "#core/log/schema.ts";
import type { Preferences } from "./preferences.ts";
import { formatQuantity } from "#app/vocabulary/numerals.ts";

type AheadEntry = PlaceEntry | ForecastEntry | HeatsEntry | RouteEntry | ClimateEntry;

/** How the pressure is told at a place. */
export const PRESSURE_TOLD_WORDS: Readonly<Record<PlaceEntry["pressure"], string>> = {
  station: "barometer shows it as it is there",
  seaLevel: "shown as at sea level",
  standard: "no barometer: by the height",
};

const many = (count: number, one: string, more = `${one}s`): string => `${count} ${count === 1 ? one : more}`;

export function aheadWords(entry: AheadEntry, units: Preferences): { what: string; result: string } {
  const height = (metres: number) => formatQuantity("length", metres, units.length);
  switch (entry.kind) {
    case "place":
      return {
        what: `${entry.name}, ${height(entry.elevationM)}`,
        result: [PRESSURE_TOLD_WORDS[entry.pressure], ...(entry.usage ? ["a use of its own"] : [])].join(
          " · ",
        ),
      };
    case "forecast":
      return {
        what: entry.place === "" ? "Forecast" : `Forecast for ${entry.place}`,
        result: `${many(entry.hours.length, "hour")}, ${height(entry.elevationM)} · ${entry.file}`,
      };
    case "heats":
      return {
        what: entry.place === "" ? "Heats of the day" : `Heats at ${entry.place}`,
        result: entry.heats.map(({ name, at }) => `${name} ${at.slice(11, 16)}`).join(" · "),
      };
    case "route": {
      const heights = entry.points.map(({ elevationM }) => elevationM);
      return {
        what: entry.name,
        result: `${height(Math.min(...heights))} to ${height(Math.max(...heights))}`,
      };
    }
    case "climate":
      return { what: `Climate of ${entry.place}`, result: many(entry.months.length, "month") };
  }
}
