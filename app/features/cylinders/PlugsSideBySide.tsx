import { useWatch } from "react-hook-form";
import type * as z from "zod/mini";
import { ZONES } from "#core/carburettor/zones.ts";
import { TONES } from "#core/log/parts.ts";
import { plugsForm } from "./form.ts";
import { RigFields } from "#app/frame/RigFields.tsx";
import { useRigForm } from "#app/frame/use-rig-form.ts";
import { FormPick } from "#app/ui/form-fields.tsx";
import { Caution } from "#app/ui/Caution.tsx";
import { Choice } from "#app/ui/Choice.tsx";
import { HoldTimer } from "#app/ui/HoldTimer.tsx";
import { ToneDot } from "#app/ui/ToneDot.tsx";
import { useRig } from "#app/frame/use-rig.ts";
import { zoneCaution } from "#app/vocabulary/cautions.ts";
import { CUTS } from "#app/vocabulary/cuts.ts";
import { DISTRIBUTION_STEPS } from "#app/vocabulary/cylinders.ts";
import { TONE_MEANINGS, ZONE_NAMES, ZONE_OPENINGS } from "#app/vocabulary/parts.ts";

const RUN_S = 300;

/** The distribution test: every plug of the engine in one go. */
const TONE_OPTIONS = [
  ["", "not looked at"] as const,
  ...TONES.map(
    (name) =>
      [
        name,
        <>
          <ToneDot tone={name} /> {name}, {TONE_MEANINGS[name]}
        </>,
      ] as const,
  ),
];

export function PlugsSideBySide() {
  const { build } = useRig();
  const start: z.input<ReturnType<typeof plugsForm>> = {
    zone: "mid",
    cut: "clean",
    tones: Array.from({ length: build.engine.cylinders }, () => ""),
  };
  const form = useRigForm("plugs", plugsForm(build), start);
  const { control, setValue } = form.methods;
  const [zone, cut, tones] = useWatch({ control, name: ["zone", "cut", "tones"] });
  const logged = form.answer?.logged?.length;
  return (
    <section className="stack">
      <h2>Plugs side by side</h2>
      <ol className="steps">
        {DISTRIBUTION_STEPS.map((step) => (
          <li key={step}>{step}</li>
        ))}
      </ol>
      <HoldTimer seconds={RUN_S} start="Start the five minutes" done="Cut it clean" />
      <RigFields
        form={form}
        saves="Save the plugs"
        beside={logged !== undefined && <span role="status">{logged} looks saved.</span>}
      >
        <Choice
          label="Where on the throttle"
          value={zone}
          options={ZONES.map((value) => ({ value, text: ZONE_NAMES[value], note: ZONE_OPENINGS[value] }))}
          onChange={(next) => setValue("zone", next)}
        />
        <Choice
          label="The engine was"
          value={cut}
          options={CUTS}
          onChange={(next) => setValue("cut", next)}
        />
        <div className="gauge-fields">
          {tones.map((_, i) => (
            <FormPick key={i} name={`tones.${i}`} label={`Cylinder ${i + 1}`} options={TONE_OPTIONS} />
          ))}
        </div>
        <Caution>{zoneCaution("plug", zone)}</Caution>
      </RigFields>
    </section>
  );
}
