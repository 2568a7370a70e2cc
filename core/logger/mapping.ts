/** Mapping of a logger file's columns: quantity, unit, number format. */
import * as z from "zod/mini";

export const ROLES = ["time", "throttle", "lambda", "rpm", "speed", "exhaust", "head"] as const;
export type Role = (typeof ROLES)[number];

/** The first is the usual one. */
export const ROLE_UNITS = {
  time: ["s", "ms", "min:s"],
  throttle: ["%", "0 to 1"],
  lambda: ["λ", "AFR"],
  rpm: ["rpm", "rpm × 1000"],
  speed: ["km/h", "mph", "m/s"],
  exhaust: ["°C", "°F"],
  head: ["°C", "°F"],
} as const satisfies Readonly<Record<Role, readonly string[]>>;

export const ColumnUse = z.object({
  role: z.enum(ROLES),
  /** counted from 0 */
  column: z.int().check(z.gte(0), z.lte(500)),
  unit: z.string().check(z.maxLength(20)),
});
export type ColumnUse = z.infer<typeof ColumnUse>;

export const Mapping = z.object({
  delimiter: z.enum([",", ";", "\t", "|"]),
  decimal: z.enum([".", ","]),
  /** lines before the first row of figures */
  headerLines: z.int().check(z.gte(0), z.lte(200)),
  columns: z.array(ColumnUse).check(z.maxLength(7)),
  /** rows a second, where no column holds the time */
  rateHz: z.optional(z.number().check(z.gte(0.1), z.lte(10_000))),
  /** air-fuel ratio that the meter shows at λ 1, where it shows AFR */
  stoichiometric: z.number().check(z.gte(1), z.lte(40)),
});
export type Mapping = z.infer<typeof Mapping>;

/** @returns what is wrong with a mapping, in the tuner's words, or nothing */
export function mappingProblem({ columns, rateHz }: Mapping): string | undefined {
  const has = (role: Role) => columns.some((use) => use.role === role);
  const twice = ROLES.find((role) => columns.filter((use) => use.role === role).length > 1);
  if (twice !== undefined) return `Two columns are said to be the ${ROLE_NAMES[twice]}. Choose one.`;
  if (!has("time") && rateHz === undefined)
    return "Say which column is the time, or how many rows there are a second.";
  if (!has("throttle") && !has("speed"))
    return "Say which column is the throttle (for λ by zone) or the speed (for timed pulls).";
  if (!has("lambda") && !has("speed"))
    return "Say which column is λ, or which is the speed: without either there is nothing to learn.";
  return undefined;
}

export const ROLE_NAMES: Readonly<Record<Role, string>> = {
  time: "time",
  throttle: "throttle",
  lambda: "λ",
  rpm: "engine speed",
  speed: "speed",
  exhaust: "exhaust temperature",
  head: "head temperature",
};
