/** How this tuner likes numbers shown. Small, per device, not part of any log. */
import * as z from "zod";
import { CYLINDER_SCHOOLS } from "#core/advice/cylinder-schools.ts";
import { database, metaKey } from "./database.ts";

export const Preferences = z.object({
  temperature: z.enum(["°C", "°F"]).default("°C"),
  pressure: z.enum(["hPa", "kPa", "inHg", "mmHg"]).default("hPa"),
  length: z.enum(["m", "ft"]).default("m"),
  speed: z.enum(["km/h", "mph"]).default("km/h"),
  vacuum: z.enum(["kPa", "cmHg", "inHg", "mbar"]).default("kPa"),
  mixture: z.enum(["lambda", "afr"]).default("lambda"),
  /** what this tuner does about a cylinder that differs */
  cylinderSchool: z.enum(CYLINDER_SCHOOLS).default("causeFirst"),
});
export type Preferences = z.infer<typeof Preferences>;

const KEY = metaKey("preferences");

/** Unreadable or unavailable preferences are no reason to stop anyone: the usual ones are taken. */
export async function readPreferences(): Promise<Preferences> {
  const raw = await database.getItem(KEY).catch(() => null);
  const parsed = Preferences.safeParse(raw ?? {});
  return parsed.success ? parsed.data : Preferences.parse({});
}

export async function writePreferences(preferences: Preferences): Promise<void> {
  await database.setItem(KEY, Preferences.parse(preferences));
}
