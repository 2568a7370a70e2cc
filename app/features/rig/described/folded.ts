/** Which sections of the rig editor lie open: another carburettor on the bench leaves them so. */
import { createContext, use, useCallback, useMemo, useState } from "react";

interface Folded {
  readonly isOpen: (title: string) => boolean;
  readonly fold: (title: string, folded: boolean) => void;
}

export const FoldedContext = createContext<Folded>({ isOpen: () => true, fold: () => undefined });

export const useFolded = (): Folded => use(FoldedContext);

/**
 * @param asked - a section that the address asks for: it lies open
 * @returns the state for the context, and how to open several at once
 */
export function useFolding(asked: string | null) {
  const [open, setOpen] = useState<ReadonlySet<string>>(new Set(asked === null ? [] : [asked]));
  const fold = useCallback((title: string, folded: boolean) => {
    setOpen((before) => {
      if (before.has(title) !== folded) return before;
      const next = new Set(before);
      if (folded) next.delete(title);
      else next.add(title);
      return next;
    });
  }, []);
  const unfold = useCallback((titles: readonly string[]) => {
    setOpen((before) => new Set([...before, ...titles]));
  }, []);
  const foldAll = useCallback(() => setOpen(new Set()), []);
  const folded = useMemo<Folded>(() => ({ isOpen: (title) => open.has(title), fold }), [open, fold]);
  return { folded, unfold, foldAll, someOpen: open.size > 0 };
}
