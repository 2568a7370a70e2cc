/** Every kind of look that a log can hold, and where on the throttle each was taken. */
import * as z from "zod/mini";
import { ZONE_NAMES, type ZoneOfThrottle } from "../parts.ts";
import { BestIdleReading } from "./best-idle.ts";
import { ComparedReading } from "./compared.ts";
import { CrownReading } from "./crown.ts";
import { HeaderReading } from "./header.ts";
import { LambdaReading } from "./lambda.ts";
import { PlugReading } from "./plug.ts";
import { RideReportReading } from "./ride-report.ts";
import { SymptomReading } from "./symptom.ts";
import { TemperatureReading } from "./temperature.ts";

export const Reading = z.discriminatedUnion("type", [
  PlugReading,
  CrownReading,
  HeaderReading,
  TemperatureReading,
  LambdaReading,
  BestIdleReading,
  SymptomReading,
  ComparedReading,
  RideReportReading,
]);
export type Reading = z.infer<typeof Reading>;
export type ReadingOf<T extends Reading["type"]> = Extract<Reading, { type: T }>;

/** @returns the zones it speaks of: one, or those that were felt on the ride */
export const zonesOf = (reading: Reading): readonly ZoneOfThrottle[] =>
  reading.type === "rideReport"
    ? ZONE_NAMES.filter((zone) => reading.felt[zone] !== undefined)
    : [reading.zone];
