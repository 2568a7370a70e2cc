/** Hook: what is done on a practice engine, sent to the game's own action, and its answer before all else is read again. */
import { useFetcher } from "react-router";
import type { ActionProblem } from "#app/journal/save.ts";
import type { GameAction, OpenGame } from "#app/store/practice-log.ts";

export const deskHref = (rigId: string): string => `/rigs/${rigId}/practice`;

/** What the desk's action answers. */
export interface GameAnswer extends ActionProblem {
  readonly game?: OpenGame;
}

const length = ({ record }: OpenGame): number => record.entries.length + record.done.length;

/** @param loaded - the game as the rig's loader has it: a moment behind what was just done */
export function useGame(rigId: string, loaded: OpenGame) {
  const { submit, state, data } = useFetcher<GameAnswer>();
  const send = (action: GameAction) =>
    void submit(JSON.stringify(action), {
      method: "post",
      action: deskHref(rigId),
      encType: "application/json",
    });
  const answered = data?.game;
  const game = answered && length(answered) > length(loaded) ? answered : loaded;
  return { game, send, busy: state === "submitting", problem: data?.message };
}
