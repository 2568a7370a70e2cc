/** The preferences of this device. */
import { Preferences } from "#app/vocabulary/preferences.ts";
import { database, metaKey } from "./database.ts";
import { guarded, stored, type Stored } from "./failure.ts";

const KEY = metaKey("preferences");

/** Unreadable or unavailable preferences are no reason to stop anyone: the usual ones are taken. */
export async function readPreferences(): Promise<Preferences> {
  const raw = await database.getItem(KEY).catch(() => null);
  const parsed = Preferences.safeParse(raw ?? {});
  return parsed.success ? parsed.data : Preferences.parse({});
}

/** @returns whether this device could keep them */
export function writePreferences(preferences: Preferences): Promise<Stored<null>> {
  return guarded(async () => {
    await database.setItem(KEY, Preferences.parse(preferences));
    return stored(null);
  });
}
