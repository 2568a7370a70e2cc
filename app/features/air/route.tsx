import Button from "@mui/material/Button";
import { memo, useCallback } from "react";
import { FormProvider } from "react-hook-form";
import { Link, redirect, useActionData, useNavigation, useSubmit } from "react-router";
import type { Route } from "./+types/route";
import type { AirEntry } from "#core/log/schema.ts";
import { AirChart } from "./AirChart.tsx";
import { AirFields } from "./AirFields.tsx";
import { AirFigures } from "./AirFigures.tsx";
import { Instruments } from "./Instruments.tsx";
import { useAirForm } from "./use-air-form.ts";
import { AirForm, type AirMeasured, type AirTexts } from "./form.ts";
import { Problem } from "#app/ui/Problem.tsx";
import { placeHref } from "#app/frame/places.ts";
import { useRig } from "#app/frame/use-rig.ts";
import { fieldMessages, refused, saveEntry, type ActionProblem } from "#app/journal/save.ts";
import type { Preferences } from "#app/vocabulary/preferences.ts";

export async function clientAction({ params, request }: Route.ClientActionArgs) {
  const parsed = AirForm.safeParse(Object.fromEntries(await request.formData()));
  if (!parsed.success) return refused({ fields: fieldMessages(parsed.error) });
  const problem = await saveEntry(params.rigId, "air", parsed.data);
  return problem ? refused(problem, 507) : redirect(`/rigs/${params.rigId}`);
}

/** A draft has no place in the log yet; the card only needs its air. */
const asDraft = (measured: AirMeasured): AirEntry => ({
  id: "air:draft",
  at: "2026-01-01T00:00:00Z",
  kind: "air",
  ...measured,
});

interface ReadingProps {
  readonly preferences: Preferences;
  readonly last: AirEntry | undefined;
  readonly onDraft: (draft: AirEntry | undefined) => void;
}

/** Apart from the rest: strip and card follow every key, the fields themselves need not be drawn again. */
const Reading = memo(function Reading({ preferences, last, onDraft }: ReadingProps) {
  const submit = useSubmit();
  const saving = useNavigation().state !== "idle";
  const answer = useActionData<ActionProblem>();
  const onMeasured = useCallback(
    (measured: AirMeasured | undefined) => onDraft(measured && asDraft(measured)),
    [onDraft],
  );
  const form = useAirForm(preferences, last);
  const save = (texts: AirTexts) => void submit(texts, { method: "post" });
  return (
    <FormProvider {...form}>
      <form
        className="form"
        noValidate
        onSubmit={(event) => void form.handleSubmit(() => save(form.getValues()))(event)}
      >
        <Instruments />
        <AirFields form={form} answer={answer?.fields} />
        <Problem message={answer?.message} />
        <div className="row">
          <Button type="submit" variant="contained" disabled={saving}>
            {saving ? "Saving…" : "Save this air"}
          </Button>
          <span className="quiet">The card follows what you type.</span>
        </div>
      </form>
      <AirFigures form={form} preferences={preferences} onMeasured={onMeasured} />
    </FormProvider>
  );
});

export default function AirRoute() {
  const { header, present, preferences, build, setDraft } = useRig();
  return (
    <div className="stack">
      <div>
        <h1>The air where the engine breathes</h1>
        <p className="lead quiet">
          In the shade, off the ground, away from hot tarmac and exhausts. Give the instrument a few minutes.
        </p>
      </div>
      <Reading preferences={preferences} last={present.air} onDraft={setDraft} />
      {present.air && (
        <p className="flush">
          <Link to={placeHref(header.id, "days")}>Days like today</Link>: what was fitted and seen in such an
          air.
        </p>
      )}
      <AirChart lines={present.lines} reference={build.baseline.air} />
    </div>
  );
}
