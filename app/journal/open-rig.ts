/** Loads a rig: log, folded state, revision. */
import { data } from "react-router";
import type { Present } from "#core/log/present.ts";
import type { Build, Setting } from "#core/log/schema.ts";
import { foldPossible } from "#core/rig/check-log.ts";
import type { OpenGame } from "#app/store/practice-log.ts";
import { readRig, type RigLog } from "#app/store/rig-log.ts";

/** What was folded, kept as long as its log is: a change of screens folds nothing again. */
const folded = new WeakMap<RigLog["entries"], Present>();

export function presentOf({ entries }: RigLog): Present {
  const known = folded.get(entries);
  if (known) return known;
  const present = foldPossible(entries);
  folded.set(entries, present);
  return present;
}

/** A save has folded the new log to check it: that is not done twice. */
export function keepFolded(log: RigLog, present: Present): void {
  const same =
    log.entries.length === present.lines.length &&
    log.entries.every((entry, i) => present.lines[i]?.entry.id === entry.id);
  if (same) folded.set(log.entries, present);
}

export interface OpenRig {
  readonly log: RigLog;
  readonly present: Present;
  readonly build: Build;
  readonly fitted: Setting;
}

/** @throws what the router shows, where the game cannot be read */
export async function openGame(rigId: string): Promise<OpenGame> {
  const { readGameNow } = await import("#app/store/practice-log.ts");
  const game = await readGameNow(rigId);
  if (game.ok) return game.value;
  throw data(game.problem.message, { status: game.problem.reason === "missing" ? 404 : 500 });
}

/** Reads a rig for a loader or an action; a missing or unreadable one is answered in the router's way. */
export async function openRig(rigId: string): Promise<OpenRig> {
  const read = await readRig(rigId);
  if (!read.ok) throw data(read.problem.message, { status: read.problem.reason === "missing" ? 404 : 500 });
  const present = presentOf(read.value);
  const { build, setting } = present;
  if (!build || !setting)
    throw data("This rig’s log says nothing of its carburettor. Import it again on the Data page.", {
      status: 500,
    });
  return { log: read.value, present, build, fitted: setting };
}
