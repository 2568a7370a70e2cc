/** A form of a rig: one codec reads it, what is typed is kept, what is refused stands at its field. */
import { zodResolver } from "@hookform/resolvers/zod";
import { useEffect, useRef } from "react";
import { useForm, type DefaultValues, type FieldValues, type UseFormReturn } from "react-hook-form";
import { useFetcher } from "react-router";
import type * as z from "zod/mini";
import type { EntryKind } from "#core/log/schema.ts";
import type { Answer } from "#app/journal/rig-action.ts";
import { boundWords } from "#app/vocabulary/bounds.ts";
import { useRig } from "./use-rig.ts";
import { useSeen } from "./use-seen.ts";
import { useTyped, type Offer } from "./use-typed.ts";

interface How<T> {
  /**
   * Once it is saved and stays open. @returns what stands in the fields then, unless more was typed meanwhile; nothing
   * where they stay as they are
   */
  readonly saved?: (sent: T, answer: Answer) => T | undefined;
  /** the newest entry of this kind is what the form stands on: `seen` is sent with it, and another one refuses it */
  readonly on?: EntryKind;
  /** what is said elsewhere on the screen, and read and sent with the fields */
  readonly besides?: Partial<NoInfer<T>>;
  /** the form itself brings what is wrong into view */
  readonly bringsIntoView?: true;
  /** the action of another route than this one */
  readonly action?: string;
}

export interface RigForm<T extends FieldValues, V> {
  readonly methods: UseFormReturn<T, unknown, V>;
  readonly save: (event?: { preventDefault: () => void }) => void;
  /** sends what is typed, and more that no field holds, without being asked again here */
  readonly send: (more?: object, files?: readonly File[]) => void;
  readonly saving: boolean;
  readonly answer: Answer | undefined;
  readonly offer: Offer | undefined;
}

function withFiles(content: string, files: readonly File[]): FormData {
  const form = new FormData();
  form.set("content", content);
  for (const file of files) form.append("file", file, file.name);
  return form;
}

/**
 * @param name - under which what was typed is kept; the action drops it there once it is saved
 * @param start - what stands in the fields when it opens
 */
export function useRigForm<T extends FieldValues, V>(
  name: string,
  codec: z.ZodMiniType<V, T>,
  start: NoInfer<T>,
  { saved, on, besides, bringsIntoView, action }: How<T> = {},
): RigForm<T, V> {
  const { header } = useRig();
  const fetcher = useFetcher<Answer>();
  const read = zodResolver(codec, { error: boundWords });
  const methods = useForm<T, unknown, V>({
    resolver: (texts, ...how) => read({ ...texts, ...besides }, ...how),
    defaultValues: start as DefaultValues<T>,
    mode: "onTouched",
    shouldFocusError: !bringsIntoView,
  });
  const { offer, keepNow } = useTyped(header.id, name, methods as unknown as UseFormReturn<T>);
  const { reset, getValues } = methods;
  const answer = fetcher.data;
  const seen = useSeen(on, answer);
  const told = useRef<Answer>(undefined);
  const sent = useRef<T>(undefined);
  useEffect(() => {
    if (told.current === answer || !answer) return;
    told.current = answer;
    const before = sent.current;
    if (!answer.logged || !before) return;
    const next = saved?.(before, answer);
    if (next && JSON.stringify(getValues()) === JSON.stringify(before)) reset(next);
  }, [answer, saved, reset, getValues]);
  const send = (more?: object, files: readonly File[] = []) => {
    keepNow();
    sent.current = getValues();
    const content = JSON.stringify({ ...getValues(), ...besides, ...(on && { seen }), ...more });
    const to = { method: "post", ...(action !== undefined && { action }) } as const;
    if (files.length === 0) void fetcher.submit(content, { ...to, encType: "application/json" });
    else void fetcher.submit(withFiles(content, files), { ...to, encType: "multipart/form-data" });
  };
  return {
    methods,
    save: (event) => void methods.handleSubmit(() => send())(event as never),
    send,
    saving: fetcher.state !== "idle",
    answer,
    offer,
  };
}
