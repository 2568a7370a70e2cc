/** Exports everything as it is stored, unparsed, for repair. */
import { database } from "./database.ts";
import { rawLeft } from "./leftovers.ts";
import { guarded, stored, type Stored } from "./failure.ts";
import { isPhotoKey } from "./photos.ts";

/** One record that the browser cannot read keeps back no other. */
const unreadable = (error: unknown) => ({ "cannot be read": String(error) });

export function rawData(): Promise<Stored<Record<string, unknown>>> {
  return guarded(async () => {
    // Photos would be lists of numbers here: they travel with an export.
    const left = await rawLeft().catch(() => ({}));
    const elsewhere = Object.keys(left).length === 0 ? {} : { "kept elsewhere by an earlier visit": left };
    const all = await database.keys().catch((error: unknown) => {
      // What lies elsewhere can be had although the book is closed.
      if (Object.keys(elsewhere).length === 0) throw error;
      return [];
    });
    const keys = all.filter((key) => !isPhotoKey(key));
    const values = await Promise.all(keys.map((key) => database.getItem(key).catch(unreadable)));
    return stored({ ...Object.fromEntries(keys.map((key, i) => [key, values[i]])), ...elsewhere });
  });
}
