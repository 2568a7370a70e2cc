/** The piston's crown, through the plug hole. */
import * as z from "zod/mini";
import { CROWNS, ZoneName } from "../parts.ts";
import { instrument } from "./common.ts";

export const CrownReading = z.strictObject({
  type: z.literal("crown"),
  zone: ZoneName,
  crown: z.enum(CROWNS),
  instrument,
});
