/** A λ figure. */
import * as z from "zod/mini";
import { ZoneName } from "../parts.ts";
import { instrument } from "./common.ts";

export const LambdaReading = z.strictObject({
  type: z.literal("lambda"),
  zone: ZoneName,
  lambda: z.number().check(z.gte(0.4), z.lte(2)),
  /** near the open end air is drawn in */
  sensor: z.enum(["inside", "openEnd"]),
  /** from a logger's file: how long it stood in the zone, and how much it moved there */
  logged: z.optional(
    z.strictObject({
      seconds: z.number().check(z.gte(0.1), z.lte(1_000_000)),
      spread: z.number().check(z.gte(0), z.lte(1)),
    }),
  ),
  instrument,
});
