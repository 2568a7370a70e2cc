import type { Advice } from "#core/advice/card/advise.ts";
import type { PlanChange } from "#core/advice/plan/plan.ts";
import type { LookEntry, Reading } from "#core/log/schema.ts";
import { useJudge } from "#app/frame/use-judge.ts";
import type { RigContext } from "#app/frame/use-rig.ts";
import { localInstant } from "#app/journal/clock.ts";

/** Hook: advice with the bench's unsaved reading included. */
export interface BenchAdvice {
  readonly advice: Advice;
  /** what it would change of the idle circuit; nothing: leave it as it is */
  readonly changes: readonly PlanChange[];
}

function benchAdvice(advice: Advice): BenchAdvice {
  const { next } = advice;
  const lines = next.kind === "fit" ? next.lines : [];
  return { advice, changes: lines.filter(({ zone }) => zone === "idle").flatMap((line) => line.changes) };
}

/** @returns nothing while there is no reading, or it is being worked out */
export function useBenchAdvice(
  { present }: RigContext,
  reading: Reading | undefined,
  cylinder: number | undefined,
): BenchAdvice | undefined {
  const look: LookEntry | undefined = reading && {
    id: "look:bench-draft",
    at: present.newest ?? localInstant(),
    kind: "look",
    reading,
    ...(cylinder !== undefined && { cylinder }),
  };
  // What goes wrong with the judge is said by the rig's frame.
  const { value, working } = useJudge(look && { ask: "adviceAfter", look });
  return look === undefined || working || !value ? undefined : benchAdvice(value);
}
