import { data } from "react-router";
import { type Build, type Reading } from "#core/log/schema.ts";
import { HeatSent, readHeat } from "./heat-form.ts";
import { newRideId } from "#app/journal/entry-id.ts";
import { logEntries, refused, type Content, readSent } from "#app/journal/save.ts";

export interface TakenBy {
  /** counted from 1; none: the engine as a whole */
  readonly cylinder?: number | undefined;
  /** by name; none: the usual one */
  readonly instrument?: string | undefined;
  /** by a stand-in */
  readonly simulated?: boolean;
  /** how it pulled on the ride that coloured the plug: of the whole engine, by whoever rode */
  readonly felt?: readonly Reading[];
}

/** Logs all of it in one write. @returns the ids of what one tap takes back, or what is wrong */
export async function logAll(rigId: string, contents: readonly Content[]) {
  const logged = await logEntries(rigId, contents);
  return logged.ok ? data({ logged: logged.ids }) : refused(logged.problem, 507);
}

/** Looks of one ride, and whatever was typed with them about the rig, in one write. */
export function saveLooks(
  rigId: string,
  readings: readonly Reading[],
  { cylinder, instrument, simulated = false, felt = [] }: TakenBy,
  first: readonly Content[] = [],
) {
  const ride = readings.length + felt.length > 1 ? { ride: newRideId() } : {};
  const looks = readings.map((reading): Content => ({
    kind: "look",
    ...ride,
    // A symptom is felt with no instrument.
    reading:
      instrument === undefined || reading.type === "symptom" || reading.type === "compared"
        ? reading
        : { ...reading, instrument },
    ...(cylinder !== undefined && { cylinder }),
    ...(simulated && { simulated }),
  }));
  const told = felt.map((reading): Content => ({ kind: "look", ...ride, reading }));
  return logAll(rigId, [...first, ...looks, ...told]);
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
