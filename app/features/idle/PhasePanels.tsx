import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import { Link } from "react-router";
import type { Symptom } from "#core/log/symptom-names.ts";
import { SYMPTOMS } from "#core/log/symptom-names.ts";
import { Caution } from "#app/ui/Caution.tsx";
import { useRig } from "#app/frame/use-rig.ts";
import { placeHref } from "#app/frame/places.ts";
import { BLIP_SYMPTOMS } from "./words.ts";
import { SYMPTOM_WORDS } from "#app/vocabulary/symptoms.ts";
import { formatTurns } from "#app/vocabulary/numerals.ts";

export function WarmPanel({ onDone }: { onDone: () => void }) {
  return (
    <div className="stack">
      <ol className="steps">
        <li>In the open, on a stand. Look at the choke: it must be off.</li>
        <li>Run it until the idle no longer climbs: some five minutes, ten on a cold day.</li>
        <li>A cold engine needs more fuel, so a cold reading makes you set it too rich.</li>
      </ol>
      <Button variant="contained" onClick={onDone} className="start">
        It is warm
      </Button>
    </div>
  );
}

interface BasePanelProps {
  readonly raised: boolean;
  readonly onRaised: (raised: boolean) => void;
  readonly onDone: () => void;
}

export function BasePanel({ raised, onRaised, onDone }: BasePanelProps) {
  const { build } = useRig();
  const { screwTurns } = build.baseline.setting;
  const air = build.carburettor.screw === "air";
  return (
    <div className="stack">
      <ol className="steps">
        <li>
          Count the turns as you screw it in until it seats lightly. Force ruins the seat. Then out to its
          base, <strong>{formatTurns(screwTurns)} turns</strong>.
        </li>
        <li>
          {air
            ? "An air screw (air-box side of the slide): in is richer."
            : "A fuel screw (engine side of the slide): out is richer."}
        </li>
        <li>If it stumbles at base, raise the idle a little with its stop. Set it back afterwards.</li>
      </ol>
      <FormControlLabel
        control={<Checkbox checked={raised} onChange={(_, checked) => onRaised(checked)} />}
        label="Idle raised for the test"
      />
      <Button variant="contained" onClick={onDone} className="start">
        Walk the screw
      </Button>
    </div>
  );
}

interface BlipPanelProps {
  readonly raised: boolean;
  readonly saving: boolean;
  readonly onSymptom: (symptom: Symptom) => void;
  readonly onClean: () => void;
}

/** What a blip shows: of the idle when it comes back, of the first eighth when it goes. */
export function BlipPanel({ raised, saving, onSymptom, onClean }: BlipPanelProps) {
  const { build, header } = useRig();
  return (
    <div className="stack">
      {raised && (
        <Caution>
          The idle was raised for the test: bring it back to {build.engine.idleRpm} rpm first.{" "}
          <Link to={placeHref(header.id, "idle-speed")}>Idle speed</Link>
        </Caution>
      )}
      <p className="flush">
        Blip it: crack the throttle open to an eighth or so and let it snap shut. It must come back clean,
        without hanging and without a dip.
      </p>
      <div className="row" role="group" aria-label="What the blip showed">
        <Button variant="contained" disabled={saving} onClick={onClean}>
          Clean
        </Button>
        {BLIP_SYMPTOMS.map((symptom) => (
          <Button key={symptom} variant="outlined" disabled={saving} onClick={() => onSymptom(symptom)}>
            {SYMPTOM_WORDS[symptom]} ({SYMPTOMS[symptom].kind})
          </Button>
        ))}
      </div>
      <p className="quiet flush">
        It hangs whatever the screw does? That is no jet.{" "}
        <Link to={placeHref(header.id, "walk-round/airLeaks")}>Look for an air leak</Link>.
      </p>
    </div>
  );
}
