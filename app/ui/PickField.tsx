/** One of a list, too long for buttons. */
import type { ReactNode } from "react";
import MenuItem from "@mui/material/MenuItem";
import TextField, { type TextFieldProps } from "@mui/material/TextField";

export type PickProps = Omit<
  TextFieldProps,
  "label" | "error" | "helperText" | "slotProps" | "select" | "children" | "variant"
> & {
  readonly label: string;
  /** what is stored, and what is read; an empty one stands for nothing chosen */
  readonly options: readonly (readonly [value: string, text: ReactNode])[];
  readonly problem?: string | undefined;
  readonly hint?: string | undefined;
};

export const PickField = ({ options, problem, hint, ...rest }: PickProps) => (
  <TextField
    {...rest}
    select
    error={problem !== undefined}
    helperText={problem ?? hint}
    slotProps={{ select: { displayEmpty: options.some(([value]) => value === "") } }}
  >
    {options.map(([value, text]) => (
      <MenuItem key={value} value={value}>
        {text}
      </MenuItem>
    ))}
  </TextField>
);
