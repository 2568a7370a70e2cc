/** Work that was done to the machine. */
import * as z from "zod/mini";
import { WorkNameSchema } from "#core/log/epochs.ts";

export const WorkForm = z.object({
  what: WorkNameSchema,
  why: z.string().check(z.trim(), z.maxLength(2000)),
});
