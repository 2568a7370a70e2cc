/** The words of each line of a log, kept: years of them are put into words once, in pieces, and then searched at once. */
import type { LogLine } from "#core/log/present.ts";
import type { Entry } from "#core/log/schema.ts";
import { lineWords } from "#app/vocabulary/entries.ts";
import type { Preferences } from "#app/vocabulary/preferences.ts";

/** How the figures in the words are written. */
export interface Writing {
  readonly units: Preferences;
  readonly stoichiometric: number;
}

interface Known {
  readonly units: Preferences;
  /** a change is told with what was fitted before it */
  readonly before: string;
  readonly text: string;
}
/** By entry: a log that was added to is folded anew, and its entries are the same. */
const known = new WeakMap<Entry, Known>();
const beforeOf = ({ entry, befores }: LogLine): string =>
  entry.kind === "fit" ? JSON.stringify(befores) : "";
/** Read again from storage they are another object, and the same. */
const same = (a: Preferences, b: Preferences): boolean =>
  a === b || Object.entries(a).every(([name, value]) => b[name as keyof Preferences] === value);

function textOf(line: LogLine, { units, stoichiometric }: Writing): string {
  const told = known.get(line.entry);
  const before = beforeOf(line);
  if (told?.before === before && same(told.units, units)) return told.text;
  const { kind, what, result } = lineWords(line, units, stoichiometric);
  const text = `${kind} ${what} ${result} ${line.entry.at}`.toLowerCase();
  known.set(line.entry, { units, before, text });
  return text;
}

/** So many take a few milliseconds: a tap in between is answered. */
const AT_ONCE = 200;

/** Puts all of a log into words before they are asked for. */
export async function prepareTexts(
  lines: readonly LogLine[],
  writing: Writing,
  signal?: AbortSignal,
): Promise<void> {
  for (let i = 0; i < lines.length && signal?.aborted !== true; i += AT_ONCE) {
    for (const line of lines.slice(i, i + AT_ONCE)) textOf(line, writing);
    await new Promise((resolve) => setTimeout(resolve, 0));
  }
}

/** @returns the lines that have every word that is looked for, in any order */
export function matching(lines: readonly LogLine[], search: string, writing: Writing): readonly LogLine[] {
  const words = search.toLowerCase().split(/\s+/).filter(Boolean);
  if (words.length === 0) return lines;
  return lines.filter((line) => {
    const text = textOf(line, writing);
    return words.every((word) => text.includes(word));
  });
}
