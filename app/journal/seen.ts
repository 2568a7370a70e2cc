/** What a form was opened on: saved meanwhile elsewhere, that is told before anything is put over it. */
import type { Present } from "#core/log/present.ts";
import type { EntryKind } from "#core/log/schema.ts";

/** @returns the newest entry of a kind that counts, or nothing's name */
export const newestOf = ({ lines }: Present, kind: EntryKind): string =>
  lines.findLast(({ entry, struck }) => entry.kind === kind && !struck)?.entry.id ?? "none";

export interface Overtaken {
  readonly message: string;
  /** sent with the next save it goes over what was saved meanwhile */
  readonly seen: string;
}

/** @param seen - what the form was opened on, nothing where none is told */
export const unlessOvertaken =
  (kind: EntryKind, seen: string | undefined) =>
  (present: Present): Overtaken | undefined => {
    const newest = newestOf(present, kind);
    if (seen === undefined || seen === newest) return undefined;
    return {
      message:
        "This was saved elsewhere meanwhile, in another tab. Nothing was saved here, and what you typed is still here: open the screen again to see what is there now, or save once more to put yours over it.",
      seen: newest,
    };
  };
