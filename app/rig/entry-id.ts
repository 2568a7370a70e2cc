/** Ids of new entries: readable, ordered by time, never twice. */
import type { EntryKind } from "#core/log/schema.ts";

export function newEntryId(kind: EntryKind): string {
  const random = crypto.getRandomValues(new Uint32Array(2));
  const tail = [...random].map((n) => n.toString(36).padStart(7, "0")).join("");
  return `${kind}:${Date.now().toString(36)}-${tail}`;
}
