/** Input format of the `shift` command: a build, and settings and airs to compare with its baseline. */
import * as z from "zod/mini";
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
        name: z.string().check(z.trim(), z.minLength(1), z.maxLength(120)),
        /** parts that differ from the baseline */
        setting: z.optional(z.partial(Setting)),
        air: z.optional(
          z.union([
            Build.shape.baseline.shape.air,
            /** the standard atmosphere's pressure at that height */
            z.strictObject({
              temperatureK,
              relativeHumidity,
              elevationM: z.number().check(z.gte(ELEVATION_DOMAIN_M.min), z.lte(ELEVATION_DOMAIN_M.max)),
            }),
          ]),
        ),
      }),
    )
    .check(z.maxLength(1000)),
});
