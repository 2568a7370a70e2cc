/** What the practice engine has just shown: how it pulled, its probe, its plug, its crown and header, a check. */
import { Link } from "react-router";
import type { Shown as GameShown } from "#core/practice/game.ts";
import { DrawnPicture } from "../plug/DrawnPicture.tsx";
import { PlugPhoto } from "../plug/PlugPhoto.tsx";
import { Caution } from "#app/ui/Caution.tsx";
import { files } from "#app/workers/client.ts";
import { capital, ZONE_NAMES } from "#app/vocabulary/parts.ts";
import { FAULT_WORDS } from "#app/vocabulary/faults.ts";
import { formatQuantity } from "#app/vocabulary/numerals.ts";
import type { Preferences } from "#app/vocabulary/preferences.ts";
import { feelWords, LIGHT_NOTES } from "#app/vocabulary/practice.ts";
import { SYMPTOM_WORDS } from "#app/vocabulary/symptoms.ts";
import { CHECK_WORDS } from "#app/vocabulary/walk-round.ts";
import css from "./practice.module.css";

const PICTURE_PX = 400;

interface ShownProps {
  readonly shown: GameShown;
  readonly rigId: string;
  readonly preferences: Preferences;
}

type Of<K extends GameShown["kind"]> = Extract<GameShown, { kind: K }>;

function Ride({ ride, rigId, preferences }: { ride: Of<"ride"> } & Omit<ShownProps, "shown">) {
  const degrees = (kelvin: number) => formatQuantity("temperature", kelvin, preferences.temperature);
  return (
    <div>
      {ride.hurt && (
        <Caution grave>
          It seized at full throttle: too lean. A real one now needs a piston and a cylinder.
        </Caution>
      )}
      <dl className={css["felt"]}>
        {ride.felt.map((felt) => (
          <div key={felt.zone}>
            <dt>{ZONE_NAMES[felt.zone]}</dt>
            <dd>{feelWords(felt)}</dd>
          </div>
        ))}
        {ride.heads.map(({ zone, temperatureK }) => (
          <div key={`head ${zone}`}>
            <dt>{zone === "idle" ? "Start line" : "Finish line"}</dt>
            <dd>Head {degrees(temperatureK)}</dd>
          </div>
        ))}
      </dl>
      {ride.noticed.map((symptom) => (
        <p key={symptom} className="flush">
          Noticed: {SYMPTOM_WORDS[symptom]}.
        </p>
      ))}
      <p className="flush">
        <Link to={`/rigs/${rigId}/look?how=${ride.heads.length > 0 ? "temperature" : "ride"}`}>
          Write down {ride.heads.length > 0 ? "the temperatures" : "how it pulled"}
        </Link>
      </p>
    </div>
  );
}

function Plug({ plug, rigId }: { plug: Of<"plug">; rigId: string }) {
  const which = plug.cylinder === undefined ? "" : ` of cylinder ${plug.cylinder}`;
  const cylinder = plug.cylinder === undefined ? "" : `&cylinder=${plug.cylinder}`;
  return (
    <figure className={css["picture"]}>
      <PlugPhoto
        scene={plug.scene}
        seed={plug.seed}
        sidePx={PICTURE_PX}
        label={`The plug${which}: read its tone`}
      />
      <figcaption>
        The plug{which}, {LIGHT_NOTES[plug.scene.light]}.{" "}
        <Link to={`/rigs/${rigId}/look?how=plug${cylinder}`}>Write down its tone</Link>
      </figcaption>
    </figure>
  );
}

function Witness({ witness, rigId }: { witness: Of<"crown" | "header">; rigId: string }) {
  const { kind, scene, seed } = witness;
  const name = kind === "crown" ? "The piston’s crown, through the plug hole" : "Inside the header";
  return (
    <figure className={css["picture"]}>
      <DrawnPicture
        asked={JSON.stringify([kind, scene, seed])}
        draw={() => files.drawWitness(kind, scene, seed, PICTURE_PX)}
        label={name}
        sidePx={PICTURE_PX}
      />
      <figcaption>
        {name}. <Link to={`/rigs/${rigId}/look?how=witness`}>Write down what you see</Link>
      </figcaption>
    </figure>
  );
}

export function Shown({ shown, rigId, preferences }: ShownProps) {
  switch (shown.kind) {
    case "ride":
      return <Ride ride={shown} rigId={rigId} preferences={preferences} />;
    case "plug":
      return <Plug plug={shown} rigId={rigId} />;
    case "crown":
    case "header":
      return <Witness witness={shown} rigId={rigId} />;
    case "inspected":
      return (
        <p className="flush">
          {CHECK_WORDS[shown.check].title}:{" "}
          {shown.found ? <strong>found {FAULT_WORDS[shown.found].name}.</strong> : "nothing wrong there."}
        </p>
      );
    case "mended":
      return <p className="flush">{capital(FAULT_WORDS[shown.fault].name)} is mended. Ride again.</p>;
    default:
      return null;
  }
}
