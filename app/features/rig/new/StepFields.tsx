import css from "../rig.module.css";
import Button from "@mui/material/Button";
import ToggleButton from "@mui/material/ToggleButton";
import { PROVEN, type Proven } from "#core/log/schema.ts";
import { LOOK_MEANS } from "#core/log/schools.ts";
import { STARTING_KINDS, startingBuild, type StartingKind } from "#core/rig/starting-builds.ts";
import { Choice } from "#app/ui/Choice.tsx";
import { TurnsStepper } from "#app/ui/TurnsStepper.tsx";
import { TypedField } from "#app/ui/TypedField.tsx";
import { partValue } from "#app/vocabulary/parts.ts";
import { PROVEN_WORDS } from "#app/vocabulary/proven.ts";
import { MEANS_WORDS } from "#app/vocabulary/schools.ts";
import { formatQuantity } from "#app/vocabulary/numerals.ts";
import type { Preferences } from "#app/vocabulary/preferences.ts";
import type { Known, KnownField, Step } from "./known.ts";
import { KIND_WORDS } from "./words.ts";

interface StepProps {
  readonly known: Known;
  readonly units: Preferences;
  readonly problems: Partial<Record<KnownField, string>>;
  readonly onChange: (change: Partial<Known>) => void;
}

/** Most that a screw is turned out. */
const MOST_TURNS = 6;

function KindStep({ known, onKind }: { known: Known; onKind: (kind: StartingKind) => void }) {
  return (
    <div className={css["kinds"]} role="group" aria-label="Kind of machine">
      {STARTING_KINDS.map((kind) => (
        <button
          key={kind}
          type="button"
          aria-current={kind === known.kind ? "true" : undefined}
          onClick={() => onKind(kind)}
        >
          <strong>{KIND_WORDS[kind].name}</strong>
          <small>{KIND_WORDS[kind].note}</small>
        </button>
      ))}
    </div>
  );
}

function useTyped({ known, problems, onChange }: StepProps) {
  return (name: KnownField, label: string, unit?: string, hint?: string) => (
    <TypedField
      name={name}
      label={label}
      unit={unit}
      hint={hint}
      keys="decimal"
      fullWidth
      value={known[name]}
      onChange={({ target }) => onChange({ [name]: target.value })}
      problem={problems[name]}
    />
  );
}

function SizeStep(props: StepProps) {
  const typed = useTyped(props);
  return (
    <div className="two">
      {typed("displacementCm3", "Displacement of one cylinder", "cm³")}
      {typed(
        "boreMm",
        "Throttle bore",
        "mm",
        "Often stamped on the body. Jets follow it until you type yours.",
      )}
    </div>
  );
}

function InsideStep(props: StepProps) {
  const { known, onChange } = props;
  const typed = useTyped(props);
  const { screw, needle } = startingBuild(known.kind).carburettor;
  return (
    <>
      <div className="two">
        {typed("pilot", "Pilot jet, as stamped")}
        {typed("main", "Main jet, as stamped")}
      </div>
      <TurnsStepper
        label={screw === "air" ? "Air screw, turns out" : "Fuel screw, turns out"}
        value={known.screwTurns}
        from={0}
        to={MOST_TURNS}
        onChange={(screwTurns) => onChange({ screwTurns })}
      />
      <Choice
        label="Clip, counted from the top of the needle"
        value={String(known.clip)}
        options={Array.from({ length: needle.grooves }, (_, i) => ({
          value: String(i + 1),
          text: partValue("clip", i + 1),
        }))}
        onChange={(clip) => onChange({ clip: Number(clip) })}
      />
    </>
  );
}

function AirStep(props: StepProps) {
  const { known, units, onChange } = props;
  const typed = useTyped(props);
  return (
    <>
      <Choice
        label="The air then"
        value={known.airOf}
        options={[
          {
            value: "standard",
            text: "A standard day",
            note: `${formatQuantity("temperature", 288.15, units.temperature)} by the sea`,
          },
          { value: "today", text: "Like today", note: "typed below" },
        ]}
        onChange={(airOf) => onChange({ airOf })}
      />
      {known.airOf === "today" && (
        <>
          <div className="two">
            {typed("temperature", `Temperature, ${units.temperature}`)}
            {typed("elevation", `Height above the sea, ${units.length}`, undefined, "A map will do.")}
          </div>
          <p className="quiet flush">
            We take 50 % humidity, and the usual pressure for that height. Read both under Air before anything
            is fitted.
          </p>
        </>
      )}
    </>
  );
}

function MeansStep({ known, onChange }: StepProps) {
  const toggle = (one: Known["means"][number]) =>
    onChange({
      means: known.means.includes(one) ? known.means.filter((other) => other !== one) : [...known.means, one],
    });
  return (
    <>
      <div className={css["kinds"]} role="group" aria-label="What there is to look with">
        {LOOK_MEANS.map((one) => (
          <ToggleButton
            key={one}
            value={one}
            selected={known.means.includes(one)}
            onChange={() => toggle(one)}
          >
            {MEANS_WORDS[one]}
          </ToggleButton>
        ))}
      </div>
      <p className="quiet flush">
        Asked once; it can be changed under Ways of working. Nothing yet? Skip this and we may ask for any of
        them.
      </p>
    </>
  );
}

export function StepFields({
  step,
  onKind,
  ...props
}: StepProps & { readonly step: Step; readonly onKind: (kind: StartingKind) => void }) {
  switch (step) {
    case "kind":
      return <KindStep known={props.known} onKind={onKind} />;
    case "size":
      return <SizeStep {...props} />;
    case "inside":
      return <InsideStep {...props} />;
    case "right":
      return (
        <div className={css["kinds"]} role="group" aria-label="How it is known to be right">
          {PROVEN.map((proven: Proven) => (
            <button
              key={proven}
              type="button"
              aria-pressed={proven === props.known.proven}
              onClick={() => props.onChange({ proven })}
            >
              <strong>{PROVEN_WORDS[proven].name}</strong>
              <small>{PROVEN_WORDS[proven].note}</small>
            </button>
          ))}
        </div>
      );
    case "air":
      return <AirStep {...props} />;
    case "means":
      return <MeansStep {...props} />;
  }
}

interface StepButtonsProps {
  readonly last: boolean;
  readonly saving: boolean;
  readonly onBack: () => void;
}

export const StepButtons = ({ last, saving, onBack }: StepButtonsProps) => (
  <div className="row save">
    <Button variant="outlined" onClick={onBack}>
      Back
    </Button>
    <Button type="submit" variant="contained" disabled={saving}>
      {saving ? "Making…" : last ? "Make the rig" : "Next"}
    </Button>
  </div>
);
