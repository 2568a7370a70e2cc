import IconButton from "@mui/material/IconButton";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import Close from "@mui/icons-material/Close";
import { Controller, useFormContext, type FieldPath } from "react-hook-form";
import { type BoxTexts } from "./form.ts";

export const JETS = [
  ["pilot", "Pilot"],
  ["main", "Main"],
] as const;

export const NUMBERINGS = [
  ["diameter", "By diameter, 1/100 mm"],
  ["flow", "By flow"],
] as const;

export function Field({ name, label, hint }: { name: FieldPath<BoxTexts>; label: string; hint?: string }) {
  const { register, getFieldState, formState } = useFormContext<BoxTexts>();
  const { error } = getFieldState(name, formState);
  return (
    <TextField
      {...register(name)}
      label={label}
      fullWidth
      autoComplete="off"
      error={error !== undefined}
      helperText={error?.message ?? hint}
      slotProps={{ inputLabel: { shrink: true } }}
    />
  );
}

export function Pick({
  name,
  label,
  options,
}: {
  name: FieldPath<BoxTexts>;
  label: string;
  options: readonly (readonly [string, string])[];
}) {
  const { control } = useFormContext<BoxTexts>();
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

export const RemoveButton = ({ label, onClick }: { label: string; onClick: () => void }) => (
  <IconButton aria-label={label} onClick={onClick} sx={{ width: 52, height: 52 }}>
    <Close />
  </IconButton>
);
