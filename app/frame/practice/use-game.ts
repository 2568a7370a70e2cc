/** Hook: what is done on a practice engine, sent to the game's own action. */
import { useFetcher } from "react-router";
import type { ActionProblem } from "#app/journal/save.ts";
import type { GameAction } from "#app/store/practice-log.ts";

export const deskHref = (rigId: string): string => `/rigs/${rigId}/practice`;

export function useGame(rigId: string) {
  const { submit, state, data } = useFetcher<ActionProblem>();
  const send = (action: GameAction) =>
    void submit(JSON.stringify(action), {
      method: "post",
      action: deskHref(rigId),
      encType: "application/json",
    });
  return { send, busy: state !== "idle", problem: data?.message };
}
