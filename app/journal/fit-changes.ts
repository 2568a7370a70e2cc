/** The fits that one tap logs: the plan or one of its lines, the way back from the open change, back to base. */
import type { Advice } from "#core/advice/card/advise.ts";
import type { PlanChange } from "#core/advice/plan/plan.ts";
import type { OpenChange, Present } from "#core/log/present.ts";
import { PARTS, type Part } from "#core/log/parts.ts";
import { baselineSettings } from "#core/log/settings.ts";
import { Change, type Advised, type Build, type FitEntry, type Setting } from "#core/log/schema.ts";

const change = (part: Part, to: number, carburettor?: number): Change =>
  Change.parse({ part, to, ...(carburettor !== undefined && { carburettor }) });

export interface Proposed {
  readonly changes: Change[];
  readonly because: Extract<FitEntry["because"], "advice" | "putBack">;
}

/** Said of one carburettor where they differ, of all where they are alike. */
function logged({ carburettors, groups }: Advice, changes: readonly PlanChange[]): Change[] {
  const on = groups > 1 ? (carburettors[0] ?? 0) + 1 : undefined;
  return changes.map(({ part, to }) => change(part, to, on));
}

/** @returns what "all fitted" would log now, or nothing when no part is to be changed */
export function proposedChanges(advice: Advice): Proposed | undefined {
  const { next } = advice;
  if (next.kind === "fit")
    return {
      changes: logged(
        advice,
        next.lines.flatMap((line) => line.changes),
      ),
      because: "advice",
    };
  if (next.kind === "putBack") return { changes: logged(advice, next.changes), because: "putBack" };
  return undefined;
}

/** @returns what "fitted" logs of one line of the plan */
export const changesOfLine = (advice: Advice, changes: readonly PlanChange[]): Proposed => ({
  changes: logged(advice, changes),
  because: "advice",
});

/** @returns what was advised just then, kept with the fit: "as it was then" */
export function advisedThen(advice: Advice): Advised {
  const { next, zones } = advice;
  return {
    next: next.kind,
    changes: proposedChanges(advice)?.changes ?? [],
    ...(next.kind === "fit" && { chanceBetter: next.chanceBetter }),
    zones: zones.map(({ zone, mean, sd }) => ({ zone, mean, sd })),
  };
}

/**
 * @param now - what is fitted, one a carburettor
 * @param wanted - what shall be fitted, one a carburettor
 * @returns the changes from one to the other: said once for all where all want the same
 */
export function changesTowards(now: readonly Setting[], wanted: readonly Setting[]): Change[] {
  return PARTS.flatMap((part) => {
    const [first] = wanted;
    const moved = wanted.flatMap((setting, i) => (now[i]?.[part] === setting[part] ? [] : [i]));
    if (!first || moved.length === 0) return [];
    if (wanted.every((setting) => setting[part] === first[part])) return [change(part, first[part])];
    return moved.map((i) => change(part, wanted[i]?.[part] ?? first[part], i + 1));
  });
}

/** @returns what puts every part back to its base: the sheet's, else what was fitted when the rig was described */
export const towardsBase = (
  build: Build,
  { settings, sheet }: Pick<Present, "settings" | "sheet">,
): Change[] =>
  changesTowards(
    settings,
    baselineSettings(build).map((setting) => sheet?.setting ?? setting),
  );

/** @returns what "put back" would log */
export const wayBack = ({ befores, afters }: OpenChange): Change[] => changesTowards(afters, befores);
