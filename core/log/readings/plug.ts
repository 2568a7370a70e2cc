/** A spark plug, read by its colours. */
import * as z from "zod";
import { PLUG_FINDINGS, PLUG_PROTOCOLS, TONES, ZoneName } from "../parts.ts";
import { instrument } from "./common.ts";

export const PlugReading = z.strictObject({
  type: z.literal("plug"),
  zone: ZoneName,
  tone: z.enum(TONES),
  /** a clean cut speaks for its zone alone; rolled to idle, it speaks for idle too */
  cut: z.enum(["clean", "rolled", "unknown"]),
  /** heat-range steps colder than the right plug (negative: hotter) */
  colderSteps: z.int().min(-3).max(3),
  /** what else is on it: each has a consequence of its own */
  findings: z.array(z.enum(PLUG_FINDINGS)).max(4).optional(),
  /** the tones elsewhere on it; `tone` is that of the porcelain near its root */
  places: z
    .strictObject({
      face: z.enum(TONES).optional(),
      strap: z.enum(TONES).optional(),
      ring: z.enum(TONES).optional(),
    })
    .optional(),
  /** it has run before, at other settings; else new or known to be clean */
  used: z.literal(true).optional(),
  /** how the mark was made: seconds held, or laps */
  made: z
    .strictObject({ by: z.enum(PLUG_PROTOCOLS), amount: z.number().min(0).max(36_000).optional() })
    .optional(),
  /** read off a photo, and how sure that was; the tuner's own word otherwise */
  photoSure: z.number().min(0).max(1).optional(),
  /** who read it */
  instrument,
});
