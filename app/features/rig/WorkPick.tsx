import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { WORK_NAMES, type WorkName } from "#core/log/epochs.ts";
import { reopensWords, WORK_WORDS } from "#app/vocabulary/work.ts";

export type WorkOrNone = WorkName | "measured";

interface WorkPickProps {
  readonly value: WorkOrNone;
  readonly onChange: (value: WorkOrNone) => void;
  /** the word for no work at all, where that is possible */
  readonly none?: string;
}

/** What was done to the machine; says which doubts that brings back. */
export function WorkPick({ value, onChange, none }: WorkPickProps) {
  const known = WORK_NAMES.find((name) => name === value);
  return (
    <TextField
      select
      label="What was done"
      value={value}
      onChange={(event) => onChange(event.target.value as WorkOrNone)}
      helperText={known ? reopensWords(known) : "Brings back no doubt."}
      slotProps={{ inputLabel: { shrink: true } }}
    >
      {none !== undefined && <MenuItem value="measured">{none}</MenuItem>}
      {WORK_NAMES.map((name) => (
        <MenuItem key={name} value={name}>
          {WORK_WORDS[name]}
        </MenuItem>
      ))}
    </TextField>
  );
}
