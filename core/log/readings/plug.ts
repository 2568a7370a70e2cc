/** A spark plug, read by its colours. */
import * as z from "zod/mini";
import { PLUG_FINDINGS, PLUG_PROTOCOLS, TONES, ZoneName } from "../parts.ts";
import { instrument } from "./common.ts";

export const PlugReading = z.strictObject({
  type: z.literal("plug"),
  zone: ZoneName,
  tone: z.enum(TONES),
  /** a clean cut speaks for its zone alone; rolled to idle, it speaks for idle too */
  cut: z.enum(["clean", "rolled", "unknown"]),
  /** heat-range steps colder than the right plug (negative: hotter) */
  colderSteps: z.int().check(z.gte(-3), z.lte(3)),
  /** what else is on it: each has a consequence of its own */
  findings: z.optional(z.array(z.enum(PLUG_FINDINGS)).check(z.maxLength(4))),
  /** the tones elsewhere on it; `tone` is that of the porcelain near its root */
  places: z.optional(
    z.strictObject({
      face: z.optional(z.enum(TONES)),
      strap: z.optional(z.enum(TONES)),
      ring: z.optional(z.enum(TONES)),
    }),
  ),
  /** it has run before, at other settings; else new or known to be clean */
  used: z.optional(z.literal(true)),
  /** how the mark was made: seconds held, or laps */
  made: z.optional(
    z.strictObject({
      by: z.enum(PLUG_PROTOCOLS),
      amount: z.optional(z.number().check(z.gte(0), z.lte(36_000))),
    }),
  ),
  /** read off a photo, and how sure that was; the tuner's own word otherwise */
  photoSure: z.optional(z.number().check(z.gte(0), z.lte(1))),
  /** who read it */
  instrument,
});
