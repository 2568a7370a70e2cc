import IconButton from "@mui/material/IconButton";
import Add from "@mui/icons-material/Add";
import Remove from "@mui/icons-material/Remove";
import { useState } from "react";
import { type Part } from "#core/log/parts.ts";
import { readTypedNumber } from "#core/units/typed-number.ts";
import { formatTurns } from "#core/units/workshop.ts";
import { TypedField } from "#app/ui/TypedField.tsx";
import { PART_NAMES, partValueInFull } from "#app/vocabulary/parts.ts";

export const asText = (part: Part, value: number): string =>
  part === "screwTurns" ? formatTurns(value) : String(value);

export interface StepperProps {
  readonly part: Part;
  readonly values: readonly number[];
  readonly fitted: number;
  readonly problem: string | undefined;
}

/** Real steps: sizes in the box, quarter turns, grooves; free typing always possible. */
export function Stepper({ part, values, fitted, problem }: StepperProps) {
  const [text, setText] = useState(asText(part, fitted));
  const typed = readTypedNumber(text);
  const now = typed.ok ? typed.value : fitted;
  const below = values.filter((value) => value < now).at(-1);
  const above = values.find((value) => value > now);
  const step = (to: number | undefined, words: string, icon: typeof Add) => {
    const Icon = icon;
    return (
      <IconButton
        aria-label={`${PART_NAMES[part]} ${words}`}
        disabled={to === undefined}
        onClick={() => to !== undefined && setText(asText(part, to))}
        sx={{
          width: 52,
          height: 52,
          border: "1px solid var(--brass)",
          borderRadius: 1,
          color: "var(--brass)",
        }}
      >
        <Icon />
      </IconButton>
    );
  };
  return (
    <div
      style={{
        display: "grid",
        gridTemplateColumns: "52px minmax(0, 1fr) 52px",
        gap: 8,
        alignItems: "start",
      }}
    >
      {step(below, "down", Remove)}
      <TypedField
        name={part}
        label={PART_NAMES[part]}
        value={text}
        onChange={(event) => setText(event.target.value)}
        problem={problem}
        hint={`Fitted: ${partValueInFull(part, fitted)}`}
        keys="text"
      />
      {step(above, "up", Add)}
    </div>
  );
}
