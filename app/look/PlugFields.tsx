import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import ToggleButton from "@mui/material/ToggleButton";
import { useState } from "react";
import { PLUG_FINDINGS, type PlugFinding, type Tone } from "#core/log/parts.ts";
import { Caution } from "#app/parts/Caution.tsx";
import { Choice } from "#app/parts/Choice.tsx";
import { PlugDrawing } from "#app/plug/PlugDrawing.tsx";
import { ToneScale } from "#app/plug/ToneScale.tsx";
import { CUTS, type Cut } from "#app/words/cuts.ts";
import { PLUG_FINDING_WORDS } from "#app/words/symptoms.ts";

const HEAT_RANGES = [
  ["3", "3 steps too cold"],
  ["2", "2 steps too cold"],
  ["1", "1 step too cold"],
  ["0", "the right one"],
  ["-1", "1 step too hot"],
  ["-2", "2 steps too hot"],
  ["-3", "3 steps too hot"],
] as const;

/** A plug's tone, how it was cut, its heat range, and what else is on it. */
export function PlugFields({ problem }: { problem: string | undefined }) {
  const [tone, setTone] = useState<Tone>();
  const [cut, setCut] = useState<Cut>("clean");
  const [findings, setFindings] = useState<readonly PlugFinding[]>([]);
  const toggle = (name: PlugFinding) =>
    setFindings(findings.includes(name) ? findings.filter((other) => other !== name) : [...findings, name]);
  return (
    <>
      <input type="hidden" name="tone" value={tone ?? ""} />
      <input type="hidden" name="cut" value={cut} />
      <div className="stack">
        <h2 className="label">Porcelain near its root</h2>
        <div className="plug-place">
          <PlugDrawing tone={tone} />
          <ToneScale value={tone} onChange={setTone} />
        </div>
        {problem !== undefined && tone === undefined && <Caution>{problem}</Caution>}
      </div>
      <input type="hidden" name="findings" value={findings.join(" ")} />
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
      <Choice label="The engine was" value={cut} options={CUTS} onChange={setCut} />
      <TextField
        select
        name="colderSteps"
        label="Heat range of this plug"
        defaultValue="0"
        helperText="A plug too cold reads darker than the mixture is."
        slotProps={{ inputLabel: { shrink: true } }}
      >
        {HEAT_RANGES.map(([value, text]) => (
          <MenuItem key={value} value={value}>
            {text}
          </MenuItem>
        ))}
      </TextField>
    </>
  );
}
