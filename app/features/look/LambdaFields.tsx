import { useState } from "react";
import { ZONES, type Zone } from "#core/carburettor/zones.ts";
import { fuelFromLog } from "#core/rig/from-build.ts";
import { TypedField } from "#app/ui/TypedField.tsx";
import { Choice } from "#app/ui/Choice.tsx";
import { SENSOR_PLACES } from "#app/vocabulary/sensors.ts";
import { ZONE_NAMES } from "#app/vocabulary/parts.ts";
import { useRig } from "#app/frame/use-rig.ts";
import { LambdaLive, type HeldLambda } from "./LambdaLive.tsx";

interface LambdaFieldsProps {
  readonly zone: Zone;
  readonly problem: string | undefined;
  /** zones that the ride was to read besides */
  readonly along: readonly Zone[];
  readonly fields: Readonly<Record<string, string>> | undefined;
}

/** A meter's figure, as λ or as the air-fuel ratio of this rig's fuel. */
export function LambdaFields({ zone, problem, along, fields }: LambdaFieldsProps) {
  const { build, preferences } = useRig();
  const [scale, setScale] = useState(preferences.mixture);
  const [sensor, setSensor] = useState<"inside" | "openEnd">("inside");
  const [figure, setFigure] = useState("");
  const [others, setOthers] = useState<Readonly<Partial<Record<Zone, string>>>>({});
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
      <details className="protocol" open={along.length > 0 || undefined}>
        <summary>What it showed in the other zones of that ride</summary>
        <div className="gauge-fields">
          {ZONES.filter((other) => other !== zone).map((other) => (
            <TypedField
              key={other}
              name={`along.${other}`}
              label={`${scale === "lambda" ? "λ" : "AFR"}, ${ZONE_NAMES[other].toLowerCase()}`}
              value={others[other] ?? ""}
              onChange={({ target }) => setOthers({ ...others, [other]: target.value })}
              problem={fields?.[`along.${other}`]}
              keys="decimal"
            />
          ))}
        </div>
      </details>
      <Choice label="The sensor sits" value={sensor} options={SENSOR_PLACES} onChange={setSensor} />
    </>
  );
}
