import { StepButton } from "./StepButton.tsx";
import { formatTurns } from "#app/vocabulary/numerals.ts";

interface TurnsStepperProps {
  readonly label: string;
  readonly value: number;
  readonly from: number;
  readonly to: number;
  readonly onChange: (turns: number) => void;
}

const STEP = 0.25;

/** A screw in quarter turns, for gloves. */
export function TurnsStepper({ label, value, from, to, onChange }: TurnsStepperProps) {
  const step = (by: number) => onChange(Math.min(to, Math.max(from, Math.round((value + by) * 1000) / 1000)));
  return (
    <div className="turns" role="group" aria-label={label}>
      <span className="label">{label}</span>
      <StepButton
        label={`${label} a quarter turn less`}
        up={false}
        disabled={value <= from}
        onStep={() => step(-STEP)}
      />
      <strong>{value < 0 ? `−${formatTurns(-value)}` : formatTurns(value)}</strong>
      <StepButton
        label={`${label} a quarter turn more`}
        up
        disabled={value >= to}
        onStep={() => step(STEP)}
      />
    </div>
  );
}
