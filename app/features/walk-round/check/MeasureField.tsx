import css from "../walk-round.module.css";
import Button from "@mui/material/Button";
import { useState } from "react";
import type { MeasureName } from "#core/log/walk-round-names.ts";
import { FormField } from "#app/ui/form-fields.tsx";
import { MEASURE_WORDS } from "#app/vocabulary/measures.ts";
import type { CheckTexts } from "./form.ts";

interface MeasureFieldProps {
  readonly measure: MeasureName;
  readonly words: string;
  readonly problem: string | undefined;
}

export function MeasureField({ measure, words, problem }: MeasureFieldProps) {
  const [open, setOpen] = useState(false);
  const { label, unit } = MEASURE_WORDS[measure];
  return (
    <div className={css["measure"]}>
      <FormField<CheckTexts>
        name={`measured.${measure}`}
        label={label}
        hint={words}
        keys="decimal"
        unit={unit}
        most={40}
        problem={problem}
      />
      <Button size="small" aria-expanded={open} onClick={() => setOpen(!open)}>
        Limit
      </Button>
      {open && (
        <div className={css["limit-row"]}>
          <FormField<CheckTexts> name={`limits.${measure}.min`} label="From" keys="decimal" most={40} />
          <FormField<CheckTexts> name={`limits.${measure}.max`} label="To" keys="decimal" most={40} />
          <FormField<CheckTexts> name={`limits.${measure}.source`} label="Where it comes from" most={60} />
        </div>
      )}
    </div>
  );
}
