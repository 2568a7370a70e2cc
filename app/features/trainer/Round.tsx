/** One plug after another: the picture, and the seven tones to tap or to key. */
import Button from "@mui/material/Button";
import { useEffect, useRef } from "react";
import { TONES } from "#core/log/parts.ts";
import { PlugPhoto } from "#app/frame/plug/PlugPhoto.tsx";
import { ToneScale } from "#app/frame/plug/ToneScale.tsx";
import { IN_LIGHT } from "./words.ts";
import css from "./trainer.module.css";
import { useRound, type Answered, type RoundWanted } from "./use-round.ts";

interface RoundProps {
  readonly wanted: RoundWanted;
  readonly onEnd: (answered: readonly Answered[]) => void;
  readonly onStop: () => void;
}

export function Round({ wanted, onEnd, onStop }: RoundProps) {
  const { plug, at, of, leftS, answer } = useRound(wanted, onEnd);
  const newest = useRef(answer);
  useEffect(() => {
    newest.current = answer;
  });
  useEffect(() => {
    const keyed = ({ key, ctrlKey, metaKey, altKey }: KeyboardEvent) => {
      const tone = TONES[Number(key) - 1];
      if (tone && !ctrlKey && !metaKey && !altKey) newest.current(tone);
    };
    addEventListener("keydown", keyed);
    return () => removeEventListener("keydown", keyed);
  }, []);
  if (!plug) return null;
  return (
    <section className={css["round"]} aria-label="Round">
      <div>
        <PlugPhoto
          scene={plug.scene}
          seed={plug.seed}
          circled="root"
          label={`Plug ${at + 1}, ${IN_LIGHT[plug.scene.light]}, with white paper beside it`}
        />
      </div>
      <div className="stack">
        <p className="flush" aria-live="polite">
          <strong>
            Plug {at + 1} of {of}
          </strong>
          , {IN_LIGHT[plug.scene.light]}.
          {wanted.clockS > 0 && <span className={css["clock"]}>{leftS} s</span>}
        </p>
        <p className="quiet flush">Which tone has the porcelain near its root, in the circle?</p>
        <ToneScale label="Tone near the root; lean to rich" value={undefined} onChange={answer} keys />
        <Button className="start" onClick={onStop}>
          Stop this round
        </Button>
      </div>
    </section>
  );
}
