/** Hook: a judge query of this screen, cancelled when the screen is left. */
import { askJudge } from "#app/journal/judge.ts";
import type { Answers, Question } from "#app/workers/protocol.ts";
import { revisionKey } from "#app/workers/revision.ts";
import { useAnswer, type AnswerState } from "./use-answer.ts";
import { useRig } from "./use-rig.ts";

/** @param question - about the carburettor on the bench, where it names no other; none: nothing is asked */
export function useJudge<Q extends Question>(question: Q | undefined): AnswerState<Answers[Q["ask"]]> {
  const { revision, entries, carburettor, game } = useRig();
  // What is covered in practice is not asked for either.
  const asked = question && !game?.covered ? { carburettor, ...question } : undefined;
  return useAnswer(asked && `${revisionKey(revision)} ${JSON.stringify(asked)}`, () =>
    askJudge({ revision, entries }, asked as Q),
  );
}
