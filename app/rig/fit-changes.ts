/** The fits that one tap logs: what the next step proposes, the way back from the open change, back to base. */
import type { OpenChange } from "#core/log/fold.ts";
import { PARTS, type Part } from "#core/log/parts.ts";
import { Change, type Setting } from "#core/log/schema.ts";
import type { Advice } from "#core/advice/advise.ts";

const change = (part: Part, to: number, carburettor?: number): Change =>
  Change.parse({ part, to, ...(carburettor !== undefined && { carburettor }) });

/** @returns what "fitted" would log now, or nothing when no part is to be changed */
export function proposedChanges({
  next,
  card,
  carburettors,
  groups,
}: Advice): { changes: Change[]; because: "card" | "advice" } | undefined {
  // Said of one carburettor where they differ, of all where they are alike.
  const on = groups > 1 ? (carburettors[0] ?? 0) + 1 : undefined;
  if (next.kind === "change") return { changes: [change(next.part, next.to, on)], because: "advice" };
  if (next.kind === "card")
    return { changes: next.parts.map((part) => change(part, card.setting[part], on)), because: "card" };
  return undefined;
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

/** @returns what "put back" would log */
export const wayBack = ({ befores, afters }: OpenChange): Change[] => changesTowards(afters, befores);
