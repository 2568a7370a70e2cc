/** Settings of the adjustable parts: applying a change, difference of two, the baseline. */
import { PARTS, type Part } from "./parts.ts";
import type { Build, Change, Setting } from "./schema.ts";

type Fitting = { readonly changes: readonly Change[] };

/** @param carburettor - counted from 1; changes that name another one leave this one alone */
export function applyFit(setting: Setting, { changes }: Fitting, carburettor = 1): Setting {
  return changes
    .filter((change) => change.carburettor === undefined || change.carburettor === carburettor)
    .reduce((now, { part, to }) => ({ ...now, [part]: to }), setting);
}

export function changedParts(before: Setting, after: Setting): Part[] {
  return PARTS.filter((part) => before[part] !== after[part]);
}

/** @returns what was right on each carburettor of a build */
export function baselineSettings({ baseline, carburettors = 1, others }: Build): Setting[] {
  return Array.from({ length: carburettors }, (_, i) => others?.[i - 1]?.setting ?? baseline.setting);
}
