/** One thing to move: a step either way, or the whole way with a slider. */
import css from "./what-if.module.css";
import { memo } from "react";
import Slider from "@mui/material/Slider";
import { StepButton } from "#app/ui/StepButton.tsx";
import type { TrialAsked } from "#core/log/trial-asked.ts";
import type { Mover } from "./movers.ts";

interface MoverRowProps {
  readonly mover: Mover;
  readonly onMove: (change: (asked: TrialAsked) => TrialAsked) => void;
}

/** Drawn anew only where it has moved: there are a dozen of them. */
const isAsBefore = (before: MoverRowProps, next: MoverRowProps): boolean =>
  before.onMove === next.onMove &&
  before.mover.now === next.mover.now &&
  before.mover.value === next.mover.value &&
  before.mover.words(next.mover.value) === next.mover.words(next.mover.value);

export const MoverRow = memo(function MoverRow({ mover, onMove }: MoverRowProps) {
  const { key, label, from, to, step, value, now, words, moved } = mover;
  const isMoved = Math.abs(value - now) > step / 100;
  const by = (steps: number) =>
    onMove((asked) => moved(asked, Math.min(to, Math.max(from, Number((value + steps * step).toFixed(6))))));
  return (
    <div className={css["mover"]} data-mover={key}>
      <span className={isMoved ? css["moved"] : undefined}>
        <span className="label">{label}</span> <strong>{words(value)}</strong>
        {isMoved && <small className="quiet"> now {words(now)}</small>}
      </span>
      <StepButton label={`${label} down`} up={false} disabled={value <= from} onStep={() => by(-1)} />
      <Slider
        aria-label={label}
        min={from}
        max={to}
        step={step}
        value={value}
        getAriaValueText={words}
        onChange={(_, next) => onMove((asked) => moved(asked, next))}
      />
      <StepButton label={`${label} up`} up disabled={value >= to} onStep={() => by(1)} />
    </div>
  );
}, isAsBefore);
