/** A place as typed. */
import * as z from "zod/mini";
import { PlaceEntry, PRESSURE_TOLD } from "#core/log/schema.ts";
import { perZone, ZONES, type PerZone } from "#core/carburettor/zones.ts";
import { fromSI, type UnitOf } from "#core/units/quantity.ts";
import { maybe, typedNumber, typedQuantity } from "#app/ui/typed.ts";
import { sayIssue } from "#app/ui/say-issue.ts";
import { shortest } from "#app/vocabulary/numerals.ts";

export type PlaceTexts = z.input<ReturnType<typeof placeForm>>;

export const EMPTY_PLACE: PlaceTexts = {
  name: "",
  elevation: "",
  pressure: "station",
  idle: "",
  low: "",
  mid: "",
  top: "",
};

/** Left empty it counts for nothing; all of them empty, and the rig's own use counts. */
const share = maybe(typedNumber(z.number().check(z.gte(0), z.lte(1000))));
const Shares = z.object({ idle: share, low: share, mid: share, top: share });

/** @param unit - of the height, as the tuner likes it */
export const placeForm = (unit: UnitOf<"length">) =>
  z.pipe(
    z.extend(Shares, {
      name: z.string().check(z.trim(), z.minLength(1, "A name for the place."), z.maxLength(60)),
      elevation: typedQuantity("length", unit, PlaceEntry.shape.elevationM),
      pressure: z.enum(PRESSURE_TOLD),
    }),
    z.transform(({ name, elevation: elevationM, pressure, ...shares }, ctx) => {
      const place: Omit<PlaceEntry, "id" | "at" | "kind"> = { name, elevationM, pressure };
      if (ZONES.every((zone) => shares[zone] === undefined)) return place;
      const usage = perZone((zone) => shares[zone] ?? 0);
      if (ZONES.every((zone) => usage[zone] === 0)) sayIssue(ctx, "One zone at least is used.", ["top"]);
      return { ...place, usage };
    }),
  );

/** @returns a place as its form shows it */
export function placeTexts(place: PlaceEntry, unit: UnitOf<"length">): PlaceTexts {
  const share = (zone: keyof PerZone<number>) => (place.usage ? String(place.usage[zone]) : "");
  return {
    name: place.name,
    elevation: shortest(fromSI("length", place.elevationM, unit), 1),
    pressure: place.pressure,
    idle: share("idle"),
    low: share("low"),
    mid: share("mid"),
    top: share("top"),
  };
}
