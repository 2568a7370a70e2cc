/** What the columns of a forecast mean, and a first guess by their names and figures: the tuner has the last word. */
import * as z from "zod/mini";
import { looksLikeSeaLevel, standardPressure } from "../air/barometer.ts";
import type { Table } from "./table.ts";

export const FORECAST_ROLES = ["time", "temperature", "humidity", "dewPoint", "seaLevel", "station"] as const;
export type ForecastRole = (typeof FORECAST_ROLES)[number];

/** The first is the usual one. */
export const FORECAST_UNITS = {
  time: ["local", "UTC"],
  temperature: ["°C", "°F", "K"],
  humidity: ["%", "0 to 1"],
  dewPoint: ["°C", "°F", "K"],
  seaLevel: ["hPa", "kPa", "inHg", "mmHg", "Pa"],
  station: ["hPa", "kPa", "inHg", "mmHg", "Pa"],
} as const satisfies Readonly<Record<ForecastRole, readonly string[]>>;

export const ForecastMapping = z
  .array(
    z.object({
      role: z.enum(FORECAST_ROLES),
      /** counted from 0 */
      column: z.int().check(z.gte(0), z.lte(500)),
      unit: z.string().check(z.maxLength(10)),
    }),
  )
  .check(
    z.maxLength(FORECAST_ROLES.length),
    z.refine(
      (uses) => uses.every(({ role, unit }) => (FORECAST_UNITS[role] as readonly string[]).includes(unit)),
      "a unit that is not known",
    ),
  );
export type ForecastMapping = z.infer<typeof ForecastMapping>;

/** What forecasts call things. Longer words first: a dew point is no temperature. */
const NAMES: readonly (readonly [ForecastRole, RegExp])[] = [
  ["dewPoint", /dew/i],
  ["humidity", /humid|^rh\b|_rh\b/i],
  ["seaLevel", /sea|msl|slp|qnh|qff/i],
  ["station", /surface.?press|station|qfe/i],
  ["seaLevel", /press|barom|\bhpa\b|inhg/i],
  ["temperature", /temp|^t\b|°c|°f/i],
  ["time", /time|date|hour|stamp|^dt\b|valid/i],
];
/** Said of some other temperature or moment. */
const OTHERS = /feel|apparent|wind|gust|soil|sunrise|sunset|water|rain|snow|issued|chance|max|min\b/i;

const figure = (text: string): number => Number(text.trim().replace(",", "."));

function unitOf(role: ForecastRole, name: string, cells: readonly string[]): string {
  const said = name.toLowerCase();
  const figures = cells
    .filter((text) => text.trim() !== "")
    .map(figure)
    .filter(Number.isFinite);
  const [least, most] = [Math.min(...figures), Math.max(...figures)];
  switch (role) {
    case "time":
      return /utc|gmt|zulu/.test(said) ? "UTC" : "local";
    case "temperature":
    case "dewPoint":
      if (/°?f\b|fahrenheit/.test(said) || (least > 40 && most < 200)) return "°F";
      return /kelvin|\(k\)|\[k\]/.test(said) || least > 200 ? "K" : "°C";
    case "humidity":
      return most <= 1 && !said.includes("%") ? "0 to 1" : "%";
    case "seaLevel":
    case "station":
      if (most < 40) return "inHg";
      if (most < 120) return "kPa";
      if (most < 800 && least > 370 && /mmhg|torr/.test(said)) return "mmHg";
      return most > 20_000 ? "Pa" : "hPa";
  }
}

/** @returns the first column that is each of these, in the order of the file */
export function guessColumns(table: Table, elevationM: number): ForecastMapping {
  const { names, rows } = table;
  const found: ForecastMapping = [];
  names.forEach((name, column) => {
    if (OTHERS.test(name)) return;
    const free = ([role]: readonly [ForecastRole, RegExp]) => !found.some((use) => use.role === role);
    const role = NAMES.filter(free).find(([, words]) => words.test(name))?.[0];
    if (!role) return;
    const cells = rows.slice(0, 48).map((row) => row[column] ?? "");
    found.push({ role, column, unit: unitOf(role, name, cells) });
  });
  return found.map((use) => asFiguresSay(use, found, table, elevationM));
}

const MEAN_SEA_PA = 101_325;

/** A pressure that names no level is taken for what its figures are nearer to; one that names it may be wrong too. */
function asFiguresSay(
  use: ForecastMapping[number],
  all: ForecastMapping,
  { names, rows }: Table,
  elevationM: number,
): ForecastMapping[number] {
  const pressures = all.filter(({ role }) => role === "seaLevel" || role === "station");
  if (pressures.length !== 1 || !pressures.includes(use)) return use;
  const pascals = rows.map((row) => pressureOf(row[use.column] ?? "", use.unit)).filter(Number.isFinite);
  if (pascals.length === 0) return use;
  if (use.role === "station")
    return pascals.every((pa) => looksLikeSeaLevel(pa, elevationM)) ? { ...use, role: "seaLevel" } : use;
  if (LEVEL.test(names[use.column] ?? "")) return use;
  const off = (pa: number) => pascals.reduce((sum, one) => sum + Math.abs(one - pa), 0);
  return off(standardPressure(elevationM)) < off(MEAN_SEA_PA) ? { ...use, role: "station" } : use;
}

/** Names that say which level a pressure is of. */
const LEVEL = /sea|msl|slp|qnh|qff/i;

const PASCALS: Readonly<Record<string, number>> = {
  Pa: 1,
  hPa: 100,
  kPa: 1000,
  inHg: 3386.389,
  mmHg: 133.3224,
};

const typed = (text: string): number => (text.trim() === "" ? Number.NaN : figure(text));

/** @returns pascals, NaN where nothing stands there */
export const pressureOf = (text: string, unit: string): number => typed(text) * (PASCALS[unit] ?? Number.NaN);

/** @returns kelvins, NaN where nothing stands there */
export function kelvinOf(text: string, unit: string): number {
  const value = typed(text);
  if (unit === "K") return value;
  return 273.15 + (unit === "°F" ? (value - 32) / 1.8 : value);
}

/** @returns 0..1, NaN where nothing stands there */
export const fractionOf = (text: string, unit: string): number => typed(text) / (unit === "%" ? 100 : 1);

/** @returns what is wrong with a mapping, in the tuner's words, or nothing */
export function columnsProblem(mapping: ForecastMapping): string | undefined {
  const has = (role: ForecastRole) => mapping.some((use) => use.role === role);
  if (FORECAST_ROLES.some((role) => mapping.filter((use) => use.role === role).length > 1))
    return "Two columns are said to be the same. Choose one.";
  if (!has("time")) return "Say which column is the time.";
  if (!has("temperature")) return "Say which column is the temperature.";
  if (!has("humidity") && !has("dewPoint")) return "Say which column is the humidity, or the dew point.";
  return undefined;
}
