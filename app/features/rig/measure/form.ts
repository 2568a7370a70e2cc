/** One assumed value, measured: as typed. */
import * as z from "zod/mini";
import { ASSUMED_DOUBT } from "#core/rig/assumed.ts";

const Path = z
  .string()
  .check(z.refine((path) => Object.hasOwn(ASSUMED_DOUBT, path), "Choose one of those offered."));

export const MeasureForm = z.object({
  path: Path,
  value: z.string().check(z.maxLength(40)),
  /** of an air: what it is typed in */
  units: z.optional(z.unknown()),
  /** a word for the log: by what gauge, in which book */
  by: z.string().check(z.trim(), z.maxLength(80)),
});
