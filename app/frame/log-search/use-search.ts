/** What is typed into a search, and the lines that match: put into words in pauses, so that the first letter finds them. */
import { useEffect, useMemo, useState } from "react";
import { useSearchParams } from "react-router";
import type { LogLine } from "#core/log/present.ts";
import type { Preferences } from "#app/vocabulary/preferences.ts";
import { matching, prepareTexts, type Writing } from "./line-text.ts";

/** The name in the address by which a search across all rigs leads to a log. */
export const FIND = "find";

export function useSearch(lines: readonly LogLine[], units: Preferences, stoichiometric: number) {
  const [query] = useSearchParams();
  const [search, setSearch] = useState(query.get(FIND) ?? "");
  const writing = useMemo<Writing>(() => ({ units, stoichiometric }), [units, stoichiometric]);
  useEffect(() => {
    const stop = new AbortController();
    void prepareTexts(lines, writing, stop.signal);
    return () => stop.abort();
  }, [lines, writing]);
  const found = useMemo(() => matching(lines, search, writing), [lines, search, writing]);
  return { search, setSearch, found };
}
