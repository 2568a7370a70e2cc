import css from "./look.module.css";
import Button from "@mui/material/Button";
import ToggleButton from "@mui/material/ToggleButton";
import { lazy, Suspense, useState } from "react";
import type { Zone } from "#core/carburettor/zones.ts";
import { heatRangeSays } from "#core/looks/heat-range.ts";
import { PLUG_FINDINGS, type PlugFinding } from "#core/log/parts.ts";
import type { PlugSpot } from "#core/pictures/plug-scene.ts";
import { PickField } from "#app/ui/PickField.tsx";
import { Caution } from "#app/ui/Caution.tsx";
import { Term } from "#app/ui/Term.tsx";
import { Choice } from "#app/ui/Choice.tsx";
import { Working } from "#app/ui/Working.tsx";
import { DrawnPlug } from "./DrawnPlug.tsx";
import { PlugDrawing, PLUG_SPOTS, type PlugTones } from "./PlugDrawing.tsx";
import { ToneScale } from "#app/frame/plug/ToneScale.tsx";
import { useRig } from "#app/frame/use-rig.ts";
import { CUTS } from "#app/vocabulary/cuts.ts";
import { heatRangeOptions, HEAT_RANGE_SAYS } from "#app/vocabulary/heat-range.ts";
import { PLUG_PLACE_WORDS } from "#app/vocabulary/readings.ts";
import { PLUG_FINDING_WORDS } from "#app/vocabulary/symptoms.ts";
import { MarkProtocol } from "./MarkProtocol.tsx";
import { useKind } from "./use-kind.ts";

const PhotoReader = lazy(() => import("./PhotoReader.tsx").then((m) => ({ default: m.PhotoReader })));

/** A plug: its tones, how it was marked and cut, what it is, and what else is on it. */
export function PlugFields({ zone }: { readonly zone: Zone }) {
  const { build } = useRig();
  const { typed, type, wrong } = useKind("plug");
  const { tone: root, places, cut, used, made, findings = [] } = typed;
  const [spot, setSpot] = useState<PlugSpot>("root");
  const [reading, setReading] = useState(false);
  const problem = wrong("tone");
  const tones: PlugTones = { ...places, ...(root && { root }) };
  const toggle = (name: PlugFinding) =>
    type({
      findings: findings.includes(name) ? findings.filter((other) => other !== name) : [...findings, name],
    });
  const says = root && heatRangeSays(root, tones.strap);
  return (
    <>
      <div className="stack">
        <div className={css["plug-place"]}>
          <PlugDrawing tones={tones} chosen={spot} onChoose={setSpot} />
          <div className="stack tight">
            <Choice
              label="Place on the plug"
              value={spot}
              options={PLUG_SPOTS.map((value) => ({
                value,
                text: SHORT[value],
                note: tones[value] ?? "–",
              }))}
              onChange={setSpot}
            />
            <p className="quiet flush">
              {PLUG_PLACE_WORDS[spot].name}: shows {PLUG_PLACE_WORDS[spot].tells}.
            </p>
          </div>
        </div>
        <ToneScale
          label={`Tone of: ${PLUG_PLACE_WORDS[spot].name.toLowerCase()}; lean to rich`}
          value={tones[spot]}
          onChange={(tone) => type(spot === "root" ? { tone } : { places: { ...places, [spot]: tone } })}
        />
        <DrawnPlug tones={tones} spot={spot} findings={findings} build={build} />
        {problem !== undefined && root === undefined && <Caution>{problem}</Caution>}
        {says !== undefined && <Caution>{HEAT_RANGE_SAYS[says]}</Caution>}
        <Button
          variant="outlined"
          className="start"
          aria-expanded={reading}
          onClick={() => setReading(!reading)}
        >
          {reading ? "Close the photo" : "Read it from a photo"}
        </Button>
        {reading && (
          <Suspense fallback={<Working words="Opening the photo reader…" />}>
            <PhotoReader
              onRead={(tone, sure) => {
                type({ tone, photo: { tone, sure } });
                setSpot("root");
              }}
            />
          </Suspense>
        )}
      </div>
      <Choice label="The engine was" value={cut} options={CUTS} onChange={(next) => type({ cut: next })} />
      <p className="quiet flush">
        Only a <Term of="cleanCut">clean cut</Term> shows the opening that you held.
      </p>
      <fieldset className="choices">
        <legend className="label">Also on it</legend>
        <div className="row">
          {PLUG_FINDINGS.map((name) => (
            <ToggleButton
              key={name}
              value={name}
              selected={findings.includes(name)}
              onChange={() => toggle(name)}
            >
              {PLUG_FINDING_WORDS[name].name}
            </ToggleButton>
          ))}
        </div>
      </fieldset>
      {findings.map((name) => (
        <Caution key={name} grave={name === "specks"}>
          {PLUG_FINDING_WORDS[name].then}
        </Caution>
      ))}
      <div className="two-fields">
        <Choice
          label="This plug is"
          value={used ? "used" : "fresh"}
          options={[
            { value: "fresh", text: "New or clean" },
            { value: "used", text: "Used before", note: "counts less" },
          ]}
          onChange={(age) => type({ used: age === "used" })}
        />
        <PickField
          label="Heat range of this plug"
          value={String(typed.colderSteps)}
          onChange={({ target }) => type({ colderSteps: target.value })}
          options={heatRangeOptions(build.plug)}
          hint="A plug that is too cold looks darker than the mixture is."
        />
      </div>
      <MarkProtocol zone={zone} mark={made} onMark={(mark) => type({ made: mark })} />
    </>
  );
}

const SHORT: Readonly<Record<PlugSpot, string>> = {
  root: "Root",
  face: "Face",
  strap: "Strap",
  ring: "Ring",
};
