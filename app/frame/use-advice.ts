import { useEffect, useState } from "react";
import type { AirEntry } from "#core/log/schema.ts";
import type { Advice } from "#core/advice/card/advise.ts";
import { askAdvice, type AskedLog, type Shown } from "#app/journal/judge.ts";
import { revisionKey } from "#app/workers/revision.ts";
import { wordsOf } from "#app/workers/on-demand.ts";

export interface AdviceState {
  /** the last advice there was; while `working`, of a moment ago */
  readonly advice: Advice | undefined;
  readonly working: boolean;
  readonly problem: string | undefined;
}

/** An air being typed is mostly answered sooner than this: until then nothing is said of working on it. */
const SOON_MS = 120;

interface Answered {
  readonly log: string;
  readonly question: string;
  readonly rig: string;
  readonly advice?: Advice;
  readonly problem?: string;
}

/**
 * Asks the worker; screens never wait for it but show the last advice, marked as being worked on.
 * @param kept - the advice of this log as it was last worked out: a screen that opens has it at once
 * @param covered - nothing is asked for or shown
 */
export function useAdvice(
  asked: AskedLog,
  draft: AirEntry | undefined,
  carburettor = 0,
  shown?: Shown,
  kept?: Advice,
  covered = false,
): AdviceState {
  const { revision } = asked;
  const name = revisionKey(revision);
  const log = `${name} ${carburettor}`;
  const question = `${log} ${JSON.stringify(draft)}`;
  const rig = revision.rigId;
  const [late, setLate] = useState<string>();
  const [answer, setAnswer] = useState<Answered | undefined>(
    kept && { log: `${name} 0`, question: `${name} 0 undefined`, rig, advice: kept },
  );
  useEffect(() => {
    if (covered || (answer?.question === question && answer.problem === undefined)) return undefined;
    let current = true;
    const timer = setTimeout(() => setLate(question), SOON_MS);
    askAdvice(asked, draft, carburettor, shown).then(
      (advice) => current && setAnswer({ log, question, rig, advice }),
      (error: unknown) =>
        current &&
        setAnswer((last) => ({
          log,
          question,
          rig,
          problem: wordsOf(error),
          ...(last?.rig === rig && last.advice && { advice: last.advice }),
        })),
    );
    return () => {
      current = false;
      clearTimeout(timer);
    };
    // The question names revision, carburettor and draft; the entries belong to the revision.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [question, covered]);
  if (covered) return { advice: undefined, working: false, problem: undefined };
  const mine = answer?.rig === rig ? answer : undefined;
  // Of another log, or of another carburettor, it is never for this one: what is tapped then would be of a moment ago.
  const working = mine?.question !== question && (mine?.log !== log || late === question);
  return { advice: mine?.advice, working, problem: mine?.problem };
}
