import { headersForm } from "./form.ts";
import { RigFields } from "#app/frame/RigFields.tsx";
import { useRigForm } from "#app/frame/use-rig-form.ts";
import { FormField } from "#app/ui/form-fields.tsx";
import { Caution } from "#app/ui/Caution.tsx";
import { useRig } from "#app/frame/use-rig.ts";
import { formatQuantity } from "#app/vocabulary/numerals.ts";

/** Which pipe is hottest and which coldest, against the spread this rig may have. */
function Verdict() {
  const { present, build, preferences } = useRig();
  const { headers } = present;
  if (!headers) return null;
  const seen = headers.temperaturesK.flatMap((kelvin, i) =>
    kelvin === null ? [] : [{ kelvin, cylinder: i + 1 }],
  );
  if (seen.length < 2) return null;
  const hot = seen.reduce((most, one) => (one.kelvin > most.kelvin ? one : most));
  const cold = seen.reduce((least, one) => (one.kelvin < least.kelvin ? one : least));
  const unit = preferences.temperature;
  const show = (kelvin: number) => formatQuantity("temperature", kelvin, unit);
  const difference = hot.kelvin - cold.kelvin;
  const size = `${Math.round(unit === "°F" ? difference * 1.8 : difference)} ${unit}`;
  const allowed = build.sync?.headerSpreadK;
  const out = allowed !== undefined && difference > allowed;
  return (
    <Caution plain={!out}>
      {headers.at.slice(11, 16)}: hottest {hot.cylinder} ({show(hot.kelvin)}), coldest {cold.cylinder} (
      {show(cold.kelvin)}
      ), {size} apart
      {allowed === undefined
        ? "; no allowed spread is given for this rig."
        : out
          ? ": more than this rig may have. A cold pipe is a weak cylinder or a rich one, a hot one lean or late."
          : ": within what this rig may have."}
    </Caution>
  );
}

/** Header pipes pointed at one after the other, at the same place on each. */
export function HeaderPipes() {
  const { build, preferences } = useRig();
  const unit = preferences.temperature;
  const known = build.sync?.headerSpreadK;
  const form = useRigForm(
    "headers",
    headersForm(build, unit),
    {
      texts: Array.from({ length: build.engine.cylinders }, () => ""),
      allowed: known === undefined ? "" : String(Math.round(unit === "°F" ? known * 1.8 : known)),
    },
    { action: "../headers" },
  );
  return (
    <section className="stack">
      <h2>Header pipes</h2>
      <p className="quiet flush">
        At a steady fast idle, a hand’s breadth from the port, the same spot on each.
      </p>
      <RigFields form={form} saves="Save the pipes">
        <div className="gauge-fields">
          {form.methods.getValues().texts.map((_, i) => (
            <FormField key={i} name={`texts.${i}`} label={`Pipe ${i + 1}, ${unit}`} keys="decimal" />
          ))}
          <FormField
            name="allowed"
            label={`Allowed spread, ${unit}`}
            hint="By this rig’s manual or your own experience."
            keys="decimal"
          />
        </div>
        <Caution>Pipes burn: point, do not touch. In the open, away from what burns.</Caution>
        <Verdict />
      </RigFields>
    </section>
  );
}
