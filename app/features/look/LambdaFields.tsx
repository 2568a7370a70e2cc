import { useState } from "react";
import { fuelFromLog } from "#core/rig/from-build.ts";
import { TypedField } from "#app/ui/TypedField.tsx";
import { Choice } from "#app/ui/Choice.tsx";
import { SENSOR_PLACES } from "#app/vocabulary/sensors.ts";
import { useRig } from "#app/frame/use-rig.ts";

/** A meter's figure, as λ or as the air-fuel ratio of this rig's fuel. */
export function LambdaFields({ problem }: { problem: string | undefined }) {
  const { build, preferences } = useRig();
  const [scale, setScale] = useState(preferences.mixture);
  const [sensor, setSensor] = useState<"inside" | "openEnd">("inside");
  return (
    <>
      <input type="hidden" name="scale" value={scale} />
      <input type="hidden" name="sensor" value={sensor} />
      <Choice
        label="The meter shows"
        value={scale}
        options={[
          { value: "lambda", text: "λ" },
          { value: "afr", text: "AFR", note: `this fuel: ${fuelFromLog(build.fuel).stoichiometric} at λ 1` },
        ]}
        onChange={setScale}
      />
      <TypedField
        name="figure"
        label={scale === "lambda" ? "λ" : "AFR"}
        problem={problem}
        hint="The figure over the whole pull, not one glance."
        keys="decimal"
      />
      <Choice label="The sensor sits" value={sensor} options={SENSOR_PLACES} onChange={setSensor} />
    </>
  );
}
