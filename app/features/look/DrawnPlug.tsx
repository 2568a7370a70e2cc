/** How the chosen tones look on a plug, the place that is judged circled; and the way to the trainer. */
import { Link } from "react-router";
import type { PlugFinding } from "#core/log/parts.ts";
import type { Build } from "#core/log/schema.ts";
import { toneCentre } from "#core/looks/plug-tone.ts";
import { plugScene, type Burns, type PlugSpot } from "#core/pictures/plug-scene.ts";
import { PlugPhoto } from "#app/frame/plug/PlugPhoto.tsx";
import { PLUG_PLACE_WORDS } from "#app/vocabulary/readings.ts";
import css from "./look.module.css";
import type { PlugTones } from "./PlugDrawing.tsx";

interface DrawnPlugProps {
  readonly tones: PlugTones;
  readonly spot: PlugSpot;
  readonly findings: readonly PlugFinding[];
  readonly build: Build;
}

/** The same plug each time: only what is chosen changes in it. */
const SEED = 6;

function burnsIn({ fuel, engine }: Build): Burns {
  if (fuel.name === "methanol") return "methanol";
  return engine.strokes === 2 ? "twoStroke" : "fourStroke";
}

export function DrawnPlug({ tones, spot, findings, build }: DrawnPlugProps) {
  const tone = tones[spot];
  // A place without a word looks as the one that is judged.
  const shows = (place: PlugSpot) => toneCentre(tones[place] ?? tone ?? "biscuit");
  return (
    <div className={css["drawn-plug"]}>
      {tone ? (
        <PlugPhoto
          scene={plugScene(0, {
            shows: { root: shows("root"), face: shows("face"), strap: shows("strap"), ring: shows("ring") },
            findings,
            burns: burnsIn(build),
          })}
          seed={SEED}
          sidePx={260}
          circled={spot}
          label={`A drawn plug, ${tone} at: ${PLUG_PLACE_WORDS[spot].name.toLowerCase()}`}
        />
      ) : (
        <div className={css["no-plug"]} />
      )}
      <p className="quiet flush">
        {tone
          ? `This is how ${tone} looks there, in the shade.`
          : "Choose a tone: here you see how it looks on a plug."}{" "}
        <Link to="/trainer">Train your eye</Link>
      </p>
    </div>
  );
}
