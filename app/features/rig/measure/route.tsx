import Button from "@mui/material/Button";
import { useState } from "react";
import { Link, redirect, useActionData, useNavigation, useSearchParams, Form } from "react-router";
import * as z from "zod/mini";
import type { Route } from "./+types/route";
import { ASSUMED_DOUBT } from "#core/rig/assumed.ts";
import { correctableChanges } from "#core/log/corrections.ts";
import { checkSettingOn } from "#core/rig/check-setting.ts";
import { buildOfCarburettor } from "#core/rig/carburettors.ts";
import { Caution } from "#app/ui/Caution.tsx";
import { Problem } from "#app/ui/Problem.tsx";
import { TypedField } from "#app/ui/TypedField.tsx";
import { placeHref } from "#app/frame/places.ts";
import { useRig } from "#app/frame/use-rig.ts";
import { openRig } from "#app/journal/open-rig.ts";
import { modelRefusal, readSent, refused, saveEntries, type ActionProblem } from "#app/journal/save.ts";
import { fieldWords } from "#app/vocabulary/fields.ts";
import { capital, ZONE_NAMES } from "#app/vocabulary/parts.ts";
import { GaugePlace } from "./GaugePlace.tsx";
import { RigTabs } from "../RigTabs.tsx";
import { HOW_TO } from "./how.ts";
import { textOf, withMeasured } from "./measured.ts";

const Path = z
  .string()
  .check(z.refine((path) => Object.hasOwn(ASSUMED_DOUBT, path), "Choose one of those offered."));
const Sent = z.object({
  path: Path,
  value: z.string().check(z.maxLength(40)),
  /** a word for the log: by what gauge, in which book */
  by: z._default(z.string().check(z.trim(), z.maxLength(80)), ""),
});

export async function clientAction({ params, request }: Route.ClientActionArgs) {
  const read = readSent(Sent, Object.fromEntries(await request.formData()));
  if (!read.ok) return read.answer;
  const { path, value, by } = read.sent;
  const { build, present } = await openRig(params.rigId);
  const measured = withMeasured(build, path, value);
  if (!measured.ok) return refused({ fields: { value: measured.message } });
  const refusal = modelRefusal(() => {
    for (const [i, setting] of present.settings.entries())
      checkSettingOn(buildOfCarburettor(measured.build, i), setting);
  });
  if (refusal !== undefined) return refused({ fields: { value: refusal } });
  const corrects = correctableChanges(build, measured.build);
  const problem = await saveEntries(params.rigId, [
    {
      kind: "build",
      build: measured.build,
      reopens: [],
      ...(corrects.length > 0 && { corrects }),
      why: `Measured: ${fieldWords(path)}${by === "" ? "" : `, ${by}`}`,
    },
  ]);
  // The next one that counts comes by itself: what is measured drops off the list.
  return problem ? refused(problem, 507) : redirect(placeHref(params.rigId, "measure"));
}

/** One assumed value at a time: where the gauge goes, one field, or on to the next. */
function OneMeasure({ path, skip }: { path: string; skip: string | undefined }) {
  const { build } = useRig();
  const answer = useActionData<ActionProblem>();
  const saving = useNavigation().state !== "idle";
  const [value, setValue] = useState("");
  const [by, setBy] = useState("");
  const how = HOW_TO[path];
  if (!how) return null;
  return (
    <Form method="post" className="form" noValidate>
      <h2>{how.label}</h2>
      <p className="flush">{how.how}</p>
      <p className="quiet flush">About {how.minutes} minutes.</p>
      <GaugePlace path={path} />
      <input type="hidden" name="path" value={path} />
      <TypedField
        name="value"
        label={how.label}
        unit={how.unit}
        keys="decimal"
        value={value}
        onChange={({ target }) => setValue(target.value)}
        problem={answer?.fields?.["value"]}
        hint={`Assumed so far: ${textOf(build, path)}${how.unit === undefined ? "" : ` ${how.unit}`}.`}
      />
      <TypedField
        name="by"
        label="Read by what, for the log"
        value={by}
        onChange={({ target }) => setBy(target.value)}
        problem={answer?.fields?.["by"]}
        hint="A pin gauge, a micrometer, a page of the book. May stay empty."
        most={80}
      />
      <Caution>
        Cold engine, tap off, no flame near. Rubber out before solvent; never wire through a drilling.
      </Caution>
      <Problem message={answer?.message} />
      <div className="row save">
        {skip !== undefined && (
          <Button component={Link} to={`?what=${skip}`} variant="outlined">
            Skip
          </Button>
        )}
        <Button type="submit" variant="contained" disabled={saving}>
          {saving ? "Saving…" : "It is measured"}
        </Button>
      </div>
    </Form>
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
      <RigTabs />
      <div>
        <h1>What to measure next</h1>
        <p className="lead quiet">
          {build.assumed
            ? `${build.assumed.length} values are assumed. These would move today’s card most, were they off as usual values commonly are.`
            : "Nothing is assumed any more: every value was measured or confirmed."}
        </p>
      </div>
      {leanings.length > 0 && (
        <ol className="steps" aria-label="What the card leans on">
          {leanings.map((leaning) => (
            <li key={leaning.path}>
              <Link to={`?what=${leaning.path}`} aria-current={leaning.path === path ? "true" : undefined}>
                {capital(fieldWords(leaning.path))}
              </Link>
              : up to {Math.abs(100 * leaning.effect).toFixed(1)} % at{" "}
              {ZONE_NAMES[leaning.zone].toLowerCase()}
            </li>
          ))}
        </ol>
      )}
      {path !== undefined && <OneMeasure key={path} path={path} skip={skip === path ? undefined : skip} />}
      {path === undefined && build.assumed && (
        <p className="flush">
          None of what is left moves the card by half a per cent. The whole list stands under{" "}
          <Link to="../build">Described</Link>.
        </p>
      )}
    </div>
  );
}
