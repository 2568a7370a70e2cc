/**
 * Once a fault is mended that had made it rich, or look so on its plugs, whatever was jetted around it is lean.
 * The setting from before is the first step, before anybody rides.
 */
import type { FaultName } from "../../log/fault-names.ts";
import type { Present } from "../../log/present.ts";
import { dayOf, type Setting } from "../../log/schema.ts";

const LOOKED_RICH: ReadonlySet<FaultName> = new Set([
  "chokeOpen",
  "floatHigh",
  "needleJetWorn",
  "airJetsDead",
  "plugDead",
  "ignition",
]);
/** So many days on which something was fitted are taken to be about it: nobody knows when it began. */
const DAYS = 3;

export interface JettedAround {
  readonly fault: FaultName;
  /** one a carburettor */
  readonly befores: readonly Setting[];
  readonly afters: readonly Setting[];
}

/**
 * @returns what was fitted before it was jetted around, until something is fitted or looked at after the mending; back
 *   to the last mending before it at most
 */
export function settingBeforeFault({ lines, faultWords, settings }: Present): JettedAround | undefined {
  const mended = faultWords.filter(({ is }) => is === "mended");
  const word = mended.at(-1);
  if (!word || !LOOKED_RICH.has(word.fault)) return undefined;
  const at = lines.findLastIndex(({ entry }) => entry.id === word.id);
  const done = ({ entry, struck }: Present["lines"][number]) =>
    !struck && (entry.kind === "fit" || entry.kind === "look");
  if (lines.slice(at + 1).some(done)) return undefined;
  const before = mended.at(-2);
  const from = before ? lines.findLastIndex(({ entry }) => entry.id === before.id) + 1 : 0;
  const fits = lines.slice(from, at).filter(({ entry, struck }) => entry.kind === "fit" && !struck);
  const days = [...new Set(fits.map(({ entry }) => dayOf(entry.at)))].slice(-DAYS);
  const first = fits.find(({ entry }) => days.includes(dayOf(entry.at)));
  return first && { fault: word.fault, befores: first.befores, afters: settings };
}
