import { useEffect } from "react";
import { useWatch } from "react-hook-form";
import { densityAltitude, powerLeft } from "#core/air/air-worth.ts";
import { humidAirFromLog } from "#core/rig/from-build.ts";
import { AirForm, type AirMeasured } from "./form.ts";
import { Caution } from "#app/ui/Caution.tsx";
import type { AirFormState } from "./use-air-form.ts";
import type { Preferences } from "#app/vocabulary/preferences.ts";
import { fixed, formatQuantity } from "#app/vocabulary/numerals.ts";
import { EXTRAPOLATED_AIR } from "#app/vocabulary/cautions.ts";

interface AirFiguresProps {
  readonly form: AirFormState;
  readonly preferences: Preferences;
  /** told at every change, and that there is nothing any more when the screen is left */
  readonly onMeasured: (measured: AirMeasured | undefined) => void;
}

/** What follows from the reading, computed while it is typed. */
export function AirFigures({ form, preferences, onMeasured }: AirFiguresProps) {
  const texts = useWatch({ control: form.control });
  const parsed = AirForm.safeParse(texts);
  const measured = parsed.success ? parsed.data : undefined;
  const key = JSON.stringify(measured);
  useEffect(() => {
    onMeasured(key === undefined ? undefined : (JSON.parse(key) as AirMeasured));
  }, [key, onMeasured]);
  useEffect(() => () => onMeasured(undefined), [onMeasured]);
  return measured ? (
    <Figures measured={measured} preferences={preferences} />
  ) : (
    <Caution plain>Type temperature, humidity and pressure. Then the figures and the card appear.</Caution>
  );
}

function Figures({ measured, preferences }: { measured: AirMeasured; preferences: Preferences }) {
  const air = humidAirFromLog(measured);
  const figures = [
    ["Dry air", `${fixed(air.dryDensityKgM3, 4)} kg/m³`, "what the engine burns with"],
    ["Air as it is", `${fixed(air.densityKgM3, 4)} kg/m³`, "what pulls the fuel"],
    [
      "Feels like",
      formatQuantity("length", densityAltitude(air.densityKgM3), preferences.length),
      "density altitude",
    ],
    [
      "Vapour",
      formatQuantity("pressure", air.vapourPressurePa, preferences.pressure),
      `${fixed(100 * air.relativeHumidity, 0)} % humidity`,
    ],
    ["Station pressure", formatQuantity("pressure", air.pressurePa, preferences.pressure), "at the engine"],
    ["This air is worth", `${fixed(100 * powerLeft(air), 1)} %`, "of rated power"],
  ] as const;
  return (
    <section aria-label="What this air is" aria-live="polite">
      <div className="tiles">
        {figures.map(([label, value, note]) => (
          <div key={label}>
            <span className="label">{label}</span>
            <strong>{value}</strong>
            <small>{note}</small>
          </div>
        ))}
      </div>
      {air.extrapolated && (
        <p className="quiet" style={{ marginBottom: 0 }}>
          {EXTRAPOLATED_AIR}
        </p>
      )}
    </section>
  );
}
