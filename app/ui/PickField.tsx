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

/** The days of years: the device's own list opens at once and is turned through with a thumb. */
const LONG = 40;

export const PickField = ({ options, problem, hint, ...rest }: PickProps) => {
  const native = options.length > LONG;
  return (
    <TextField
      {...rest}
      select
      error={problem !== undefined}
      helperText={problem ?? hint}
      slotProps={{
        select: { native, displayEmpty: !native && options.some(([value]) => value === "") },
      }}
    >
      {options.map(([value, text]) =>
        native ? (
          <option key={value} value={value}>
            {text}
          </option>
        ) : (
          <MenuItem key={value} value={value}>
            {text}
          </MenuItem>
        ),
      )}
    </TextField>
  );
};
