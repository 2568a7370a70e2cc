import { ZONES, type Zone } from "#core/carburettor/zones.ts";
import { fuelFromLog } from "#core/rig/from-build.ts";
import type { LookTexts } from "./form.ts";
import { useKind } from "./use-kind.ts";
import { FormField } from "#app/ui/form-fields.tsx";
import { Choice } from "#app/ui/Choice.tsx";
import { SENSOR_PLACES } from "#app/vocabulary/sensors.ts";
import { zoneInSentence } from "#app/vocabulary/parts.ts";
import { useRig } from "#app/frame/use-rig.ts";
import { LambdaLive } from "./LambdaLive.tsx";
import { fixed } from "#app/vocabulary/numerals.ts";

interface LambdaFieldsProps {
  readonly zone: Zone;
  /** zones that the ride was to read besides */
  readonly along: readonly Zone[];
}

/** A meter's figure, as λ or as the air-fuel ratio of this rig's fuel. */
export function LambdaFields({ zone, along }: LambdaFieldsProps) {
  const { build } = useRig();
  const { typed, type } = useKind("lambda");
  const { scale, sensor, figure, held } = typed;
  const { stoichiometric } = fuelFromLog(build.fuel);
  const show = (lambda: number) =>
    scale === "lambda" ? fixed(lambda, 3) : fixed(lambda * stoichiometric, 2);
  // What was typed over is one glance again.
  const stands = held?.figure === figure ? held : undefined;
  return (
    <>
      <Choice
        label="The meter shows"
        value={scale}
        options={[
          { value: "lambda", text: "λ" },
          { value: "afr", text: "AFR", note: `this fuel: ${stoichiometric} at λ 1` },
        ]}
        onChange={(next) => type({ scale: next })}
      />
      <LambdaLive
        zone={zone}
        show={show}
        onHeld={(taken) => {
          const text = show(taken.mean);
          const { seconds, spread, simulated } = taken;
          type({ figure: text, held: { seconds, spread, simulated, figure: text } });
        }}
      />
      <FormField<LookTexts>
        name="lambda.figure"
        label={scale === "lambda" ? "λ" : "AFR"}
        hint={
          stands
            ? `Held for ${fixed(stands.seconds, 0)} s, to ${fixed(100 * stands.spread, 1)} %.`
            : "Type the figure over the whole pull, not one glance."
        }
        keys="decimal"
      />
      <details className="protocol" open={along.length > 0 || undefined}>
        <summary>What it showed in the other zones of that ride</summary>
        <div className="gauge-fields">
          {ZONES.filter((other) => other !== zone).map((other) => (
            <FormField<LookTexts>
              key={other}
              name={`lambda.along.${other}`}
              label={`${scale === "lambda" ? "λ" : "AFR"}, ${zoneInSentence(other)}`}
              keys="decimal"
            />
          ))}
        </div>
      </details>
      <Choice
        label="The sensor sits"
        value={sensor}
        options={SENSOR_PLACES}
        onChange={(next) => type({ sensor: next })}
      />
    </>
  );
}
