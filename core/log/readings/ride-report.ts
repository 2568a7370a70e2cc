/** How it pulled, told after a ride: rich, clean or lean in every zone that was used. */
import * as z from "zod/mini";
import { ZONE_NAMES } from "../parts.ts";
import { instrument } from "./common.ts";

export const FELT = ["rich", "clean", "lean"] as const;
export type Felt = (typeof FELT)[number];

const felt = z.optional(z.enum(FELT));

export const RideReportReading = z.strictObject({
  type: z.literal("rideReport"),
  felt: z.strictObject({ idle: felt, low: felt, mid: felt, top: felt }).check(
    z.refine((zones) => ZONE_NAMES.some((zone) => zones[zone] !== undefined), {
      message: "a ride report must say something of at least one zone",
    }),
  ),
  /** whose seat of the pants */
  instrument,
});
