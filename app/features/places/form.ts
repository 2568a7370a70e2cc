/** A place as typed. */
import * as z from "zod/mini";
import { PlaceEntry, PRESSURE_TOLD } from "#core/log/schema.ts";
import { ZONES, type PerZone, type Zone } from "#core/carburettor/zones.ts";
import { fromSI, type UnitOf } from "#core/units/quantity.ts";
import { readTypedNumber } from "#core/units/typed-number.ts";
import { typedQuantity } from "#app/ui/typed.ts";
import { sayIssue } from "#app/ui/say-issue.ts";

export type PlaceTexts = Readonly<Record<"name" | "elevation" | "pressure" | Zone, string>>;

export const EMPTY_PLACE: PlaceTexts = {
  name: "",
  elevation: "",
  pressure: "station",
  idle: "",
  low: "",
  mid: "",
  top: "",
};

const Shares = z.object({ idle: z.string(), low: z.string(), mid: z.string(), top: z.string() });

/** All four or none: where a place says nothing of its use, the rig's own counts. */
const Usage = z.pipe(
  Shares,
  z.transform((texts, ctx): PerZone<number> | undefined => {
    if (ZONES.every((zone) => texts[zone].trim() === "")) return undefined;
    const read = ZONES.map((zone) => ({
      zone,
      typed: readTypedNumber(texts[zone].trim() === "" ? "0" : texts[zone]),
    }));
    for (const { zone, typed } of read)
      if (!typed.ok || typed.value < 0 || typed.value > 1000)
        sayIssue(ctx, "A share, such as 30: 0 to 1000.", [zone]);
    const value = (zone: keyof PerZone<number>) => {
      const typed = read.find((one) => one.zone === zone)?.typed;
      return typed?.ok ? typed.value : 0;
    };
    const usage = { idle: value("idle"), low: value("low"), mid: value("mid"), top: value("top") };
    if (ZONES.every((zone) => usage[zone] === 0)) sayIssue(ctx, "One zone at least is used.", ["top"]);
    return usage;
  }),
);

/** @param unit - of the height, as the tuner likes it */
export const placeForm = (unit: UnitOf<"length">) =>
  z.pipe(
    z.extend(Shares, {
      name: z.string().check(z.trim(), z.minLength(1, "A name for the place."), z.maxLength(60)),
      elevation: typedQuantity("length", unit, PlaceEntry.shape.elevationM),
      pressure: z.enum(PRESSURE_TOLD),
    }),
    z.transform((texts, ctx): Omit<PlaceEntry, "id" | "at" | "kind"> => {
      const usage = Usage.safeParse(texts);
      if (!usage.success) {
        for (const { path, message } of usage.error.issues) sayIssue(ctx, message, path);
        return z.NEVER;
      }
      const { name, elevation: elevationM, pressure } = texts;
      return { name, elevationM, pressure, ...(usage.data && { usage: usage.data }) };
    }),
  );

/** @returns a place as its form shows it */
export function placeTexts(place: PlaceEntry, unit: UnitOf<"length">): PlaceTexts {
  const share = (zone: keyof PerZone<number>) => (place.usage ? String(place.usage[zone]) : "");
  return {
    name: place.name,
    elevation: String(Number(fromSI("length", place.elevationM, unit).toFixed(1))),
    pressure: place.pressure,
    idle: share("idle"),
    low: share("low"),
    mid: share("mid"),
    top: share("top"),
  };
}
