import Button from "@mui/material/Button";
import { Form, Link, redirect, useActionData, useNavigation, useSearchParams } from "react-router";
import * as z from "zod";
import type { Route } from "./+types/look";
import { ZONES, type Zone } from "#core/carburettor/zones.ts";
import type { Build } from "#core/log/schema.ts";
import { ZoneName } from "#core/log/parts.ts";
import { lookForm } from "#app/forms/look-form.ts";
import { LambdaFields } from "#app/look/LambdaFields.tsx";
import { PlugFields } from "#app/look/PlugFields.tsx";
import { SymptomFields } from "#app/look/SymptomFields.tsx";
import { Caution } from "#app/parts/Caution.tsx";
import { Choice } from "#app/parts/Choice.tsx";
import { Problem } from "#app/parts/Problem.tsx";
import { SYMPTOM_WORDS } from "#app/words/symptoms.ts";
import { useRig } from "#app/rig/context.ts";
import { placeHref } from "#app/rig/places.ts";
import { fieldMessages, openRig, refused, saveEntry, type ActionProblem } from "#app/rig/save.ts";
import { ZONE_NAMES, ZONE_OPENINGS } from "#app/words/parts.ts";
import { zoneCaution } from "#app/words/cautions.ts";

export async function clientAction({ params, request }: Route.ClientActionArgs) {
  const { build } = await openRig(params.rigId);
  const texts = Object.fromEntries(await request.formData());
  const parsed = lookForm(build).safeParse(texts);
  if (!parsed.success) return refused({ fields: fieldMessages(parsed.error) });
  const { notJetting } = texts;
  if (parsed.data.type === "symptom" && typeof notJetting === "string" && notJetting !== "") {
    const text = `${SYMPTOM_WORDS[parsed.data.symptom]}. ${notJetting}`.slice(0, 2000);
    const problem = await saveEntry(params.rigId, "note", { text });
    return problem ? refused(problem, 507) : redirect(`/rigs/${params.rigId}`);
  }
  const cylinder = cylinderNamed(texts["cylinder"], build);
  const problem = await saveEntry(params.rigId, "look", {
    reading: parsed.data,
    ...(cylinder !== undefined && { cylinder }),
  });
  return problem ? refused(problem, 507) : redirect(`/rigs/${params.rigId}`);
}

/** @returns the cylinder (from 1) that was looked at, or nothing for the engine as a whole */
function cylinderNamed(text: unknown, { engine }: Build): number | undefined {
  const read = typeof text === "string" ? Number(text) : NaN;
  return Number.isInteger(read) && read >= 1 && read <= engine.cylinders && engine.cylinders > 1
    ? read
    : undefined;
}

const HowName = z.enum(["plug", "symptom", "lambda"]);
export default function LookRoute() {
  const context = useRig();
  const [search, setSearch] = useSearchParams();
  const saving = useNavigation().state !== "idle";
  const answer = useActionData<ActionProblem>();
  const advised = context.advice?.next.kind === "look" ? context.advice.next : undefined;
  const zone: Zone = ZoneName.safeParse(search.get("zone")).data ?? advised?.zone ?? "top";
  const how = HowName.safeParse(search.get("how")).data ?? "plug";
  const { cylinders } = context.build.engine;
  const cylinder = cylinderNamed(search.get("cylinder"), context.build);
  const set = (key: string, value: string) =>
    setSearch(
      (before) => {
        before.set(key, value);
        return before;
      },
      { replace: true },
    );
  return (
    <Form method="post" className="form" noValidate>
      <input type="hidden" name="type" value={how} />
      <input type="hidden" name="zone" value={zone} />
      <input type="hidden" name="cylinder" value={cylinder ?? ""} />
      <h1>What did you see?</h1>
      <p style={{ margin: 0 }}>
        <Link to={placeHref(context.header.id, "stopwatch")}>By the stopwatch</Link>: laps, a sprint, top
        speed, fuel used.
      </p>
      <Choice
        label="Where on the throttle"
        value={zone}
        options={ZONES.map((value) => ({ value, text: ZONE_NAMES[value], note: ZONE_OPENINGS[value] }))}
        onChange={(value) => set("zone", value)}
      />
      {cylinders > 1 && (
        <Choice
          label="Which cylinder"
          value={cylinder === undefined ? "all" : String(cylinder)}
          options={[
            { value: "all", text: "The engine" },
            ...Array.from({ length: cylinders }, (_, i) => ({ value: String(i + 1), text: String(i + 1) })),
          ]}
          onChange={(value) => set("cylinder", value)}
        />
      )}
      <Choice
        label="Read from"
        value={how}
        options={[
          { value: "plug", text: "Plug" },
          { value: "symptom", text: "What it did" },
          { value: "lambda", text: "λ meter" },
        ]}
        onChange={(value) => set("how", value)}
      />
      {how === "plug" && <PlugFields problem={answer?.fields?.["tone"]} />}
      {how === "lambda" && <LambdaFields problem={answer?.fields?.["figure"]} />}
      {how === "symptom" && (
        <SymptomFields problem={answer?.fields?.["symptom"]} onZone={(value) => set("zone", value)} />
      )}
      <Caution>{zoneCaution(how, zone)}</Caution>
      <Problem message={answer?.message ?? answer?.fields?.["form"]} />
      <div className="row save">
        <Button type="submit" variant="contained" disabled={saving}>
          {saving ? "Saving…" : "Save this look"}
        </Button>
      </div>
    </Form>
  );
}
