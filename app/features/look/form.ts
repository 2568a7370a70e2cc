/** A look as tapped and typed, whatever its kind: used by the form and by its action. */
import * as z from "zod/mini";
import { ZoneName } from "#core/log/parts.ts";
import { InstrumentName } from "#core/log/readings/common.ts";
import type { Build, Reading } from "#core/log/schema.ts";
import { HowName } from "#app/frame/look-query.ts";
import { newRideId } from "#app/journal/entry-id.ts";
import type { Content } from "#app/journal/save.ts";
import { boundWords } from "#app/vocabulary/bounds.ts";
import { Felt, readLook, rideReport, type LookTyped } from "./kinds.ts";

const Common = z.object({
  type: HowName,
  zone: ZoneName,
  /** counted from 1; none: the engine as a whole */
  cylinder: z.optional(z.int().check(z.gte(1), z.lte(6))),
  /** by name; empty: the usual one */
  instrument: z.union([InstrumentName, z.literal("")]),
  felt: Felt,
});

export type LookTexts = z.input<typeof Common> & LookTyped;

/** Kinds that a ride is told with. */
const TELLS: ReadonlySet<HowName> = new Set(["plug", "temperature", "ride"]);

const named = (reading: Reading, instrument: string): Reading =>
  instrument === "" || reading.type === "symptom" || reading.type === "compared"
    ? reading
    : { ...reading, instrument };

/** @returns what one save logs: looks of one ride, and whatever was typed with them about the rig */
export const lookForm = (build: Build) =>
  z.pipe(
    z.custom<LookTexts>((texts) => typeof texts === "object" && texts !== null),
    z.transform((texts, ctx): Content[] => {
      const common = Common.safeParse(texts, { error: boundWords });
      if (!common.success) {
        for (const { path, message } of common.error.issues)
          ctx.issues.push({ code: "custom", input: texts, path, message });
        return z.NEVER;
      }
      const { type, zone, cylinder, instrument, felt } = common.data;
      const report = TELLS.has(type) ? rideReport(felt) : undefined;
      const said = readLook(type, texts[type], { zone, build, felt: report }, ctx);
      if (!said || ctx.issues.length > 0) return z.NEVER;
      const { readings, first = [], simulated = false } = said;
      const ride = readings.length > 1 && type !== "witness" ? { ride: newRideId() } : {};
      const one = build.engine.cylinders > 1 ? cylinder : undefined;
      return [
        ...first,
        ...readings.map((reading): Content => ({
          kind: "look",
          ...ride,
          reading: type !== "ride" && reading.type === "rideReport" ? reading : named(reading, instrument),
          // How it pulled is told of the whole engine.
          ...(one !== undefined && reading.type !== "rideReport" && { cylinder: one }),
          ...(simulated && { simulated }),
        })),
      ];
    }),
  );
