import type { Present } from "#core/log/present.ts";
import { dayOf } from "#core/log/schema.ts";
import type { LookFace } from "./strip/Strip.tsx";

/** The looks of the newest day that has any, numbered as they were taken: what the strip marks. */
export function lookFaces({ looks }: Present): LookFace[] {
  const last = looks.at(-1);
  if (!last) return [];
  const day = dayOf(last.entry.at);
  return looks
    .filter(({ entry }) => dayOf(entry.at) === day)
    .map(({ entry: { id, reading } }, i) => ({
      lookId: id,
      number: i + 1,
      face: reading.type === "plug" ? reading.tone : "lambda",
    }));
}
