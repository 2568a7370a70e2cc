/** A tap that logs something says so, and one more tap takes it back. */
import { useEffect, useRef } from "react";
import { useFetcher, type SubmitTarget } from "react-router";
import type { ActionProblem } from "#app/journal/save.ts";
import { useSayProblem, useToast } from "#app/ui/Toast.tsx";

/**
 * @param why - what is logged where it is taken back
 * @returns how to send what a tap means, and whether it is still on its way
 */
export function useLoggedTap(rigId: string, why: string) {
  const fetcher = useFetcher<ActionProblem & { logged?: readonly string[] }>();
  const undo = useFetcher<ActionProblem>();
  const say = useToast();
  const words = useRef("");
  useSayProblem(undo.data);
  const action = `/rigs/${rigId}`;
  const { data } = fetcher;
  const told = useRef<unknown>(undefined);
  useEffect(() => {
    const ids = data?.logged ?? [];
    if (ids.length === 0 || told.current === data) return;
    told.current = data;
    const form = { intent: "strikeAll", strikes: JSON.stringify(ids), why };
    const run = () => void undo.submit(form, { method: "post", action });
    say({ words: words.current, action: { words: "Undo", run } });
  }, [data, action, why, say, undo]);
  const send = (form: SubmitTarget, said: string) => {
    words.current = said;
    void fetcher.submit(form, { method: "post", action });
  };
  return { send, busy: fetcher.state !== "idle", answer: data };
}
