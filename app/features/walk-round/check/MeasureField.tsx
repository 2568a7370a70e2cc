import css from "../walk-round.module.css";
import Button from "@mui/material/Button";
import { useState } from "react";
import { type MeasureName } from "#core/log/walk-round-names.ts";
import { TypedField } from "#app/ui/TypedField.tsx";
import { type LimitTexts } from "#app/journal/limits.ts";
import { MEASURE_WORDS } from "#app/vocabulary/measures.ts";

export function MeasureField({
  measure,
  text,
  limit,
  words,
  problem,
  onText,
  onLimit,
}: {
  measure: MeasureName;
  text: string;
  limit: LimitTexts;
  words: string;
  problem: string | undefined;
  onText: (text: string) => void;
  onLimit: (limit: LimitTexts) => void;
}) {
  const [open, setOpen] = useState(false);
  const { label, unit } = MEASURE_WORDS[measure];
  const bound = (name: keyof LimitTexts, boundLabel: string) => (
    <TypedField
      label={boundLabel}
      value={limit[name]}
      onChange={(event) => onLimit({ ...limit, [name]: event.target.value })}
      keys={name === "source" ? "text" : "decimal"}
      most={name === "source" ? 60 : 40}
    />
  );
  return (
    <div className={css["measure"]}>
      <TypedField
        label={label}
        value={text}
        fullWidth
        onChange={(event) => onText(event.target.value)}
        problem={problem}
        hint={words}
        keys="decimal"
        unit={unit}
      />
      <Button size="small" aria-expanded={open} onClick={() => setOpen(!open)}>
        Limit
      </Button>
      {open && (
        <div className={css["limit-row"]}>
          {bound("min", "From")}
          {bound("max", "To")}
          {bound("source", "Where it comes from")}
        </div>
      )}
    </div>
  );
}
