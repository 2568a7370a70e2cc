/** What a file would bring, in words. */
import { dayShort, momentWords } from "#app/vocabulary/days.ts";
import { countWords } from "#app/vocabulary/counts.ts";
import type { Brought, Coming, RigComing } from "#app/store/book-file/keep.ts";

/** @returns `12 new entries, 3 May 2026 to 9 May 2026; 40 are here already` */
export function rigComingWords({ fresh, already, from, to }: RigComing): string {
  const here = already === 0 ? "" : `${fresh === 0 ? "all " : ""}${already} are here already`;
  if (fresh === 0 || from === undefined || to === undefined) return here;
  const days = from === to ? dayShort(from) : `${dayShort(from)} to ${dayShort(to)}`;
  return `${countWords(fresh, "new entry", "new entries")}, ${days}${here === "" ? "" : `; ${here}`}`;
}

/** @returns what came in, as it is said once it has */
export const broughtWords = ({ rigs, entries }: Pick<Brought, "rigs" | "entries">): string =>
  entries === 0
    ? "Everything in this file is already here."
    : `Imported ${countWords(entries, "entry", "entries")}${rigs > 0 ? `, ${countWords(rigs, "new rig")}` : ""}.`;

/** @returns what else is to be known before it comes in, a line each */
export function comingNotes({ savedAt, photos, raw, unknown }: Coming): string[] {
  const notes = [`Saved ${momentWords(savedAt)}.`];
  if (photos > 0) notes.push(`${countWords(photos, "photo")} come along.`);
  for (const id of raw)
    notes.push(
      `${id} could not be read where the file was made: it stays out, as it is stored, in the file.`,
    );
  if (unknown.length > 0)
    notes.push(
      `${countWords(unknown.length, "value")} of a newer Tamis (${unknown.slice(0, 3).join(", ")}${unknown.length > 3 ? ", …" : ""}): kept as it came, used once this Tamis is updated.`,
    );
  return notes;
}
