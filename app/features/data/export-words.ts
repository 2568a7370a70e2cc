import type { Exported } from "#app/journal/export.ts";
import { countWords } from "#app/vocabulary/counts.ts";

/** @returns what did not come along as it should, nothing when all did */
export function exportTrouble({ raw, lostPhotos }: Pick<Exported, "raw" | "lostPhotos">): string | undefined {
  const troubles = [
    ...raw.map((id) => `The rig ${id} cannot be read: it went into the file as it is stored.`),
    ...(lostPhotos > 0 ? [`${countWords(lostPhotos, "photo is", "photos are")} not in this browser.`] : []),
  ];
  return troubles.length === 0 ? undefined : `Exported. ${troubles.join(" ")}`;
}
