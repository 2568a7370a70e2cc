/** Advice recomputed from the log as it was at an earlier moment, struck entries included. */
import { adviseOn, type Advice } from "../advice/card/advise.ts";
import { groupOf, openCase, type Case } from "../advice/judge/case.ts";
import type { Build } from "../log/schema.ts";

export interface AsThen {
  readonly advice: Advice;
  /** the machine as it was described then, with the carburettor that the advice is for */
  readonly build: Build;
}

/**
 * @param entryId - the moment: just before this entry was logged. What was struck through later still stood then.
 * @returns nothing where nobody could have been advised: before a machine was described or an air read
 * @throws {RangeError} for an entry that the log has not got
 */
export function adviceAsThen(open: Case, entryId: string, carburettor = 0): AsThen | undefined {
  const { lines } = open.present;
  const before = lines.findIndex(({ entry }) => entry.id === entryId);
  if (before < 0) throw new RangeError(`entry must be one of the log, got ${entryId}`);
  const entries = lines.slice(0, before).map(({ entry }) => entry);
  if (!entries.some(({ kind }) => kind === "build") || !entries.some(({ kind }) => kind === "air"))
    return undefined;
  const opened = openCase(entries, { messages: open.heard });
  const advice = adviseOn(opened, undefined, carburettor);
  return { advice, build: groupOf(opened, carburettor).build };
}
