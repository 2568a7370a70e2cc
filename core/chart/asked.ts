/** Schema of a query for cells of the jetting chart. */
import * as z from "zod/mini";
import { Setting } from "../log/schema.ts";
import { PRESSURE_DOMAIN_PA, TEMPERATURE_DOMAIN_K } from "../units/domains.ts";

/** More cells than a sheet has room for. */
export const MOST_CELLS = 400;

const AirAsked = z.object({
  temperatureK: z.number().check(z.gte(TEMPERATURE_DOMAIN_K.min), z.lte(TEMPERATURE_DOMAIN_K.max)),
  pressurePa: z.number().check(z.gte(PRESSURE_DOMAIN_PA.min), z.lte(PRESSURE_DOMAIN_PA.max)),
  relativeHumidity: z.number().check(z.gte(0), z.lte(1)),
});

export const ChartAsked = z.object({
  /** in the order in which a setting is carried from one to the next: by density, away from where one begins */
  airs: z.array(AirAsked).check(z.minLength(1), z.maxLength(MOST_CELLS)),
  /** what is fitted on the way into the first; none: what is fitted now */
  from: z.optional(Setting),
});
export type ChartAsked = z.infer<typeof ChartAsked>;
