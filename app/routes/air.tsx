import { zodResolver } from "@hookform/resolvers/zod";
import Button from "@mui/material/Button";
import { lazy, Suspense, useEffect } from "react";
import { useForm, useWatch } from "react-hook-form";
import { redirect, useActionData, useNavigation, useSubmit } from "react-router";
import type { Route } from "./+types/air";
import type { AirEntry } from "#core/log/schema.ts";
import { AirFields } from "#app/air/AirFields.tsx";
import { AirFigures } from "#app/air/AirFigures.tsx";
import { AirForm, startTexts, type AirMeasured, type AirTexts } from "#app/forms/air-form.ts";
import { Caution } from "#app/parts/Caution.tsx";
import { Problem } from "#app/parts/Problem.tsx";
import { useRig } from "#app/rig/context.ts";
import { fieldMessages, refused, saveEntry, type ActionProblem } from "#app/rig/save.ts";

const AirChart = lazy(() => import("#app/air/AirChart.tsx"));

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

export default function AirRoute() {
  const context = useRig();
  const { present, preferences, setDraft } = context;
  const submit = useSubmit();
  const saving = useNavigation().state !== "idle";
  const answer = useActionData<ActionProblem>();
  const form = useForm<AirTexts, unknown, AirMeasured>({
    resolver: zodResolver(AirForm),
    defaultValues: startTexts(preferences, present.air),
    mode: "onTouched",
  });
  const texts = useWatch({ control: form.control }) as AirTexts;
  const parsed = AirForm.safeParse(texts);
  const measured = parsed.success ? parsed.data : undefined;
  const draftKey = JSON.stringify(measured);
  useEffect(() => {
    setDraft(draftKey === undefined ? undefined : asDraft(JSON.parse(draftKey) as AirMeasured));
  }, [draftKey, setDraft]);
  useEffect(() => () => setDraft(undefined), [setDraft]);

  return (
    <div className="stack">
      <div>
        <h1>The air where the engine breathes</h1>
        <p className="lead quiet">
          In the shade, off the ground, away from hot tarmac and exhausts. Give the instrument a few minutes.
        </p>
      </div>
      <form
        className="form"
        noValidate
        onSubmit={(event) =>
          void form.handleSubmit(() => submit(form.getValues(), { method: "post" }))(event)
        }
      >
        <AirFields form={form} texts={texts} answer={answer?.fields} />
        <Problem message={answer?.message} />
        <div className="row">
          <Button type="submit" variant="contained" disabled={saving}>
            {saving ? "Saving…" : "Save this air"}
          </Button>
          <span className="quiet">The card beside follows what you type.</span>
        </div>
      </form>
      {measured ? (
        <AirFigures measured={measured} preferences={preferences} />
      ) : (
        <Caution plain>
          Type temperature, humidity and pressure: the figures and the card appear as soon as they are whole.
        </Caution>
      )}
      <Suspense fallback={<p className="quiet">Drawing the air so far…</p>}>
        <AirChart lines={present.lines} reference={context.build.baseline.air} />
      </Suspense>
    </div>
  );
}
