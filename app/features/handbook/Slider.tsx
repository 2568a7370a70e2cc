import css from "./handbook.module.css";

interface SliderProps {
  readonly label: string;
  /** what it is at, with its unit */
  readonly words: string;
  readonly value: number;
  readonly range: readonly [number, number];
  readonly step: number;
  readonly onChange: (value: number) => void;
}

/** A value that a figure is drawn for; before scripts run it only shows it. */
export const Slider = ({ label, words, value, range: [min, max], step, onChange }: SliderProps) => (
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
      aria-valuetext={words}
      onChange={({ target }) => onChange(target.valueAsNumber)}
    />
  </label>
);
