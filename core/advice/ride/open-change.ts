/** What was changed on a carburettor since anybody looked, and the zone in which a look would show it. */
import type { WorseFit } from "../../log/present.ts";
import { changedParts } from "../../log/settings.ts";
import type { Setting } from "../../log/schema.ts";
import type { Case, Group } from "../judge/case.ts";
import { REACHED_ZONES, type ReachedZone, type SettingJudge } from "../judge/judge-setting.ts";
import { canLookAt } from "./question.ts";

export interface ChangeOfOne {
  readonly before: Setting;
  readonly after: Setting;
}

/** @param carburettor - from 0; @returns the way back there, or nothing when it did not change */
export function wayBackOn(
  change: Pick<WorseFit, "befores" | "afters"> | undefined,
  carburettor: number,
): ChangeOfOne | undefined {
  const [before, after] = [change?.befores[carburettor], change?.afters[carburettor]];
  return before && after && changedParts(before, after).length > 0 ? { before, after } : undefined;
}

/** @returns the zone that a change moves most, and by how much */
export function movedMost(
  { lines }: SettingJudge,
  change: ChangeOfOne,
): { readonly zone: ReachedZone; readonly by: number } {
  const [before, after] = [lines(change.before), lines(change.after)];
  return REACHED_ZONES.map((zone) => ({
    zone,
    by: Math.abs(after[zone].shift - before[zone].shift),
  })).reduce((most, one) => (one.by > most.by ? one : most));
}

/**
 * @returns what was fitted when somebody last looked, while a change waits for a look that can show it; nothing once
 *   another air was read since: what an air asks for waits for no look
 */
export function lookedAt(open: Case, group: Group, judge: SettingJudge): Setting | undefined {
  const { openChange, air } = open.present;
  const change = wayBackOn(openChange, group.carburettors[0] ?? 0);
  const changedAt = openChange?.fits.at(-1)?.at ?? "";
  if (!change || (air && Date.parse(air.at) > Date.parse(changedAt))) return undefined;
  return canLookAt(movedMost(judge, change).zone, open, group) ? change.before : undefined;
}
