import css from "./handbook.module.css";
import { useScripts } from "./use-scripts.ts";

interface SliderProps {
  readonly label: string;
  /** what it is at, with its unit */
  readonly words: string;
  readonly value: number;
  readonly range: readonly [number, number];
  readonly step: number;
  readonly onChange: (value: number) => void;
}

/** A value that a figure is drawn for; before scripts run it cannot be moved, since nothing would follow it. */
export function Slider({ label, words, value, range: [min, max], step, onChange }: SliderProps) {
  const alive = useScripts();
  return (
    <label className={css["slider"]}>
      <span>
        {label} <strong className="figures">{words}</strong>
      </span>
      <input
        type="range"
        value={value}
        min={min}
        max={max}
        step={step}
        disabled={!alive}
        aria-valuetext={words}
        onChange={({ target }) => onChange(target.valueAsNumber)}
      />
    </label>
  );
}
