/** Schema of a pack-list query. */
import * as z from "zod/mini";
import { Instant } from "../log/schema.ts";
import { ELEVATION_DOMAIN_M, TEMPERATURE_DOMAIN_K } from "../units/domains.ts";

const Elevation = z.number().check(z.gte(ELEVATION_DOMAIN_M.min), z.lte(ELEVATION_DOMAIN_M.max));
const Kelvin = z.number().check(z.gte(TEMPERATURE_DOMAIN_K.min), z.lte(TEMPERATURE_DOMAIN_K.max));

/** The airs that may come: an event by its forecast, a month of a place, or a range. */
export const PackAsked = z.discriminatedUnion("kind", [
  z.object({ kind: z.literal("event"), fromAt: Instant, toAt: Instant, elevationM: Elevation }),
  z.object({
    kind: z.literal("month"),
    place: z.string(),
    elevationM: Elevation,
    month: z.int().check(z.gte(1), z.lte(12)),
  }),
  z.object({
    kind: z.literal("range"),
    lowK: Kelvin,
    highK: Kelvin,
    humidity: z.number().check(z.gte(0), z.lte(1)),
    lowM: Elevation,
    highM: Elevation,
  }),
]);
export type PackAsked = z.infer<typeof PackAsked>;
