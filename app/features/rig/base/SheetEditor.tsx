import css from "../rig.module.css";
import Autocomplete from "@mui/material/Autocomplete";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { Controller, useWatch } from "react-hook-form";
import { PARTS } from "#core/log/parts.ts";
import type { BaseSheet } from "#core/log/schema.ts";
import { MeasureName } from "#core/log/walk-round-names.ts";
import { RigFields } from "#app/frame/RigFields.tsx";
import { useRigForm } from "#app/frame/use-rig-form.ts";
import { UNSTAMPED } from "#app/frame/limits.ts";
import { Caution } from "#app/ui/Caution.tsx";
import { FormField } from "#app/ui/form-fields.tsx";
import { PART_NAMES } from "#app/vocabulary/parts.ts";
import { MEASURE_WORDS } from "#app/vocabulary/measures.ts";
import { BaseForm, baseTexts } from "./form.ts";

export interface SheetEditorProps {
  readonly sheet: BaseSheet;
  readonly known: readonly BaseSheet[];
  readonly onFound: (sheet: BaseSheet) => void;
}

const savedWords = (stamp: string): string =>
  stamp.trim() === UNSTAMPED ? "Saved for this rig." : `Saved, and found again by ${stamp.trim()}.`;

export function SheetEditor({ sheet, known, onFound }: SheetEditorProps) {
  const form = useRigForm("base", BaseForm, baseTexts(sheet), { on: "base" });
  const { control, getValues } = form.methods;
  const stamp = useWatch({ control, name: "stamp" });
  const match = known.find((one) => one.stamp === stamp.trim());
  const isNew = match !== undefined && JSON.stringify(baseTexts(match)) !== JSON.stringify(getValues());
  return (
    <RigFields form={form} saves="Save the sheet">
      <h2>This carburettor</h2>
      <div className="two">
        <Controller
          control={control}
          name="stamp"
          render={({ field: { value, onChange, ref }, fieldState: { error } }) => (
            <Autocomplete
              freeSolo
              options={known.map((one) => one.stamp)}
              inputValue={value}
              onInputChange={(_, text) => onChange(text)}
              renderInput={(props) => (
                <TextField
                  {...props}
                  inputRef={ref}
                  label="Number stamped on it"
                  error={error !== undefined}
                  helperText={error?.message}
                />
              )}
            />
          )}
        />
        <FormField name="source" label="Where it comes from" hint="Such as: manual, page 41." most={60} />
      </div>
      {match && isNew && (
        <div className="row">
          <Caution plain>A sheet with this number is kept here.</Caution>
          <Button variant="outlined" onClick={() => onFound(match)}>
            Take it
          </Button>
        </div>
      )}
      <h3 className="label">Base setting</h3>
      <div className="grid">
        {PARTS.map((part) => (
          <FormField key={part} name={`setting.${part}`} label={PART_NAMES[part]} />
        ))}
      </div>
      <h3 className="label">Limits of the walk-round</h3>
      {MeasureName.options.map((measure) => (
        <div key={measure} className={css["limit-line"]}>
          <span>
            {MEASURE_WORDS[measure].label}, {MEASURE_WORDS[measure].unit}
          </span>
          <FormField name={`limits.${measure}.min`} label="From" keys="decimal" />
          <FormField name={`limits.${measure}.max`} label="To" keys="decimal" />
          <FormField name={`limits.${measure}.source`} label="Source" />
        </div>
      ))}
      {form.answer?.logged && (
        <p className="flush" role="status">
          {savedWords(stamp)}
        </p>
      )}
    </RigFields>
  );
}
