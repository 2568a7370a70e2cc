/** Parts removed in a teardown, in the order of removal. */
import type { TeardownEntry } from "./schema.ts";
import type { TeardownStep } from "./teardown-names.ts";

/**
 * @param entries - in order of time
 * @returns the parts that are out now, by when they came out first; a part put back leaves the tray. What
 *   was logged again later adds its photos and takes the words' place.
 */
export function onTray(entries: readonly TeardownEntry[]): TeardownEntry[] {
  const tray = new Map<TeardownStep, TeardownEntry>();
  for (const entry of entries) {
    const known = tray.get(entry.step);
    if (entry.moved === "in") tray.delete(entry.step);
    else if (known)
      tray.set(entry.step, { ...entry, at: known.at, photos: [...known.photos, ...entry.photos] });
    else tray.set(entry.step, entry);
  }
  return [...tray.values()];
}
