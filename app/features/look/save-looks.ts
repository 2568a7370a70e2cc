import { data, redirect } from "react-router";
import { type Build, type Reading } from "#core/log/schema.ts";
import { HeatSent, readHeat } from "./heat-form.ts";
import { refused, saveEntries, type Content, readSent } from "#app/journal/save.ts";

export interface TakenBy {
  /** counted from 1; none: the engine as a whole */
  readonly cylinder?: number | undefined;
  /** by name; none: the usual one */
  readonly instrument?: string | undefined;
  /** by a stand-in */
  readonly simulated?: boolean;
}

/** Looks of one moment, and whatever was typed with them about the rig, in one write. */
export async function saveLooks(
  rigId: string,
  readings: readonly Reading[],
  { cylinder, instrument, simulated = false }: TakenBy,
  first: readonly Content[] = [],
) {
  const looks = readings.map((reading): Content => ({
    kind: "look",
    // A symptom is felt with no instrument.
    reading:
      instrument === undefined || reading.type === "symptom" || reading.type === "compared"
        ? reading
        : { ...reading, instrument },
    ...(cylinder !== undefined && { cylinder }),
    ...(simulated && { simulated }),
  }));
  const problem = await saveEntries(rigId, [...first, ...looks]);
  return problem ? refused(problem, 507) : redirect(`/rigs/${rigId}`);
}

export async function saveHeat(rigId: string, texts: unknown, build: Build, by: TakenBy) {
  const form = readSent(HeatSent, texts, "These temperatures");
  if (!form.ok) return form.answer;
  const read = readHeat(form.sent, build);
  if (!read.ok)
    return data({ fields: read.fields, offersOther: read.otherUnit !== undefined }, { status: 400 });
  const why = "Where its temperatures belong";
  const targets: Content[] = read.heat
    ? [{ kind: "build", build: { ...build, heat: read.heat }, reopens: [], why }]
    : [];
  return saveLooks(rigId, read.readings, by, targets);
}

/** @returns the cylinder (from 1) that was looked at, or nothing for the engine as a whole */
export function cylinderNamed(text: unknown, { engine }: Build): number | undefined {
  const read = typeof text === "string" ? Number(text) : NaN;
  return Number.isInteger(read) && read >= 1 && read <= engine.cylinders && engine.cylinders > 1
    ? read
    : undefined;
}
