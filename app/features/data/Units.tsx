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
  ["keys", "Single keys", ["on", "off"]],
  ["hints", "Hints on the card", ["shown", "read"]],
] as const;

export const UNIT_NAMES: Readonly<Record<string, string>> = { lambda: "λ", afr: "AFR" };

export function Units({ preferences }: { preferences: Preferences }) {
  const { send, answer } = useTask();
  return (
    <section className="stack">
      <h2>Units</h2>
      <div style={{ display: "grid", gridTemplateColumns: "repeat(auto-fit, minmax(150px, 1fr))", gap: 12 }}>
        {UNIT_FIELDS.map(([name, label, units]) => (
          <PickField
            key={name}
            label={label}
            value={preferences[name]}
            onChange={(event) => send({ ...preferences, [name]: event.target.value, intent: "preferences" })}
            options={units.map((unit) => [unit, UNIT_NAMES[unit] ?? unit] as const)}
          />
        ))}
      </div>
      <Said answer={answer} />
    </section>
  );
}
