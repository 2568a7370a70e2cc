/** Hook: fields of one kind of look, with texts, setters and problems. */
import { use } from "react";
import { useFormContext, useWatch } from "react-hook-form";
import { Refusals } from "#app/ui/refusals.ts";
import type { HowName } from "#app/frame/look-query.ts";
import type { LookTexts } from "./form.ts";

export function useKind<K extends HowName>(kind: K) {
  const { control, setValue, formState } = useFormContext<LookTexts>();
  const typed = useWatch<LookTexts, K>({ control, name: kind }) as LookTexts[K];
  const type = (change: Partial<LookTexts[K]>) =>
    setValue(kind, { ...typed, ...change } as never, {
      shouldDirty: true,
      shouldValidate: formState.isSubmitted,
    });
  const errors = formState.errors[kind] as Readonly<Record<string, { message?: string }>> | undefined;
  const refused = use(Refusals);
  return {
    typed,
    type,
    wrong: (field: string) => errors?.[field]?.message ?? refused[`${kind}.${field}`],
  };
}
