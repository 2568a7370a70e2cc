/** Keeps what is typed into a form as a draft, and offers it when the form is opened again. */
import { useCallback, useEffect, useRef, useState } from "react";
import type { FieldValues, UseFormReturn } from "react-hook-form";
import { dropDraft, keepTyped, readTyped, type Typed } from "#app/store/drafts.ts";

/** Keys come faster than they need to be written down. */
const REST_MS = 400;

const isRecord = (value: unknown): value is Readonly<Record<string, unknown>> =>
  typeof value === "object" && value !== null && !Array.isArray(value);

/** @returns whether what was kept still is what this form holds: a newer Tamis may have other fields */
export function fits(start: unknown, kept: unknown): boolean {
  if (isRecord(start))
    return isRecord(kept) && Object.entries(start).every(([name, value]) => fits(value, kept[name]));
  if (Array.isArray(start)) {
    const [first] = start as unknown[];
    return Array.isArray(kept) && (first === undefined || kept.every((one) => fits(first, one)));
  }
  return start === undefined || typeof start === typeof kept;
}

export interface Offer {
  readonly at: number;
  readonly take: () => void;
  readonly drop: () => void;
}

/** @returns what was typed here before and never saved, while nothing else is typed */
export function useTyped<T extends FieldValues>(
  rigId: string,
  name: string,
  methods: Pick<UseFormReturn<T>, "watch" | "reset" | "getValues">,
) {
  const [found, setFound] = useState<Typed>();
  const waiting = useRef<ReturnType<typeof setTimeout>>(undefined);
  const { watch, reset, getValues } = methods;
  const keepNow = useCallback(() => {
    if (waiting.current === undefined) return;
    clearTimeout(waiting.current);
    waiting.current = undefined;
    void keepTyped(rigId, name, { at: Date.now(), texts: getValues() });
  }, [rigId, name, getValues]);
  useEffect(() => {
    let here = true;
    void readTyped(rigId, name, Date.now()).then((typed) => {
      const shown = getValues();
      const news = typed && fits(shown, typed.texts) && JSON.stringify(typed.texts) !== JSON.stringify(shown);
      if (here && news && waiting.current === undefined) setFound(typed);
    });
    const watching = watch((_, { name: field }) => {
      // Without a field it is the form that was put back as a whole, not somebody who types.
      if (field === undefined) return;
      setFound(undefined);
      clearTimeout(waiting.current);
      waiting.current = setTimeout(keepNow, REST_MS);
    });
    return () => {
      here = false;
      watching.unsubscribe();
      keepNow();
    };
  }, [rigId, name, watch, getValues, keepNow]);
  // A phone drops a tab without a word.
  useEffect(() => {
    document.addEventListener("visibilitychange", keepNow);
    return () => document.removeEventListener("visibilitychange", keepNow);
  }, [keepNow]);
  const offer: Offer | undefined = found && {
    at: found.at,
    take: () => {
      reset(found.texts as T, { keepDefaultValues: true });
      setFound(undefined);
    },
    drop: () => {
      setFound(undefined);
      void dropDraft(rigId, name);
    },
  };
  return { offer, keepNow };
}
