/** The words of each line of a log, kept: years of them are put into words once, in pieces, and then searched at once. */
import type { LogLine } from "#core/log/fold.ts";
import { lineWords } from "#app/vocabulary/entries.ts";
import type { Preferences } from "#app/vocabulary/preferences.ts";

/** How the figures in the words are written. */
export interface Writing {
  readonly units: Preferences;
  readonly stoichiometric: number;
}

const known = new WeakMap<LogLine, { readonly units: Preferences; readonly text: string }>();
/** Read again from storage they are another object, and the same. */
const same = (a: Preferences, b: Preferences): boolean =>
  a === b || Object.entries(a).every(([name, value]) => b[name as keyof Preferences] === value);

function textOf(line: LogLine, { units, stoichiometric }: Writing): string {
  const before = known.get(line);
  if (before && same(before.units, units)) return before.text;
  const { kind, what, result } = lineWords(line, units, stoichiometric);
  const text = `${kind} ${what} ${result} ${line.entry.at}`.toLowerCase();
  known.set(line, { units, text });
  return text;
}

/** So many take a few milliseconds: a tap in between is answered. */
const AT_ONCE = 500;

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
