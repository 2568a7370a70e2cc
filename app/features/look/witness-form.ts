/** Piston crown and header of one run: each that was looked at becomes a look of its own. */
import * as z from "zod/mini";
import { CROWNS, HEADER_COLOURS, ZoneName } from "#core/log/parts.ts";
import type { Reading } from "#core/log/schema.ts";

const WitnessSent = z.object({
  zone: ZoneName,
  crown: z._default(z.enum([...CROWNS, "unseen"]), "unseen"),
  colour: z._default(z.enum([...HEADER_COLOURS, "unseen"]), "unseen"),
});

export type ReadingsRead =
  { ok: true; readings: readonly Reading[] } | { ok: false; fields: Record<string, string> };

export function readWitnesses(texts: unknown): ReadingsRead {
  const sent = WitnessSent.safeParse(texts);
  if (!sent.success) return { ok: false, fields: { form: "This look cannot be read. Nothing was saved." } };
  const { zone, crown, colour } = sent.data;
  const readings: Reading[] = [
    ...(crown === "unseen" ? [] : [{ type: "crown" as const, zone, crown }]),
    ...(colour === "unseen" ? [] : [{ type: "header" as const, zone, colour }]),
  ];
  return readings.length > 0
    ? { ok: true, readings }
    : { ok: false, fields: { crown: "Say what the crown or the header showed." } };
}
