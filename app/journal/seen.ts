/** Optimistic concurrency of forms: detects that a record was saved elsewhere since the form opened. */
import * as z from "zod/mini";
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

const Sent = z.object({ seen: z.string().check(z.maxLength(80)) });

/** @param sent - by a form: what it was opened on is told with it, or nothing is */
export function unlessOvertaken(kind: EntryKind | undefined, sent: unknown) {
  const told = Sent.safeParse(sent);
  return (present: Present): Overtaken | undefined => {
    if (!kind || !told.success) return undefined;
    const newest = newestOf(present, kind);
    return told.data.seen === newest
      ? undefined
      : {
          message:
            "This was saved elsewhere meanwhile, in another tab. Nothing was saved, and what you typed is still here. Open the screen again to see what is there now. Or save once more to put yours over it.",
          seen: newest,
        };
  };
}
