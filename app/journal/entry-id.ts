/** Ids of new entries: readable, ordered by time, never twice. */
import type { EntryKind } from "#core/log/schema.ts";

function uniqueTail(): string {
  const random = crypto.getRandomValues(new Uint32Array(2));
  const tail = [...random].map((n) => n.toString(36).padStart(7, "0")).join("");
  return `${Date.now().toString(36)}-${tail}`;
}

export const newEntryId = (kind: EntryKind): string => `${kind}:${uniqueTail()}`;
export const newPhotoId = (): string => `photo:${uniqueTail()}`;
export const newRideId = (): string => `ride:${uniqueTail()}`;
export const newRigId = (): string => `rig:${uniqueTail()}`;
