import { KeyTable } from "#app/frame/KeyTable.tsx";
import { PickField } from "#app/ui/PickField.tsx";
import { Preferences } from "#app/vocabulary/preferences.ts";
import { Said } from "./Said.tsx";
import { useTask } from "./use-task.ts";

export const UNIT_FIELDS = [
  ["temperature", "Temperature", ["°C", "°F"]],
  ["pressure", "Pressure", ["hPa", "kPa", "inHg", "mmHg"]],
  ["length", "Height", ["m", "ft"]],
  ["speed", "Speed", ["km/h", "mph"]],
  ["vacuum", "Vacuum gauges", ["kPa", "cmHg", "inHg", "mbar"]],
  ["mixture", "Mixture meter", ["lambda", "afr"]],
] as const;

const KEY_FIELDS = [
  ["keys", "Single keys", ["on", "off"]],
  ["hints", "Hints on the card", ["shown", "read"]],
] as const;

export const UNIT_NAMES: Readonly<Record<string, string>> = { lambda: "λ", afr: "AFR" };

interface PickedProps {
  readonly preferences: Preferences;
  readonly fields: typeof UNIT_FIELDS | typeof KEY_FIELDS;
}

/** Each is saved as it is picked. */
function Picked({ preferences, fields }: PickedProps) {
  const { send, answer } = useTask();
  return (
    <>
      <div style={{ display: "grid", gridTemplateColumns: "repeat(auto-fit, minmax(150px, 1fr))", gap: 12 }}>
        {fields.map(([name, label, options]) => (
          <PickField
            key={name}
            label={label}
            value={preferences[name]}
            onChange={(event) => send({ ...preferences, [name]: event.target.value, intent: "preferences" })}
            options={options.map((option) => [option, UNIT_NAMES[option] ?? option] as const)}
          />
        ))}
      </div>
      <Said answer={answer} />
    </>
  );
}

export const Units = ({ preferences }: { preferences: Preferences }) => (
  <section className="stack">
    <h2>Units</h2>
    <Picked preferences={preferences} fields={UNIT_FIELDS} />
  </section>
);

export const KeysAndHints = ({ preferences }: { preferences: Preferences }) => (
  <section className="stack">
    <h2>Keys and hints</h2>
    <Picked preferences={preferences} fields={KEY_FIELDS} />
    <p className="quiet flush">In a rig, wherever nothing is being typed:</p>
    <KeyTable />
  </section>
);
