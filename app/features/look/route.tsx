import Button from "@mui/material/Button";
import * as z from "zod/mini";
import { useState } from "react";
import { Form, Link, useActionData, useNavigation, useSearchParams } from "react-router";
import type { Route } from "./+types/route";
import { ZONES, type Zone } from "#core/carburettor/zones.ts";
import { AnswerEntry } from "#core/log/schema.ts";
import { ZoneName } from "#core/log/parts.ts";
import { InstrumentName } from "#core/log/readings/common.ts";
import { lookForm, readAlong } from "./form.ts";
import { readWitnesses } from "./witness-form.ts";
import { HeatFields } from "./HeatFields.tsx";
import { LambdaFields } from "./LambdaFields.tsx";
import { PlugFields } from "./PlugFields.tsx";
import { WitnessFields } from "./WitnessFields.tsx";
import { SymptomFields } from "./SymptomFields.tsx";
import { Caution } from "#app/ui/Caution.tsx";
import { Choice } from "#app/ui/Choice.tsx";
import { Problem } from "#app/ui/Problem.tsx";
import { SYMPTOM_WORDS } from "#app/vocabulary/symptoms.ts";
import { useRig, type RigContext } from "#app/frame/use-rig.ts";
import type { LookHow } from "#core/looks/look-kind.ts";
import { ProvenSent, readRide } from "./ride-form.ts";
import { enteredAs, HowName } from "#app/frame/look-query.ts";
import { ProvenFields } from "./ProvenFields.tsx";
import { ReadWith } from "./ReadWith.tsx";
import { RideFields } from "./RideFields.tsx";
import { readInstrumentNames } from "#app/store/instruments.ts";
import { placeHref } from "#app/frame/places.ts";
import { openRig } from "#app/journal/open-rig.ts";
import { refused, type ActionProblem, type Content, readSent } from "#app/journal/save.ts";
import { ZONE_NAMES, ZONE_OPENINGS } from "#app/vocabulary/parts.ts";
import { zoneCaution } from "#app/vocabulary/cautions.ts";
import { WentWrong } from "#app/frame/WentWrong.tsx";
import { useBackToToday } from "#app/frame/use-logged-tap.ts";
import { cylinderNamed, logAll, saveHeat, saveLooks } from "./save-looks.ts";

export async function clientLoader() {
  return { instruments: await readInstrumentNames() };
}

export async function clientAction({ params, request }: Route.ClientActionArgs) {
  const { build } = await openRig(params.rigId);
  const texts = Object.fromEntries(await request.formData());
  const { rigId } = params;
  const cylinder = cylinderNamed(texts["cylinder"], build);
  const instrument = InstrumentName.safeParse(texts["instrument"]).data;
  const told = readRide(texts);
  const felt = told.ok ? told.readings : [];
  if (texts["type"] === "temperature") return saveHeat(rigId, texts, build, { cylinder, instrument, felt });
  if (texts["type"] === "witness") {
    const read = readWitnesses(texts);
    if (!read.ok) return refused({ fields: read.fields });
    return saveLooks(rigId, read.readings, { cylinder, instrument });
  }
  if (texts["type"] === "ride")
    return told.ok ? saveLooks(rigId, felt, { instrument }) : refused({ fields: told.fields });
  if (texts["type"] === "proven") {
    const proven = readSent(ProvenSent, texts);
    return proven.ok ? logAll(rigId, [{ kind: "proven", ...proven.sent }]) : proven.answer;
  }
  const form = readSent(lookForm(build), texts);
  if (!form.ok) return form.answer;
  const { notJetting } = texts;
  if (form.sent.type === "symptom" && typeof notJetting === "string" && notJetting !== "") {
    const text = `${SYMPTOM_WORDS[form.sent.symptom]}. ${notJetting}`.slice(0, 2000);
    return logAll(rigId, [{ kind: "note", text }]);
  }
  const { question, is } = texts;
  const answer = z.pick(AnswerEntry, { question: true, is: true }).safeParse({ question, is });
  const answers: Content[] = answer.success ? [{ kind: "answer", ...answer.data }] : [];
  const simulated = form.sent.type === "lambda" && texts["simulated"] === "yes";
  const by = { cylinder, instrument, simulated, felt };
  if (form.sent.type !== "lambda") return saveLooks(rigId, [form.sent], by, answers);
  const along = readAlong(texts, form.sent, build);
  if (!along.ok) return refused({ fields: along.fields });
  return saveLooks(rigId, [form.sent, ...along.readings], by);
}

/** Opens on what was asked for; else on what this rig is run by. */
function usualHow({ build, present }: RigContext, asked: LookHow | undefined): HowName {
  if (asked !== undefined) return enteredAs(asked);
  const last = present.looks.at(-1)?.entry.reading.type;
  if (last === "lambda" || last === "temperature") return last;
  return build.heat && last === undefined ? "temperature" : "plug";
}

export default function LookRoute({ loaderData }: Route.ComponentProps) {
  const context = useRig();
  const [instrument, setInstrument] = useState("");
  const [search, setSearch] = useSearchParams();
  const saving = useNavigation().state !== "idle";
  const answer = useActionData<ActionProblem & { offersOther?: boolean; logged?: readonly string[] }>();
  useBackToToday(context.header.id, answer);
  const advised = context.advice?.next.kind === "ride" ? context.advice.next : undefined;
  const zone: Zone = ZoneName.safeParse(search.get("zone")).data ?? advised?.zone ?? "top";
  const how = HowName.safeParse(search.get("how")).data ?? usualHow(context, advised?.how);
  const whole = how === "ride" || how === "proven";
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
      <p className="flush">
        <Link to={placeHref(context.header.id, "stopwatch")}>By the stopwatch</Link>: laps, a sprint, top
        speed, fuel used. <Link to={placeHref(context.header.id, "logger")}>From a logger’s file</Link>: λ by
        zone, pulls timed.
      </p>
      <Choice
        label="Read from"
        value={how}
        options={[
          { value: "plug", text: "Plug" },
          { value: "ride", text: "The ride" },
          { value: "symptom", text: "What it did" },
          { value: "lambda", text: "λ meter" },
          { value: "temperature", text: "Heat" },
          { value: "witness", text: "Crown" },
          { value: "proven", text: "All is right" },
        ]}
        onChange={(value) => set("how", value)}
      />
      {!whole && (
        <Choice
          label="Where on the throttle"
          value={zone}
          options={ZONES.map((value) => ({ value, text: ZONE_NAMES[value], note: ZONE_OPENINGS[value] }))}
          onChange={(value) => set("zone", value)}
        />
      )}
      {cylinders > 1 && !whole && (
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
      <ReadWith how={how} names={loaderData.instruments} value={instrument} onChange={setInstrument} />
      {how === "plug" && <PlugFields zone={zone} problem={answer?.fields?.["tone"]} />}
      {how === "lambda" && (
        <LambdaFields
          zone={zone}
          problem={answer?.fields?.["figure"]}
          along={advised?.how === "lambda" ? (advised.along ?? []) : []}
          fields={answer?.fields}
        />
      )}
      {how === "symptom" && (
        <SymptomFields problem={answer?.fields?.["symptom"]} onZone={(value) => set("zone", value)} />
      )}
      {how === "temperature" && (
        <HeatFields zone={zone} fields={answer?.fields} offersOther={answer?.offersOther ?? false} />
      )}
      {how === "witness" && <WitnessFields problem={answer?.fields?.["crown"]} />}
      {how === "ride" && <RideFields problem={answer?.fields?.["felt"]} />}
      {how === "proven" && <ProvenFields problem={answer?.fields?.["note"]} />}
      {(how === "plug" || how === "temperature") && (
        <details open={advised?.tells} className="protocol">
          <summary>How did it pull on that ride?</summary>
          <RideFields />
        </details>
      )}
      {how !== "proven" && <WentWrong rigId={context.header.id} />}
      {!whole && <Caution>{zoneCaution(how, zone, context.build.fuel.name)}</Caution>}
      <Problem message={answer?.message ?? answer?.fields?.["form"]} />
      <div className="row save">
        <Button type="submit" variant="contained" disabled={saving}>
          {saving ? "Saving…" : "Save this look"}
        </Button>
      </div>
    </Form>
  );
}
