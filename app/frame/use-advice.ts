import { useEffect, useState } from "react";
import type { AirEntry, Entry } from "#core/log/schema.ts";
import type { Advice } from "#core/advice/advise.ts";
import { askAdvice, type Shown } from "#app/journal/judge.ts";
import { wordsOf } from "#app/workers/on-demand.ts";

export interface AdviceState {
  /** the last advice there was; while `working`, of a moment ago */
  readonly advice: Advice | undefined;
  readonly working: boolean;
  readonly problem: string | undefined;
}

/** Asks the worker; screens never wait for it but show the last advice, marked as being worked on. */
export function useAdvice(
  revision: string,
  entries: readonly Entry[],
  draft: AirEntry | undefined,
  carburettor = 0,
  shown?: Shown,
): AdviceState {
  const question = `${revision} ${carburettor} ${JSON.stringify(draft)}`;
  const [answer, setAnswer] = useState<{
    question: string;
    rig: string;
    advice?: Advice;
    problem?: string;
  }>();
  const rig = revision.split(" ")[0] ?? revision;
  useEffect(() => {
    let current = true;
    askAdvice(revision, entries, draft, carburettor, shown).then(
      (advice) => current && setAnswer({ question, rig, advice }),
      (error: unknown) =>
        current &&
        setAnswer((last) => ({
          question,
          rig,
          problem: wordsOf(error),
          ...(last?.rig === rig && last.advice && { advice: last.advice }),
        })),
    );
    return () => {
      current = false;
    };
    // The question names revision, carburettor and draft; the entries belong to the revision.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [question]);
  const mine = answer?.rig === rig ? answer : undefined;
  return { advice: mine?.advice, working: mine?.question !== question, problem: mine?.problem };
}
