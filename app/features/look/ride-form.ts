/** A ride told zone by zone, and a setting said to be right: as their forms send them. */
import * as z from "zod/mini";
import { FELT } from "#core/log/readings/ride-report.ts";
import { SurelyProven, type Reading } from "#core/log/schema.ts";
import type { ReadingsRead } from "./witness-form.ts";

const Told = z._default(z.enum([...FELT, "unused"]), "unused");
const RideSent = z.object({ "felt.idle": Told, "felt.low": Told, "felt.mid": Told, "felt.top": Told });

export function readRide(texts: unknown): ReadingsRead {
  const sent = RideSent.safeParse(texts);
  if (!sent.success) return { ok: false, fields: { form: "This report cannot be read. Nothing was saved." } };
  const felt: Extract<Reading, { type: "rideReport" }>["felt"] = {};
  for (const zone of ["idle", "low", "mid", "top"] as const) {
    const told = sent.data[`felt.${zone}`];
    if (told !== "unused") felt[zone] = told;
  }
  return Object.keys(felt).length > 0
    ? { ok: true, readings: [{ type: "rideReport", felt }] }
    : { ok: false, fields: { felt: "Say of at least one zone how it pulled." } };
}

export const ProvenSent = z.object({
  how: SurelyProven,
  note: z._default(z.string().check(z.trim(), z.maxLength(500)), ""),
});
