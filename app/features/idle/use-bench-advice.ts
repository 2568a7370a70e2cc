import { useEffect, useState } from "react";
import type { Advice } from "#core/advice/advise.ts";
import type { PlanChange } from "#core/advice/plan.ts";
import type { LookEntry, Reading } from "#core/log/schema.ts";
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
  const [answer, setAnswer] = useState<{ question: string; bench: BenchAdvice }>();
  useEffect(() => {
    if (!reading || question === undefined) return undefined;
    let current = true;
    const look: LookEntry = {
      id: "look:bench-draft",
      at: present.newest ?? new Date().toISOString(),
      kind: "look",
      reading,
      ...(cylinder !== undefined && { cylinder }),
    };
    askAdviceAfter(revision, entries, look, carburettor).then(
      (advice) => current && setAnswer({ question, bench: benchAdvice(advice) }),
      () => undefined, // the frame of the rig says what is wrong with the judge
    );
    return () => {
      current = false;
    };
    // The question names reading, revision and carburettor.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [question]);
  return answer?.question === question ? answer?.bench : undefined;
}
