import { useState } from "react";
import { type Part } from "#core/log/parts.ts";
import { readTypedNumber } from "#core/units/typed-number.ts";
import { formatTurns } from "#core/units/workshop.ts";
import { StepButton } from "#app/ui/StepButton.tsx";
import { TypedField } from "#app/ui/TypedField.tsx";
import { PART_NAMES, partValueInFull } from "#app/vocabulary/parts.ts";

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
  /** what is proposed instead, to begin with */
  readonly proposed?: number | undefined;
  readonly problem: string | undefined;
}

/** Real steps: sizes in the box, quarter turns, grooves; free typing always possible. */
export function Stepper({ part, values, fitted, proposed = fitted, problem }: StepperProps) {
  const [text, setText] = useState(asText(part, proposed));
  const typed = readTypedNumber(text);
  const now = typed.ok ? typed.value : fitted;
  const below = values.filter((value) => value < now).at(-1);
  const above = values.find((value) => value > now);
  const step = (up: boolean, to: number | undefined) => (
    <StepButton
      label={`${PART_NAMES[part]} ${up ? "up" : "down"}`}
      up={up}
      disabled={to === undefined}
      onStep={() => to !== undefined && setText(asText(part, to))}
    />
  );
  return (
    <div className="stepper">
      {step(false, below)}
      <TypedField
        name={part}
        label={PART_NAMES[part]}
        value={text}
        onChange={(event) => setText(event.target.value)}
        problem={problem}
        hint={`Fitted: ${partValueInFull(part, fitted)}`}
        keys={KEYS[part]}
      />
      {step(true, above)}
    </div>
  );
}
