/** Another rig like this one: as typed. */
import * as z from "zod/mini";
import { Build, Header } from "#core/log/schema.ts";

export const LikeForm = z.object({
  name: Header.shape.name,
  plate: Header.shape.plate,
  carburettor: z.enum(["same", "anew"]),
  takesAir: z.enum(["yes", "no"]),
  /** what was learnt here; none yet where the log has no looks */
  airAnswer: Build.shape.airAnswer,
});
