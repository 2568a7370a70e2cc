/** The actions of a game in their order: those of the game itself, and what was logged on the screens of a rig. */
import { spread } from "../balance/spread.ts";
import { PARTS } from "../log/parts.ts";
import type { Entry, LookEntry, Setting } from "../log/schema.ts";
import { foldPossible } from "../rig/check-log.ts";
import type { Action } from "./game.ts";

/** An action of the game, and how many entries the log had by then. */
export interface Done {
  readonly after: number;
  readonly action: Action;
}

/** One step of a game: its action, and the entry that it came by, where it was one. */
export interface Step {
  readonly action: Action;
  readonly entry?: Entry;
  /** entries that the log had then, this one included */
  readonly entries: number;
}

/** @returns how a spanner got from the one to the other, carburettor by carburettor */
function moved(before: readonly Setting[], after: readonly Setting[]): Action[] {
  const each = after.map((to, i) => {
    const from = before[i] ?? to;
    return PARTS.filter((part) => from[part] !== to[part]).map((part) => ({ part, to: to[part] }));
  });
  const [first] = each;
  if (each.every((changes) => JSON.stringify(changes) === JSON.stringify(first)))
    return first && first.length > 0 ? [{ do: "change", changes: first }] : [];
  return each.flatMap((changes, i): Action[] =>
    changes.length > 0 ? [{ do: "change", changes, carburettor: i + 1 }] : [],
  );
}

/** A meter is read while it is ridden; what one ride showed in several zones is one ride. */
function ridesOf({ reading, at }: LookEntry, log: readonly Entry[]): Action[] {
  if (reading.type === "bestIdle") return [{ do: "idle", steps: reading.points.length }];
  if (reading.type !== "lambda") return [];
  const before = log.at(-2);
  const along = before?.kind === "look" && before.at === at && before.reading.type === "lambda";
  return along ? [] : [{ do: "ride", hold: reading.zone, cut: "clean" }];
}

/** What of a log takes time on the engine; a reading that is written down takes none. */
function actionsOf(
  entry: Entry,
  log: readonly Entry[],
  before: readonly Setting[],
): [Action[], readonly Setting[]] {
  switch (entry.kind) {
    case "fit":
    case "strike": {
      // Struck through, a change is undone with the same spanner.
      const { settings } = foldPossible(log);
      return [moved(before, settings), settings];
    }
    case "look":
      return [ridesOf(entry, log), before];
    case "run":
      return [[{ do: "ride", hold: entry.run.what === "lap" ? "lap" : "top", cut: "clean" }], before];
    case "balance":
      return [[{ do: "balance", spreadPa: spread(entry.afterPa) }], before];
    default:
      return [[], before];
  }
}

/**
 * @param begun - settings that the engine came with
 * @param entries - the log, in the order in which it was written
 */
export function timelineOf(
  begun: readonly Setting[],
  entries: readonly Entry[],
  done: readonly Done[],
): Step[] {
  let settings = begun;
  const steps: Step[] = [];
  const take = (count: number) => {
    for (const { action } of done.filter(({ after }) => after === count))
      steps.push({ action, entries: count });
  };
  take(0);
  entries.forEach((entry, i) => {
    const [actions, after] = actionsOf(entry, entries.slice(0, i + 1), settings);
    settings = after;
    for (const action of actions) steps.push({ action, entry, entries: i + 1 });
    take(i + 1);
  });
  return steps;
}
