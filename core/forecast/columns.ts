/** Roles and units of a forecast table's columns, as concluded or as the tuner corrected them. */
import * as z from "zod/mini";
import { offsetOf, offsetText } from "./instants.ts";

export const FORECAST_ROLES = [
  "time",
  /** of a day that stands in a column of its own */
  "hour",
  "temperature",
  "humidity",
  "dewPoint",
  /** reduced to the sea with the air of the day, as weather maps give it */
  "seaLevel",
  /** reduced with the standard atmosphere, as altimeters are set (QNH) */
  "altimeter",
  "station",
] as const;
export type ForecastRole = (typeof FORECAST_ROLES)[number];

/** A column is one of these alone. */
export const PRESSURE_ROLES: readonly ForecastRole[] = ["seaLevel", "altimeter", "station"];

/** The first is the usual one. */
export const FORECAST_UNITS = {
  /** or a zone of its own, such as `UTC+02:00` */
  time: ["local", "UTC"],
  hour: [""],
  temperature: ["°C", "°F", "K"],
  humidity: ["%", "0 to 1"],
  dewPoint: ["°C", "°F", "K"],
  seaLevel: ["hPa", "kPa", "inHg", "mmHg", "Pa"],
  altimeter: ["hPa", "kPa", "inHg", "mmHg", "Pa"],
  station: ["hPa", "kPa", "inHg", "mmHg", "Pa"],
} as const satisfies Readonly<Record<ForecastRole, readonly string[]>>;

const OWN_ZONE = /^UTC[+-]\d\d:\d\d$/;

/** @returns a clock so many minutes east of Greenwich, as a mapping names it */
export const zoneName = (offsetMin: number): string =>
  offsetMin === 0 ? "UTC" : `UTC${offsetText(offsetMin)}`;

/** @returns minutes east of Greenwich of a mapping's clock, nothing for the wall's */
export const zoneMinutes = (unit: string): number | undefined =>
  unit === "UTC" ? 0 : OWN_ZONE.test(unit) ? offsetOf(unit.slice(3)) : undefined;

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
      (uses) =>
        uses.every(
          ({ role, unit }) =>
            (FORECAST_UNITS[role] as readonly string[]).includes(unit) ||
            (role === "time" && OWN_ZONE.test(unit)),
        ),
      "a unit that is not known",
    ),
  );
export type ForecastMapping = z.infer<typeof ForecastMapping>;

/** A figure as files write it, with a comma or a true minus too. */
const figure = (text: string): number => Number(text.trim().replace(",", ".").replace("\u2212", "-"));

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
