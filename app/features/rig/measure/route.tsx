import { useWatch } from "react-hook-form";
import { unitsOf } from "../described/texts.ts";
import Button from "@mui/material/Button";
import { Link, useSearchParams } from "react-router";
import { correctableChanges } from "#core/log/corrections.ts";
import { checkSettingOn } from "#core/rig/check-setting.ts";
import { buildOfCarburettor } from "#core/rig/carburettors.ts";
import { Caution } from "#app/ui/Caution.tsx";
import { FormField } from "#app/ui/form-fields.tsx";
import { placeHref } from "#app/frame/places.ts";
import { useRig } from "#app/frame/use-rig.ts";
import { RigFields } from "#app/frame/RigFields.tsx";
import { useRigForm } from "#app/frame/use-rig-form.ts";
import { rigAction } from "#app/journal/rig-action.ts";
import { modelRefusal } from "#app/journal/save.ts";
import { fieldWords } from "#app/vocabulary/fields.ts";
import { atZone, capital } from "#app/vocabulary/parts.ts";
import { GaugePlace } from "./GaugePlace.tsx";
import { HOW_TO } from "./how.ts";
import { MeasureForm } from "./form.ts";
import { textOf, withMeasured } from "./measured.ts";
import { fixed } from "#app/vocabulary/numerals.ts";

const draftOf = (path: string): string => `measure/${path}`;

export const clientAction = rigAction({
  codec: MeasureForm,
  form: ({ path }) => draftOf(path),
  entries: ({ path, value, by, units }, { rig: { build, present } }) => {
    const measured = withMeasured(build, path, value, unitsOf({ units }));
    if (!measured.ok) return { fields: { value: measured.message } };
    const refusal = modelRefusal(() => {
      for (const [i, setting] of present.settings.entries())
        checkSettingOn(buildOfCarburettor(measured.build, i), setting);
    });
    if (refusal) return { fields: { value: refusal.message } };
    const corrects = correctableChanges(build, measured.build);
    return [
      {
        kind: "build",
        build: measured.build,
        reopens: [],
        ...(corrects.length > 0 && { corrects }),
        why: `Measured: ${fieldWords(path)}${by === "" ? "" : `, ${by}`}`,
      },
    ];
  },
  // The next one that counts comes by itself: what is measured drops off the list.
  then: (rigId) => placeHref(rigId, "measure"),
});

/** One assumed value at a time: where the gauge goes, one field, or on to the next. */
function OneMeasure({ path, skip }: { path: string; skip: string | undefined }) {
  const { build, preferences } = useRig();
  const form = useRigForm(draftOf(path), MeasureForm, {
    path,
    value: "",
    by: "",
    units: unitsOf({ units: preferences }),
  });
  const units = unitsOf({ units: useWatch({ control: form.methods.control, name: "units" }) });
  const how = HOW_TO[path];
  if (!how) return null;
  const unit = how.of === undefined ? how.unit : units[how.of];
  return (
    <RigFields
      form={form}
      saves="It is measured"
      beside={
        skip !== undefined && (
          <Button component={Link} to={`?what=${skip}`} variant="outlined">
            Skip
          </Button>
        )
      }
    >
      <h2>{how.label}</h2>
      <p className="flush">{how.how}</p>
      <p className="quiet flush">About {how.minutes} minutes.</p>
      <GaugePlace path={path} />
      <FormField
        name="value"
        label={how.label}
        unit={unit}
        keys="decimal"
        hint={`Assumed so far: ${textOf(build, path, units)}${unit === undefined ? "" : ` ${unit}`}.`}
      />
      <FormField
        name="by"
        label="Read by what, for the log"
        hint="A pin gauge, a micrometer, a page of the book. May stay empty."
        most={80}
      />
      <Caution>
        Cold engine, tap off, no flame near. Rubber out before solvent; never wire through a drilling.
      </Caution>
    </RigFields>
  );
}

export default function MeasureRoute() {
  const { build, advice } = useRig();
  const [query] = useSearchParams();
  const leanings = advice?.leanings ?? [];
  const paths = leanings.map(({ path }) => path);
  const asked = query.get("what");
  const path = build.assumed?.find((one) => one === asked) ?? paths[0];
  const skip = paths[(paths.indexOf(path ?? "") + 1) % Math.max(1, paths.length)];
  return (
    <div className="stack">
      <div>
        <h1>What to measure next</h1>
        <p className="lead quiet">
          {build.assumed
            ? `${build.assumed.length} values are assumed. These would change today’s card most if the usual value is wrong.`
            : "Nothing is assumed any more: every value was measured or confirmed."}
        </p>
      </div>
      {leanings.length > 0 && (
        <ol className="steps" aria-label="What the card depends on">
          {leanings.map((leaning) => (
            <li key={leaning.path}>
              <Link to={`?what=${leaning.path}`} aria-current={leaning.path === path ? "true" : undefined}>
                {capital(fieldWords(leaning.path))}
              </Link>
              : up to {fixed(Math.abs(100 * leaning.effect), 1)} % {atZone(leaning.zone)}
            </li>
          ))}
        </ol>
      )}
      {path !== undefined && <OneMeasure key={path} path={path} skip={skip === path ? undefined : skip} />}
      {path === undefined && build.assumed && (
        <p className="flush">
          Nothing else changes the card by half a per cent. The whole list is under{" "}
          <Link to="../build">Described</Link>.
        </p>
      )}
    </div>
  );
}
