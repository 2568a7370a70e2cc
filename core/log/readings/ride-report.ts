/** How it pulled, told after a ride: rich, clean or lean in every zone that was used. */
import * as z from "zod";
import { ZONE_NAMES } from "../parts.ts";
import { instrument } from "./common.ts";

export const FELT = ["rich", "clean", "lean"] as const;
export type Felt = (typeof FELT)[number];

const felt = z.enum(FELT).optional();

export const RideReportReading = z.strictObject({
  type: z.literal("rideReport"),
  felt: z
    .strictObject({ idle: felt, low: felt, mid: felt, top: felt })
    .refine((zones) => ZONE_NAMES.some((zone) => zones[zone] !== undefined), {
      message: "a ride report must say something of at least one zone",
    }),
  /** whose seat of the pants */
  instrument,
});
