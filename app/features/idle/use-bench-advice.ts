import type { Advice } from "#core/advice/card/advise.ts";
import type { PlanChange } from "#core/advice/plan/plan.ts";
import type { LookEntry, Reading } from "#core/log/schema.ts";
import { useAnswer } from "#app/frame/use-answer.ts";
import type { RigContext } from "#app/frame/use-rig.ts";
import { askAdviceAfter } from "#app/journal/judge.ts";

/** What the card would say with this bench's reading in it: bench and card speak from one belief. */
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
  { revision, entries, carburettor, present }: RigContext,
  reading: Reading | undefined,
  cylinder: number | undefined,
): BenchAdvice | undefined {
  const question = reading && `${revision} ${carburettor} ${JSON.stringify(reading)}`;
  // What goes wrong with the judge is said by the rig's frame.
  const { value, working } = useAnswer(question, async () => {
    if (!reading) throw new Error("there is no reading to ask about");
    const at = present.newest ?? new Date().toISOString();
    const whose = cylinder === undefined ? {} : { cylinder };
    const look: LookEntry = { id: "look:bench-draft", at, kind: "look", reading, ...whose };
    return benchAdvice(await askAdviceAfter(revision, entries, look, carburettor));
  });
  return question === undefined || working ? undefined : value;
}
