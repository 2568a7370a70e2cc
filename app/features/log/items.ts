/** The lines of the log as they are listed: those that match, newest first, a heading per day. */
import type { LogLine } from "#core/log/fold.ts";
import { dayOf } from "#core/log/schema.ts";
import { lineWords } from "#app/vocabulary/entries.ts";
import type { Preferences } from "#app/vocabulary/preferences.ts";

export type Item = { key: string; day: string } | { key: string; line: LogLine };

/** Newest first, a heading per day. */
export function items(lines: readonly LogLine[]): Item[] {
  const found: Item[] = [];
  let day = "";
  for (const line of [...lines].reverse()) {
    const its = dayOf(line.entry.at);
    if (its !== day) found.push({ key: its, day: line.entry.at });
    day = its;
    found.push({ key: line.entry.id, line });
  }
  return found;
}

export function matching(
  lines: readonly LogLine[],
  search: string,
  units: Preferences,
  stoichiometric: number,
): readonly LogLine[] {
  const words = search.toLowerCase().split(/\s+/).filter(Boolean);
  if (words.length === 0) return lines;
  return lines.filter((line) => {
    const { kind, what, result } = lineWords(line, units, stoichiometric);
    const text = `${kind} ${what} ${result} ${line.entry.at}`.toLowerCase();
    return words.every((word) => text.includes(word));
  });
}
