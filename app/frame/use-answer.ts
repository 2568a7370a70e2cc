/** Hook: an asynchronous answer that keeps the last value while the next is computed. */
import { useEffect, useState } from "react";
import { wordsOf } from "#app/workers/on-demand.ts";

interface Answered<T> {
  readonly question: string;
  readonly value?: T;
  readonly problem?: string;
}

export interface AnswerState<T> {
  /** of this question, or while `working` of the one before */
  readonly value: T | undefined;
  readonly working: boolean;
  readonly problem: string | undefined;
}

/**
 * @param question - names all that the answer depends on; none: nothing is asked
 * @param ask - may be another function each time: it is called once a question
 */
export function useAnswer<T>(question: string | undefined, ask: () => Promise<T>): AnswerState<T> {
  const [answer, setAnswer] = useState<Answered<T>>();
  useEffect(() => {
    if (question === undefined) return;
    let current = true;
    ask().then(
      (value) => current && setAnswer({ question, value }),
      (error: unknown) => current && setAnswer({ question, problem: wordsOf(error) }),
    );
    return () => {
      current = false;
    };
    // The question names all that is asked.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [question]);
  return {
    value: answer?.value,
    working: question !== undefined && answer?.question !== question,
    problem: answer?.question === question ? answer?.problem : undefined,
  };
}
