/**
 * How a book lies in its zip: a log file for each rig, which can be read by itself too; its photos as files; what could
 * not be read as it is stored. Colons are not for file names: the ids stand without what they all begin with.
 */
import type { Header } from "#core/log/schema.ts";

const tail = (id: string): string => id.replace(/^[a-z]+:/, "");

/** @returns a name that every device takes */
export const fileNameOf = (name: string): string =>
  name
    .replace(/[^\p{L}\p{N}]+/gu, "-")
    .replace(/^-+|-+$/g, "")
    .slice(0, 60) || "rig";

export const rigPath = ({ id, name }: Pick<Header, "id" | "name">): string =>
  `rigs/${fileNameOf(name)}.${tail(id)}.json`;
export const chartPath = ({ name }: Pick<Header, "name">): string => `charts/${fileNameOf(name)}.csv`;
export const photoPath = (rigId: string, id: string): string => `photos/${tail(rigId)}/${tail(id)}.jpg`;
export const rawPath = (rigId: string): string => `raw/${tail(rigId)}.json`;

export type BookPath =
  | { readonly kind: "rig" }
  | { readonly kind: "photo"; readonly rigId: string; readonly id: string }
  | { readonly kind: "raw"; readonly rigId: string };

// Packed again by hand, all of it may stand in a folder.
const PATHS =
  /^(?:(?!\.)[^/]+\/)?(?:(rigs)\/[^/]+\.json|photos\/([\w-]+)\/([\w-]+)\.jpg|raw\/([\w-]+)\.json)$/;

/** @returns what lies under a path in a zip; nothing for what is not the book's */
export function readPath(path: string): BookPath | undefined {
  const parts = PATHS.exec(path);
  const [, rig, photoOf, photo, raw] = parts ?? [];
  if (rig !== undefined) return { kind: "rig" };
  if (photoOf !== undefined && photo !== undefined)
    return { kind: "photo", rigId: `rig:${photoOf}`, id: `photo:${photo}` };
  return raw === undefined ? undefined : { kind: "raw", rigId: `rig:${raw}` };
}
