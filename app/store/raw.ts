/** Everything as it is stored, unparsed: the way out when something cannot be read. */
import { database } from "./database.ts";
import { guarded, stored, type Stored } from "./failure.ts";
import { isPhotoKey } from "./photos.ts";

export function rawData(): Promise<Stored<Record<string, unknown>>> {
  return guarded(async () => {
    // Photos would be lists of numbers here: they travel with an export.
    const keys = (await database.keys()).filter((key) => !isPhotoKey(key));
    const values = await Promise.all(keys.map((key) => database.getItem(key)));
    return stored(Object.fromEntries(keys.map((key, i) => [key, values[i]])));
  });
}
