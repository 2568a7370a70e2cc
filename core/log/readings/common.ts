/** What every kind of look shares in the log. */
import * as z from "zod/mini";

/** Whose eyes, which sensor: looks of one instrument err together. None named: the rig's usual one. */
export const InstrumentName = z.string().check(z.trim(), z.minLength(1), z.maxLength(40));

/** Of a reading that goes through an instrument. */
export const instrument = z.optional(InstrumentName);
