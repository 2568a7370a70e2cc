/** The fits that one tap logs: what the next step proposes, and the way back from the open change. */
import type { OpenChange } from "#core/log/fold.ts";
import { Change, type Setting } from "#core/log/schema.ts";
import type { Part } from "#core/log/parts.ts";
import type { Advice } from "#core/sieve/advise.ts";

const change = (part: Part, to: number): Change => Change.parse({ part, to });

const towards = (parts: readonly Part[], setting: Setting): Change[] =>
  parts.map((part) => change(part, setting[part]));

/** @returns what "fitted" would log now, or nothing when no part is to be changed */
export function proposedChanges({
  next,
  card,
}: Advice): { changes: Change[]; because: "card" | "advice" } | undefined {
  if (next.kind === "change") return { changes: [change(next.part, next.to)], because: "advice" };
  if (next.kind === "card") return { changes: towards(next.parts, card.setting), because: "card" };
  return undefined;
}

/** @returns what "put back" would log */
export const wayBack = ({ parts, before }: OpenChange): Change[] => towards(parts, before);
