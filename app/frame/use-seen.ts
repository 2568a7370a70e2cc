import { useState } from "react";
import type { EntryKind } from "#core/log/schema.ts";
import { newestOf } from "#app/journal/seen.ts";
import { useRig } from "./use-rig.ts";

/**
 * @param answer - of the last save: what it has put there, or what was there already
 * @returns what the form on this screen stands on
 */
export function useSeen(kind: EntryKind, answer: { readonly seen?: string } | undefined): string {
  const { present } = useRig();
  const [opened] = useState(() => newestOf(present, kind));
  return answer?.seen ?? opened;
}
