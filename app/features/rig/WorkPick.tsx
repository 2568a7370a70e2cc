import { WORK_NAMES, type WorkName } from "#core/log/epochs.ts";
import { PickField } from "#app/ui/PickField.tsx";
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
    <PickField
      label="What was done"
      value={value}
      onChange={(event) => onChange(event.target.value as WorkOrNone)}
      options={[
        ...(none === undefined ? [] : [["measured", none] as const]),
        ...WORK_NAMES.map((name) => [name, WORK_WORDS[name]] as const),
      ]}
      hint={known ? reopensWords(known) : "Brings back no doubt."}
    />
  );
}
