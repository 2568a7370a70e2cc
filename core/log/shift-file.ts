/** The table that `shift` works through: a build, and settings and airs to compare with its baseline. */
import * as z from "zod";
import { ELEVATION_DOMAIN_M } from "../units/domains.ts";
import { Build, Setting } from "./schema.ts";

const temperatureK = Build.shape.baseline.shape.air.shape.temperatureK;
const relativeHumidity = Build.shape.baseline.shape.air.shape.relativeHumidity;

export const ShiftFile = z.strictObject({
  format: z.literal("tamis-shift"),
  version: z.literal(1),
  build: Build,
  cases: z
    .array(
      z.strictObject({
        name: z.string().trim().min(1).max(120),
        /** parts that differ from the baseline */
        setting: Setting.partial().optional(),
        air: z
          .union([
            Build.shape.baseline.shape.air,
            /** the standard atmosphere's pressure at that height */
            z.strictObject({
              temperatureK,
              relativeHumidity,
              elevationM: z.number().min(ELEVATION_DOMAIN_M.min).max(ELEVATION_DOMAIN_M.max),
            }),
          ])
          .optional(),
      }),
    )
    .max(1000),
});
