/** The lines of the log as they are listed: newest first, a heading per day. */
import type { LogLine } from "#core/log/present.ts";
import { dayOf } from "#core/log/schema.ts";

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
