/** A plug to read: a drawn one, a word for it, and what was meant. Without scripts there is none to read. */
import Button from "@mui/material/Button";
import { useState } from "react";
import type { Tone } from "#core/log/parts.ts";
import { roundOf } from "#core/trainer/round.ts";
import { PlugPhoto } from "#app/frame/plug/PlugPhoto.tsx";
import { ToneScale } from "#app/frame/plug/ToneScale.tsx";
import css from "./handbook.module.css";
import { useScripts } from "./use-scripts.ts";

const PLUGS = roundOf({ seed: 38, light: "shade", burns: "twoStroke" });

export function PlugFigure() {
  const alive = useScripts();
  const [at, setAt] = useState(0);
  const [called, setCalled] = useState<Tone>();
  const plug = PLUGS[at % PLUGS.length];
  if (!plug || !alive) return null;
  const next = () => {
    setAt(at + 1);
    setCalled(undefined);
  };
  return (
    <figure className={css["figure"]}>
      <div className={css["plug"]}>
        <PlugPhoto
          scene={plug.scene}
          seed={plug.seed}
          circled="root"
          label={`A plug in the shade, number ${at + 1}`}
          sidePx={280}
        />
      </div>
      <ToneScale label="Tone near the root; lean to rich" value={called} onChange={setCalled} />
      <figcaption className="quiet" aria-live="polite">
        {called === undefined &&
          "Which tone has the porcelain near its root? Lean is on the left, rich on the right."}
        {called === plug.tone && `Right: ${plug.tone}. `}
        {called !== undefined && called !== plug.tone && `You say ${called}; it was drawn as ${plug.tone}. `}
        {called !== undefined && <Button onClick={next}>Another plug</Button>}
      </figcaption>
    </figure>
  );
}
