/** Moves entries logged on the wrong rig: which may go, and how they read in the other log. */
import type { LogLine } from "./present.ts";
import type { Entry, EntryKind } from "./schema.ts";

/** What says nothing of the machine's own parts, and carries no photo kept under its rig. */
const MOVABLE: ReadonlySet<EntryKind> = new Set<EntryKind>([
  "air",
  "look",
  "fit",
  "run",
  "note",
  "adjust",
  "check",
  "answer",
  "headers",
  "balance",
  "place",
  "forecast",
  "heats",
  "route",
  "climate",
]);

/** @returns whether a line of one rig's log could have been meant for another */
export const isMovable = ({ entry, struck }: LogLine): boolean => !struck && MOVABLE.has(entry.kind);

/**
 * @param entries - of one rig, movable
 * @param newId - draws an id for an entry of that kind
 * @returns the same as entries of another rig: under ids of their own, at their own time. What one of them says of
 *   another is kept where both move; what the app advised then was advised to the other machine, and is left out.
 */
export function movedEntries(entries: readonly Entry[], newId: (kind: EntryKind) => string): Entry[] {
  const ids = new Map(entries.map((entry) => [entry.id, newId(entry.kind)]));
  return entries.map((entry): Entry => {
    const id = ids.get(entry.id) ?? entry.id;
    if (entry.kind === "fit") {
      const fit = { ...entry, id };
      delete fit.advised;
      return fit;
    }
    if (entry.kind === "look" && entry.reading.type === "compared") {
      const { fit, ...reading } = entry.reading;
      const there = fit === undefined ? undefined : ids.get(fit);
      return { ...entry, id, reading: { ...reading, ...(there !== undefined && { fit: there }) } };
    }
    return { ...entry, id };
  });
}
