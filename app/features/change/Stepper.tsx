import { useController } from "react-hook-form";
import { type Part } from "#core/log/parts.ts";
import { readTypedNumber } from "#core/units/typed-number.ts";
import { StepButton } from "#app/ui/StepButton.tsx";
import { useRefused } from "#app/ui/refusals.ts";
import { TypedField } from "#app/ui/TypedField.tsx";
import type { ChangeTexts } from "./form.ts";
import { PART_NAMES, partValueInFull } from "#app/vocabulary/parts.ts";
import { formatTurns } from "#app/vocabulary/numerals.ts";

export const asText = (part: Part, value: number): string =>
  part === "screwTurns" ? formatTurns(value) : String(value);

/** A screw may be typed as a fraction: a pad of digits has no stroke for it. */
const KEYS = {
  pilot: "decimal",
  screwTurns: "text",
  clip: "numeric",
  main: "decimal",
  shimMm: "decimal",
} as const;

export interface StepperProps {
  readonly part: Part;
  readonly values: readonly number[];
  readonly fitted: number;
}

/** Real steps: sizes in the box, quarter turns, grooves; free typing always possible. */
export function Stepper({ part, values, fitted }: StepperProps) {
  const { field, fieldState } = useController<ChangeTexts, Part>({ name: part });
  const refused = useRefused(part);
  const typed = readTypedNumber(field.value);
  const now = typed.ok ? typed.value : fitted;
  const below = values.filter((value) => value < now).at(-1);
  const above = values.find((value) => value > now);
  const step = (up: boolean, to: number | undefined) => (
    <StepButton
      label={`${PART_NAMES[part]} ${up ? "up" : "down"}`}
      up={up}
      disabled={to === undefined}
      onStep={() => to !== undefined && field.onChange(asText(part, to))}
    />
  );
  return (
    <div className="stepper">
      {step(false, below)}
      <TypedField
        {...field}
        label={PART_NAMES[part]}
        problem={fieldState.error?.message ?? refused}
        hint={`Fitted: ${partValueInFull(part, fitted)}`}
        keys={KEYS[part]}
      />
      {step(true, above)}
    </div>
  );
}
