/** What every kind of look shares in the log. */
import * as z from "zod";

/** Whose eyes, which sensor: looks of one instrument err together. None named: the rig's usual one. */
export const InstrumentName = z.string().trim().min(1).max(40);

/** Of a reading that goes through an instrument. */
export const instrument = InstrumentName.optional();
