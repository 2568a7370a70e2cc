/** Hook: a tap that logs an entry, with a toast that undoes it. */
import { useCallback, useEffect, useRef } from "react";
import { useFetcher, useNavigate, useSubmit } from "react-router";
import type { Answer } from "#app/journal/rig-action.ts";
import type { ActionProblem } from "#app/journal/save.ts";
import type { Tap } from "./run-tap.ts";
import { tapTo, useTap } from "./use-tap.ts";
import { useSayProblem, useToast } from "#app/ui/Toast.tsx";

const TAKEN_BACK = "taken-back";

/** In the frame of a rig: what was taken back on a screen that is gone by then, and could not be. */
export function useSayNotTakenBack(): void {
  useSayProblem(useFetcher<ActionProblem>({ key: TAKEN_BACK }).data);
}

/** @returns how to say that something was logged, with the tap that takes all of it back */
function useSayLogged(rigId: string, why: string) {
  const submit = useSubmit();
  const say = useToast();
  return useCallback(
    (words: string, ids: readonly string[]) => {
      const tap: Tap = { intent: "strikeAll", strikes: [...ids], why };
      const run = () =>
        void submit(JSON.stringify(tap), { ...tapTo(rigId), navigate: false, fetcherKey: TAKEN_BACK });
      say({ words, action: { words: "Undo", run } });
    },
    [submit, say, rigId, why],
  );
}

/**
 * @param why - what is logged where it is taken back
 * @param then - what follows once it is logged
 * @returns how to send what a tap means, and whether it is still on its way
 */
export function useLoggedTap(rigId: string, why: string, then?: () => void) {
  const { send: sendTap, busy, answer: data } = useTap(rigId);
  const sayLogged = useSayLogged(rigId, why);
  const words = useRef("");
  const told = useRef<unknown>(undefined);
  useEffect(() => {
    const ids = data?.logged ?? [];
    if (ids.length === 0 || told.current === data) return;
    told.current = data;
    sayLogged(words.current, ids);
    then?.();
  }, [data, sayLogged, then]);
  const send = (tap: Tap, said: string) => {
    words.current = said;
    sendTap(tap);
  };
  return { send, busy, answer: data };
}

/** Once a form is logged: back to Today. */
export function useBackToToday(rigId: string, answer: Answer | undefined): void {
  const navigate = useNavigate();
  const sayLogged = useSayLogged(rigId, "A look by mistake");
  const told = useRef<unknown>(undefined);
  useEffect(() => {
    if (!answer?.logged || told.current === answer) return;
    told.current = answer;
    sayLogged("Logged.", answer.logged);
    void navigate(`/rigs/${rigId}`);
  }, [answer, rigId, navigate, sayLogged]);
}
