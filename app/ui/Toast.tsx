/** What just happened, said in passing; a problem stays until it is closed. */
import { createContext, use, useCallback, useEffect, useRef, useState, type ReactNode } from "react";
import { Passing, type Said } from "./Passing.tsx";

type Say = (said: Said) => void;
const Context = createContext<Say>(() => undefined);

/** @returns how to say something in passing */
export const useToast = (): Say => use(Context);

/** One after the other, each until it was read: beyond this the oldest goes unsaid. */
const MOST = 8;

export function ToastPlace({ children }: { children: ReactNode }) {
  const [queue, setQueue] = useState<readonly Said[]>([]);
  const [standing, setStanding] = useState<Said>();
  const say = useCallback((said: Said) => {
    // What stays until it is answered waits for what passes, and gives way to a newer one.
    if (said.stays && !said.grave) setStanding(said);
    else setQueue((before) => [...before, said].slice(-MOST));
  }, []);
  const said = queue[0] ?? standing;
  const close = () => {
    if (said === standing) setStanding(undefined);
    else setQueue((before) => before.filter((one) => one !== said));
  };
  return (
    <Context value={say}>
      {children}
      {said && <Passing said={said} waiting={queue.length - 1 + (standing ? 1 : 0)} onClose={close} />}
    </Context>
  );
}

/** What went wrong with something that has no place of its own for words is said in passing. */
export function useSayProblem(answer: { readonly message?: string } | undefined): void {
  const say = useToast();
  const told = useRef<unknown>(undefined);
  useEffect(() => {
    if (answer?.message === undefined || told.current === answer) return;
    told.current = answer;
    say({ words: answer.message, grave: true });
  }, [answer, say]);
}
