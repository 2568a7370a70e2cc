import IconButton from "@mui/material/IconButton";
import Add from "@mui/icons-material/Add";
import Remove from "@mui/icons-material/Remove";
import { formatTurns } from "#core/units/workshop.ts";

interface TurnsStepperProps {
  readonly label: string;
  readonly value: number;
  readonly from: number;
  readonly to: number;
  readonly onChange: (turns: number) => void;
}

const STEP = 0.25;
const STYLE = {
  width: 52,
  height: 52,
  border: "1px solid var(--brass)",
  borderRadius: 1,
  color: "var(--brass)",
};

/** A screw in quarter turns, for gloves. */
export function TurnsStepper({ label, value, from, to, onChange }: TurnsStepperProps) {
  const step = (by: number) => onChange(Math.min(to, Math.max(from, Math.round((value + by) * 1000) / 1000)));
  return (
    <div className="turns" role="group" aria-label={label}>
      <span className="label">{label}</span>
      <IconButton
        aria-label={`${label} a quarter turn less`}
        disabled={value <= from}
        onClick={() => step(-STEP)}
        sx={STYLE}
      >
        <Remove />
      </IconButton>
      <strong>{value < 0 ? `−${formatTurns(-value)}` : formatTurns(value)}</strong>
      <IconButton
        aria-label={`${label} a quarter turn more`}
        disabled={value >= to}
        onClick={() => step(STEP)}
        sx={STYLE}
      >
        <Add />
      </IconButton>
    </div>
  );
}
