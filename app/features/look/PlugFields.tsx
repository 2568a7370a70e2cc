import css from "./look.module.css";
import Button from "@mui/material/Button";
import ToggleButton from "@mui/material/ToggleButton";
import { lazy, Suspense, useState } from "react";
import type { Zone } from "#core/carburettor/zones.ts";
import { heatRangeSays } from "#core/looks/heat-range.ts";
import { PLUG_FINDINGS, type PlugFinding, type Tone } from "#core/log/parts.ts";
import { PickField } from "#app/ui/PickField.tsx";
import { Caution } from "#app/ui/Caution.tsx";
import { Choice } from "#app/ui/Choice.tsx";
import { Working } from "#app/ui/Working.tsx";
import { PlugDrawing, PLUG_SPOTS, type PlugSpot, type PlugTones } from "./PlugDrawing.tsx";
import { ToneScale } from "./ToneScale.tsx";
import { useRig } from "#app/frame/use-rig.ts";
import { CUTS, type Cut } from "#app/vocabulary/cuts.ts";
import { heatRangeOptions, HEAT_RANGE_SAYS } from "#app/vocabulary/heat-range.ts";
import { PLUG_PLACE_WORDS } from "#app/vocabulary/readings.ts";
import { PLUG_FINDING_WORDS } from "#app/vocabulary/symptoms.ts";
import { MarkProtocol, type Mark } from "./MarkProtocol.tsx";

const PhotoReader = lazy(() => import("./PhotoReader.tsx").then((m) => ({ default: m.PhotoReader })));

interface PlugFieldsProps {
  readonly zone: Zone;
  readonly problem: string | undefined;
}

/** A tone that a photo gave, until the tuner says another. */
interface FromPhoto {
  readonly tone: Tone;
  readonly sure: number;
}

/** A plug: its tones, how it was marked and cut, what it is, and what else is on it. */
export function PlugFields({ zone, problem }: PlugFieldsProps) {
  const { build } = useRig();
  const [tones, setTones] = useState<PlugTones>({});
  const [spot, setSpot] = useState<PlugSpot>("root");
  const [cut, setCut] = useState<Cut>("clean");
  const [age, setAge] = useState<"fresh" | "used">("fresh");
  const [mark, setMark] = useState<Mark>();
  const [findings, setFindings] = useState<readonly PlugFinding[]>([]);
  const [photo, setPhoto] = useState<FromPhoto>();
  const [reading, setReading] = useState(false);
  const toggle = (name: PlugFinding) =>
    setFindings(findings.includes(name) ? findings.filter((other) => other !== name) : [...findings, name]);
  const { root, ...places } = tones;
  const sure = photo && photo.tone === root ? photo.sure : undefined;
  const says = root && heatRangeSays(root, tones.strap);
  return (
    <>
      <input type="hidden" name="tone" value={root ?? ""} />
      <input type="hidden" name="places" value={JSON.stringify(places)} />
      <input type="hidden" name="cut" value={cut} />
      <input type="hidden" name="used" value={age === "used" ? "yes" : ""} />
      <input type="hidden" name="made" value={mark ? JSON.stringify(mark) : ""} />
      <input type="hidden" name="findings" value={findings.join(" ")} />
      <input type="hidden" name="photoSure" value={sure ?? ""} />
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
              {PLUG_PLACE_WORDS[spot].name}: tells {PLUG_PLACE_WORDS[spot].tells}.
            </p>
          </div>
        </div>
        <ToneScale
          label={`Tone of: ${PLUG_PLACE_WORDS[spot].name.toLowerCase()}; lean to rich`}
          value={tones[spot]}
          onChange={(tone) => setTones({ ...tones, [spot]: tone })}
        />
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
              onRead={(tone, certainty) => {
                setTones({ ...tones, root: tone });
                setSpot("root");
                setPhoto({ tone, sure: certainty });
              }}
            />
          </Suspense>
        )}
      </div>
      <Choice label="The engine was" value={cut} options={CUTS} onChange={setCut} />
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
          value={age}
          options={[
            { value: "fresh", text: "New or clean" },
            { value: "used", text: "Used before", note: "counts less" },
          ]}
          onChange={setAge}
        />
        <PickField
          name="colderSteps"
          label="Heat range of this plug"
          defaultValue="0"
          options={heatRangeOptions(build.plug)}
          hint="A plug too cold reads darker than the mixture is."
        />
      </div>
      <MarkProtocol zone={zone} mark={mark} onMark={setMark} />
    </>
  );
}

const SHORT: Readonly<Record<PlugSpot, string>> = {
  root: "Root",
  face: "Face",
  strap: "Strap",
  ring: "Ring",
};
