import { useState } from "react";
import type { Zone } from "#core/carburettor/zones.ts";
import { fuelFromLog } from "#core/rig/from-build.ts";
import { TypedField } from "#app/ui/TypedField.tsx";
import { Choice } from "#app/ui/Choice.tsx";
import { SENSOR_PLACES } from "#app/vocabulary/sensors.ts";
import { useRig } from "#app/frame/use-rig.ts";
import { LambdaLive, type HeldLambda } from "./LambdaLive.tsx";

/** A meter's figure, as λ or as the air-fuel ratio of this rig's fuel. */
export function LambdaFields({ zone, problem }: { zone: Zone; problem: string | undefined }) {
  const { build, preferences } = useRig();
  const [scale, setScale] = useState(preferences.mixture);
  const [sensor, setSensor] = useState<"inside" | "openEnd">("inside");
  const [figure, setFigure] = useState("");
  const [held, setHeld] = useState<HeldLambda & { readonly figure: string }>();
  const { stoichiometric } = fuelFromLog(build.fuel);
  const show = (lambda: number) =>
    scale === "lambda" ? lambda.toFixed(3) : (lambda * stoichiometric).toFixed(2);
  // What was typed over is one glance again.
  const stands = held?.figure === figure ? held : undefined;
  return (
    <>
      <input type="hidden" name="scale" value={scale} />
      <input type="hidden" name="sensor" value={sensor} />
      <input
        type="hidden"
        name="held"
        value={stands ? JSON.stringify({ seconds: stands.seconds, spread: stands.spread }) : ""}
      />
      <input type="hidden" name="simulated" value={stands?.simulated === true ? "yes" : ""} />
      <Choice
        label="The meter shows"
        value={scale}
        options={[
          { value: "lambda", text: "λ" },
          { value: "afr", text: "AFR", note: `this fuel: ${stoichiometric} at λ 1` },
        ]}
        onChange={setScale}
      />
      <LambdaLive
        zone={zone}
        show={show}
        onHeld={(taken) => {
          const text = show(taken.mean);
          setFigure(text);
          setHeld({ ...taken, figure: text });
        }}
      />
      <TypedField
        name="figure"
        value={figure}
        onChange={(event) => setFigure(event.target.value)}
        label={scale === "lambda" ? "λ" : "AFR"}
        problem={problem}
        hint={
          stands
            ? `Held for ${stands.seconds.toFixed(0)} s, to ${(100 * stands.spread).toFixed(1)} %.`
            : "The figure over the whole pull, not one glance."
        }
        keys="decimal"
      />
      <Choice label="The sensor sits" value={sensor} options={SENSOR_PLACES} onChange={setSensor} />
    </>
  );
}
