/** Which air a van is packed for. */
import * as z from "zod";
import { Instant } from "../log/schema.ts";
import { ELEVATION_DOMAIN_M, TEMPERATURE_DOMAIN_K } from "../units/domains.ts";

const Elevation = z.number().min(ELEVATION_DOMAIN_M.min).max(ELEVATION_DOMAIN_M.max);
const Kelvin = z.number().min(TEMPERATURE_DOMAIN_K.min).max(TEMPERATURE_DOMAIN_K.max);

/** The airs that may come: an event by its forecast, a month of a place, or a range. */
export const PackAsked = z.discriminatedUnion("kind", [
  z.object({ kind: z.literal("event"), fromAt: Instant, toAt: Instant, elevationM: Elevation }),
  z.object({
    kind: z.literal("month"),
    place: z.string(),
    elevationM: Elevation,
    month: z.int().min(1).max(12),
  }),
  z.object({
    kind: z.literal("range"),
    lowK: Kelvin,
    highK: Kelvin,
    humidity: z.number().min(0).max(1),
    lowM: Elevation,
    highM: Elevation,
  }),
]);
export type PackAsked = z.infer<typeof PackAsked>;
