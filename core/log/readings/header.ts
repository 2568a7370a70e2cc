/** The colour inside the header or its spigot. */
import * as z from "zod/mini";
import { HEADER_COLOURS, ZoneName } from "../parts.ts";
import { instrument } from "./common.ts";

export const HeaderReading = z.strictObject({
  type: z.literal("header"),
  zone: ZoneName,
  colour: z.enum(HEADER_COLOURS),
  instrument,
});
