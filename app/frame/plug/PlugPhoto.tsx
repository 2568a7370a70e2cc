/** A plug drawn by the worker, with the place that is judged circled. */
import type { PlugScene, PlugSpot } from "#core/pictures/plug-scene.ts";
import { files } from "#app/workers/client.ts";
import { DrawnPicture } from "./DrawnPicture.tsx";
import css from "./plug.module.css";

interface PlugPhotoProps {
  readonly scene: PlugScene;
  readonly seed: number;
  /** what is seen, for who does not see it */
  readonly label: string;
  readonly circled?: PlugSpot | undefined;
  readonly sidePx?: number;
}

export const PlugPhoto = ({ scene, seed, label, circled, sidePx = 400 }: PlugPhotoProps) => (
  <DrawnPicture
    asked={JSON.stringify([scene, seed, sidePx])}
    draw={() => files.drawPlug(scene, seed, sidePx)}
    label={label}
    sidePx={sidePx}
    over={({ spots }) => {
      const place = circled && spots[circled];
      return (
        place && (
          <span
            className={css["circle"]}
            style={{ left: `${100 * place.x}%`, top: `${100 * place.y}%` }}
            aria-hidden
          />
        )
      );
    }}
  />
);
