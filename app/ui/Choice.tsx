import ToggleButton from "@mui/material/ToggleButton";
import ToggleButtonGroup from "@mui/material/ToggleButtonGroup";

interface ChoiceProps<T extends string> {
  readonly label: string;
  /** none: nothing is chosen yet */
  readonly value: T | undefined;
  readonly options: readonly { value: T; text: string; note?: string }[];
  readonly onChange: (value: T) => void;
}

/** More than this go on a second line where a phone has no room. */
const FEW = 5;

/** One of a few, big enough for gloves. */
export function Choice<T extends string>({ label, value, options, onChange }: ChoiceProps<T>) {
  return (
    <fieldset className={options.length > FEW ? "choices many" : "choices"}>
      <legend className="label">{label}</legend>
      <ToggleButtonGroup
        exclusive
        fullWidth
        value={value ?? null}
        aria-label={label}
        onChange={(_, next: T | null) => {
          if (next !== null) onChange(next);
        }}
      >
        {options.map((option) => (
          <ToggleButton key={option.value} value={option.value}>
            <span>
              {option.text}
              {option.note !== undefined && <small className="under snug">{option.note}</small>}
            </span>
          </ToggleButton>
        ))}
      </ToggleButtonGroup>
    </fieldset>
  );
}
