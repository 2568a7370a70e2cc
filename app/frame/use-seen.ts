import { useState } from "react";
import type { EntryKind } from "#core/log/schema.ts";
import { newestOf } from "#app/journal/seen.ts";
import { useRig } from "./use-rig.ts";

/**
 * @param answer - of the last save: what it has put there, or what was there already
 * @returns what the form on this screen stands on; a refusal for another reason leaves it
 */
export function useSeen(kind: EntryKind | undefined, answer: { readonly seen?: string } | undefined): string {
  const { present } = useRig();
  const [seen, setSeen] = useState(() => (kind ? newestOf(present, kind) : ""));
  const told = answer?.seen;
  if (told !== undefined && told !== seen) setSeen(told);
  return told ?? seen;
}
