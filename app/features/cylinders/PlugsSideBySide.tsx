import Button from "@mui/material/Button";
import { useState } from "react";
import { useFetcher } from "react-router";
import { ZONES, type Zone } from "#core/carburettor/zones.ts";
import { TONES, type Tone } from "#core/log/parts.ts";
import type { CylindersSent } from "./form.ts";
import { PickField } from "#app/ui/PickField.tsx";
import { Caution } from "#app/ui/Caution.tsx";
import { Choice } from "#app/ui/Choice.tsx";
import { HoldTimer } from "#app/ui/HoldTimer.tsx";
import { Problem } from "#app/ui/Problem.tsx";
import { ToneDot } from "#app/ui/ToneDot.tsx";
import { useRig } from "#app/frame/use-rig.ts";
import type { ActionProblem } from "#app/journal/save.ts";
import { zoneCaution } from "#app/vocabulary/cautions.ts";
import { CUTS, type Cut } from "#app/vocabulary/cuts.ts";
import { DISTRIBUTION_STEPS } from "#app/vocabulary/cylinders.ts";
import { TONE_MEANINGS, ZONE_NAMES, ZONE_OPENINGS } from "#app/vocabulary/parts.ts";

const RUN_S = 300;

/** The distribution test: every plug of the engine in one go. */
const TONE_OPTIONS = [
  ["", "not looked at"] as const,
  ...TONES.map(
    (name) =>
      [
        name,
        <>
          <ToneDot tone={name} /> {name}, {TONE_MEANINGS[name]}
        </>,
      ] as const,
  ),
];

export function PlugsSideBySide() {
  const { build } = useRig();
  const fetcher = useFetcher<ActionProblem & { saved?: number }>();
  const [zone, setZone] = useState<Zone>("mid");
  const [cut, setCut] = useState<Cut>("clean");
  const [tones, setTones] = useState<readonly (Tone | null)[]>(() =>
    Array.from({ length: build.engine.cylinders }, () => null),
  );
  const save = () => {
    const sent: CylindersSent = { intent: "plugs", zone, cut, tones: [...tones] };
    void fetcher.submit(JSON.stringify(sent), { method: "post", encType: "application/json" });
  };
  return (
    <section className="stack">
      <h2>Plugs side by side</h2>
      <ol className="steps">
        {DISTRIBUTION_STEPS.map((step) => (
          <li key={step}>{step}</li>
        ))}
      </ol>
      <HoldTimer seconds={RUN_S} start="Start the five minutes" done="Cut it clean" />
      <Choice
        label="Where on the throttle"
        value={zone}
        options={ZONES.map((value) => ({ value, text: ZONE_NAMES[value], note: ZONE_OPENINGS[value] }))}
        onChange={setZone}
      />
      <Choice label="The engine was" value={cut} options={CUTS} onChange={setCut} />
      <div className="gauge-fields">
        {tones.map((tone, i) => (
          <PickField
            key={i}
            label={`Cylinder ${i + 1}`}
            value={tone ?? ""}
            onChange={({ target }) =>
              setTones(
                tones.map((old, k) =>
                  k === i ? (TONES.find((name) => name === target.value) ?? null) : old,
                ),
              )
            }
            options={TONE_OPTIONS}
          />
        ))}
      </div>
      <Caution>{zoneCaution("plug", zone)}</Caution>
      <Problem message={fetcher.data?.message ?? fetcher.data?.fields?.["plugs"]} />
      <div className="row">
        <Button variant="contained" disabled={fetcher.state !== "idle"} onClick={save}>
          {fetcher.state === "idle" ? "Save the plugs" : "Saving…"}
        </Button>
        {fetcher.data?.saved !== undefined && <span role="status">{fetcher.data.saved} looks saved.</span>}
      </div>
    </section>
  );
}
