/** Schemas of entries about coming days: place, forecast, heats, route, a year's air. */
import * as z from "zod/mini";
import { ELEVATION_DOMAIN_M, SEA_LEVEL_DOMAIN_PA } from "../units/domains.ts";
import { AirState } from "./build-schema.ts";
import { entry, Instant, Position } from "./entry-schema.ts";
import { within } from "./measures-schema.ts";

const PlaceName = z.string().check(z.trim(), z.minLength(1), z.maxLength(60));
const Elevation = within(ELEVATION_DOMAIN_M);
const Kelvin = AirState.shape.temperatureK;

/** How a pressure is told: as it is there, reduced to the sea, or not at all. */
export const PRESSURE_TOLD = ["station", "seaLevel", "standard"] as const;

/** What is known of a place where this rig is run; the newest word on each name counts. */
export const PlaceEntry = entry("place", {
  name: PlaceName,
  elevationM: Elevation,
  /** what the barometer or the app that is used there shows */
  pressure: z.enum(PRESSURE_TOLD),
  /** where on the throttle this place is ridden, on any scale; the rig's own where it is not said */
  usage: z.optional(
    z
      .strictObject({
        idle: z.number().check(z.gte(0), z.lte(1000)),
        low: z.number().check(z.gte(0), z.lte(1000)),
        mid: z.number().check(z.gte(0), z.lte(1000)),
        top: z.number().check(z.gte(0), z.lte(1000)),
      })
      .check(
        z.refine(({ idle, low, mid, top }) => idle + low + mid + top > 0, "give at least one zone a share"),
      ),
  ),
  position: z.optional(Position),
});
export type PlaceEntry = z.infer<typeof PlaceEntry>;
/** A place is the same one however it is written. */
export const placeKey = (name: string): string => name.trim().toLowerCase();

export const MOST_HOURS = 400;

/** One line of a forecast, as its table had it. */
export const ForecastHour = z.strictObject({
  at: Instant,
  temperatureK: Kelvin,
  humidity: z.discriminatedUnion("kind", [
    z.strictObject({ kind: z.literal("relative"), fraction: z.number().check(z.gte(0), z.lte(1)) }),
    z.strictObject({ kind: z.literal("dewPoint"), temperatureK: z.number().check(z.gte(200), z.lte(330)) }),
  ]),
  /** left out: the standard atmosphere's at that height */
  pressure: z.optional(
    z.discriminatedUnion("kind", [
      z.strictObject({ kind: z.literal("station"), pressurePa: AirState.shape.pressurePa }),
      z.strictObject({ kind: z.literal("seaLevel"), pressurePa: within(SEA_LEVEL_DOMAIN_PA) }),
    ]),
  ),
});
export type ForecastHour = z.infer<typeof ForecastHour>;

export const ForecastEntry = entry("forecast", {
  place: z.string().check(z.trim(), z.maxLength(60)),
  /** of what it tells: its temperatures and station pressures stand for this height */
  elevationM: Elevation,
  file: z.string().check(z.trim(), z.minLength(1), z.maxLength(200)),
  hours: z.array(ForecastHour).check(z.minLength(2), z.maxLength(MOST_HOURS)),
  simulated: z.optional(z.boolean()),
});
export type ForecastEntry = z.infer<typeof ForecastEntry>;

export const Heat = z.strictObject({
  name: z.string().check(z.trim(), z.minLength(1), z.maxLength(40)),
  at: Instant,
  minutes: z.number().check(z.gte(1), z.lte(600)),
});
export type Heat = z.infer<typeof Heat>;

export const MOST_HEATS = 40;

/** The heats of a day; the newest list counts. */
export const HeatsEntry = entry("heats", {
  place: z.string().check(z.trim(), z.maxLength(60)),
  elevationM: Elevation,
  heats: z.array(Heat).check(z.minLength(1), z.maxLength(MOST_HEATS)),
});
export type HeatsEntry = z.infer<typeof HeatsEntry>;

export const MOST_ROUTE_POINTS = 600;

/** A way with its heights. Where on the earth it runs is nobody's business: only how far along, how high, when. */
export const RouteEntry = entry("route", {
  name: PlaceName,
  startAt: Instant,
  points: z
    .array(
      z.strictObject({
        alongM: z.number().check(z.gte(0), z.lte(2_000_000)),
        elevationM: Elevation,
        /** since the start */
        seconds: z.number().check(z.gte(0), z.lte(400_000)),
      }),
    )
    .check(
      z.minLength(2),
      z.maxLength(MOST_ROUTE_POINTS),
      z.refine(
        (points) =>
          points.every(({ alongM, seconds }, i) => {
            const before = points[i - 1];
            return !before || (alongM >= before.alongM && seconds >= before.seconds);
          }),
        "points must run forward, in length and in time",
      ),
    ),
  simulated: z.optional(z.boolean()),
});
export type RouteEntry = z.infer<typeof RouteEntry>;

/** What a climate table says of one month at a place. */
export const ClimateMonth = z.strictObject({
  /** 1 is January */
  month: z.int().check(z.gte(1), z.lte(12)),
  lowK: Kelvin,
  highK: Kelvin,
  humidity: z.number().check(z.gte(0), z.lte(1)),
});
export type ClimateMonth = z.infer<typeof ClimateMonth>;

export const ClimateEntry = entry("climate", {
  place: PlaceName,
  elevationM: Elevation,
  months: z
    .array(ClimateMonth.check(z.refine(({ lowK, highK }) => lowK <= highK, "the low lies above the high")))
    .check(
      z.minLength(1),
      z.maxLength(12),
      z.refine(
        (months) => new Set(months.map(({ month }) => month)).size === months.length,
        "a month stands twice",
      ),
    ),
});
export type ClimateEntry = z.infer<typeof ClimateEntry>;
