import { useFormContext, useWatch } from "react-hook-form";
import { FeltRows } from "#app/frame/FeltRows.tsx";
import { Caution } from "#app/ui/Caution.tsx";
import type { LookTexts } from "./form.ts";

/** How it pulled, as part of a form. */
export function RideFields() {
  const { control, setValue, formState } = useFormContext<LookTexts>();
  const told = useWatch({ control, name: "felt" });
  const problem = formState.errors.felt?.message;
  return (
    <div className="stack">
      <FeltRows told={told} onTold={(zone, next) => setValue(`felt.${zone}`, next, { shouldDirty: true })} />
      {problem !== undefined && <Caution>{problem}</Caution>}
    </div>
  );
}
