/** A λ figure. */
import * as z from "zod";
import { ZoneName } from "../parts.ts";
import { instrument } from "./common.ts";

export const LambdaReading = z.strictObject({
  type: z.literal("lambda"),
  zone: ZoneName,
  lambda: z.number().min(0.4).max(2),
  /** near the open end air is drawn in */
  sensor: z.enum(["inside", "openEnd"]),
  /** from a logger's file: how long it stood in the zone, and how much it moved there */
  logged: z
    .strictObject({ seconds: z.number().min(0.1).max(1_000_000), spread: z.number().min(0).max(1) })
    .optional(),
  instrument,
});
