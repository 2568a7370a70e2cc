/** A plug drawn by the worker, with the place that is judged circled. */
import { useEffect, useRef, useState } from "react";
import type { PlugPicture } from "#core/pictures/plug-picture.ts";
import type { PlugScene, PlugSpot } from "#core/pictures/plug-scene.ts";
import { wordsOf } from "#app/workers/on-demand.ts";
import { files } from "#app/workers/client.ts";
import css from "./plug.module.css";

interface PlugPhotoProps {
  readonly scene: PlugScene;
  readonly seed: number;
  /** what is seen, for who does not see it */
  readonly label: string;
  readonly circled?: PlugSpot | undefined;
  readonly sidePx?: number;
}

export function PlugPhoto({ scene, seed, label, circled, sidePx = 400 }: PlugPhotoProps) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const [spots, setSpots] = useState<PlugPicture["spots"]>();
  const [problem, setProblem] = useState<string>();
  // A scene is made anew with every drawing of the screen: what it says decides.
  const asked = JSON.stringify([scene, seed, sidePx]);
  useEffect(() => {
    let left = false;
    files.drawPlug(...(JSON.parse(asked) as [PlugScene, number, number])).then(
      ({ pixels, sidePx: side, spots: seen }) => {
        if (left) return;
        canvas.current?.getContext("2d")?.putImageData(new ImageData(pixels, side, side), 0, 0);
        setSpots(seen);
        setProblem(undefined);
      },
      (error: unknown) => {
        if (!left) setProblem(wordsOf(error));
      },
    );
    return () => {
      left = true;
    };
  }, [asked]);
  const place = circled && spots?.[circled];
  return (
    <div className={css["photo"]}>
      <canvas ref={canvas} width={sidePx} height={sidePx} role="img" aria-label={label} />
      {place && (
        <span
          className={css["circle"]}
          style={{ left: `${100 * place.x}%`, top: `${100 * place.y}%` }}
          aria-hidden
        />
      )}
      {problem !== undefined && <p role="alert">{problem}</p>}
    </div>
  );
}
