/** A field that is typed into: what is wrong with it stands below it, else its hint. */
import InputAdornment from "@mui/material/InputAdornment";
import TextField, { type TextFieldProps } from "@mui/material/TextField";

export type TypedProps = Omit<
  TextFieldProps,
  "label" | "error" | "helperText" | "slotProps" | "select" | "children" | "variant"
> & {
  readonly label: string;
  readonly problem?: string | undefined;
  readonly hint?: string | undefined;
  readonly unit?: string | undefined;
  /** which keys a phone shows: digits with a point, digits alone, or letters */
  readonly keys?: "decimal" | "numeric" | "text";
  /** the most signs it takes */
  readonly most?: number;
};

export const TypedField = ({ problem, hint, unit, keys = "text", most, ...rest }: TypedProps) => (
  <TextField
    autoComplete="off"
    {...rest}
    error={problem !== undefined}
    helperText={problem ?? hint}
    slotProps={{
      htmlInput: { inputMode: keys, ...(most !== undefined && { maxLength: most }) },
      input:
        unit === undefined ? {} : { endAdornment: <InputAdornment position="end">{unit}</InputAdornment> },
    }}
  />
);
