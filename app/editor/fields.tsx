/** The fields of the rig editor: each knows its place in the build, its label and its unit. */
import InputAdornment from "@mui/material/InputAdornment";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import type { ReactNode } from "react";
import { Controller, useFormContext, type FieldPath } from "react-hook-form";
import type { BuildTexts } from "#app/forms/build-form.ts";

type Name = FieldPath<BuildTexts>;

export function NumberText({
  name,
  label,
  unit,
  hint,
}: {
  name: Name;
  label: string;
  unit?: string;
  hint?: string;
}) {
  const { register, getFieldState, formState } = useFormContext<BuildTexts>();
  const { error } = getFieldState(name, formState);
  return (
    <TextField
      {...register(name)}
      label={label}
      fullWidth
      autoComplete="off"
      error={error !== undefined}
      helperText={error?.message ?? hint}
      slotProps={{
        htmlInput: { inputMode: "decimal" },
        inputLabel: { shrink: true },
        input:
          unit === undefined ? {} : { endAdornment: <InputAdornment position="end">{unit}</InputAdornment> },
      }}
    />
  );
}

export function PickText({
  name,
  label,
  options,
}: {
  name: Name;
  label: string;
  options: readonly (readonly [string, string])[];
}) {
  const { control } = useFormContext<BuildTexts>();
  return (
    <Controller
      control={control}
      name={name}
      render={({ field }) => (
        <TextField {...field} select label={label} fullWidth slotProps={{ inputLabel: { shrink: true } }}>
          {options.map(([value, text]) => (
            <MenuItem key={value} value={value}>
              {text}
            </MenuItem>
          ))}
        </TextField>
      )}
    />
  );
}

export function Section({ title, note, children }: { title: string; note?: string; children: ReactNode }) {
  return (
    <section className="stack">
      <div>
        <h2>{title}</h2>
        {note !== undefined && (
          <p className="quiet" style={{ margin: "4px 0 0" }}>
            {note}
          </p>
        )}
      </div>
      <div className="grid">{children}</div>
    </section>
  );
}
