/** A temperature of exhaust gas or head. */
import * as z from "zod/mini";
import { HEAT_SENSORS, ZoneName } from "../parts.ts";
import { instrument } from "./common.ts";

/** What a thermocouple can show of an engine. */
const HeatK = z.number().check(z.gte(230), z.lte(1600));

export const TemperatureReading = z.strictObject({
  type: z.literal("temperature"),
  zone: ZoneName,
  sensor: z.enum(HEAT_SENSORS),
  temperatureK: HeatK,
  /** where the run began, when it is the rise that counts */
  risenFromK: z.optional(HeatK),
  instrument,
});
