/** Sorts entries by time. */
import type { Entry } from "./schema.ts";

/** Ordered by time; entries of the same instant keep the order they were entered in. */
export function inOrder(entries: readonly Entry[]): Entry[] {
  const timed = entries.map((entry) => ({ entry, instant: Date.parse(entry.at) }));
  return timed.sort((a, b) => a.instant - b.instant).map(({ entry }) => entry);
}

/** @param ordered - in order already: what comes after all of it is put behind it, and nothing is sorted anew */
export function inOrderWith(ordered: readonly Entry[], added: readonly Entry[]): Entry[] {
  const all = [...ordered, ...added];
  const instants = [ordered.at(-1), ...added].flatMap((entry) => (entry ? [Date.parse(entry.at)] : []));
  return instants.every((instant, i) => i === 0 || instant >= (instants[i - 1] ?? 0)) ? all : inOrder(all);
}
