import clsx from "clsx";
import css from "./plug.module.css";
import { TONES, type Tone } from "#core/log/parts.ts";
import { LIGHT_TONES, TONE_COLOURS } from "#app/theme/colours.ts";
import { TONE_MEANINGS } from "#app/vocabulary/parts.ts";

interface ToneScaleProps {
  readonly label: string;
  readonly value: Tone | undefined;
  readonly onChange: (tone: Tone) => void;
  /** the key that chooses each, where keys do */
  readonly keys?: boolean;
}

/** The seven tones of a plug, lean to rich: told by lightness and by word. */
export function ToneScale({ label, value, onChange, keys = false }: ToneScaleProps) {
  return (
    <div className={clsx(css["tone-scale"], "keeps-colour")} role="radiogroup" aria-label={label}>
      {TONES.map((tone, i) => (
        <button
          key={tone}
          type="button"
          role="radio"
          aria-checked={tone === value}
          onClick={() => onChange(tone)}
          style={{ background: TONE_COLOURS[tone], color: LIGHT_TONES.has(tone) ? "#1D1A15" : "#FFFFFF" }}
        >
          {keys && <kbd className="key">{i + 1}</kbd>}
          {tone}
          <small>{TONE_MEANINGS[tone]}</small>
        </button>
      ))}
    </div>
  );
}
