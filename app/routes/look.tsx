import Button from "@mui/material/Button";
import { useState } from "react";
import { data, Form, Link, redirect, useActionData, useNavigation, useSearchParams } from "react-router";
import type { Route } from "./+types/look";
import { ZONES, type Zone } from "#core/carburettor/zones.ts";
import { AnswerEntry, type Build, type Reading } from "#core/log/schema.ts";
import { ZoneName } from "#core/log/parts.ts";
import { InstrumentName } from "#core/log/readings/common.ts";
import { HeatSent, readHeat } from "#app/forms/heat-form.ts";
import { lookForm } from "#app/forms/look-form.ts";
import { readWitnesses } from "#app/forms/witness-form.ts";
import { HeatFields } from "#app/look/HeatFields.tsx";
import { LambdaFields } from "#app/look/LambdaFields.tsx";
import { PlugFields } from "#app/look/PlugFields.tsx";
import { WitnessFields } from "#app/look/WitnessFields.tsx";
import { SymptomFields } from "#app/look/SymptomFields.tsx";
import { Caution } from "#app/parts/Caution.tsx";
import { Choice } from "#app/parts/Choice.tsx";
import { Problem } from "#app/parts/Problem.tsx";
import { SYMPTOM_WORDS } from "#app/words/symptoms.ts";
import { useRig, type RigContext } from "#app/rig/context.ts";
import type { LookHow } from "#core/looks/look-kind.ts";
import { readProven, readRide } from "#app/forms/ride-form.ts";
import { enteredAs, HowName } from "#app/look/look-query.ts";
import { ProvenFields } from "#app/look/ProvenFields.tsx";
import { ReadWith } from "#app/look/ReadWith.tsx";
import { RideFields } from "#app/look/RideFields.tsx";
import { readInstrumentNames } from "#app/store/instruments.ts";
import { placeHref } from "#app/rig/places.ts";
import {
  fieldMessages,
  openRig,
  refused,
  saveEntries,
  saveEntry,
  type ActionProblem,
  type Content,
} from "#app/rig/save.ts";
import { ZONE_NAMES, ZONE_OPENINGS } from "#app/words/parts.ts";
import { zoneCaution } from "#app/words/cautions.ts";

export async function clientLoader() {
  return { instruments: await readInstrumentNames() };
}

export async function clientAction({ params, request }: Route.ClientActionArgs) {
  const { build } = await openRig(params.rigId);
  const texts = Object.fromEntries(await request.formData());
  const cylinder = cylinderNamed(texts["cylinder"], build);
  const instrument = InstrumentName.safeParse(texts["instrument"]).data;
  if (texts["type"] === "temperature") return saveHeat(params.rigId, texts, build, { cylinder, instrument });
  if (texts["type"] === "witness") {
    const read = readWitnesses(texts);
    if (!read.ok) return refused({ fields: read.fields });
    return saveLooks(params.rigId, read.readings, { cylinder, instrument });
  }
  if (texts["type"] === "ride") {
    const read = readRide(texts);
    if (!read.ok) return refused({ fields: read.fields });
    return saveLooks(params.rigId, read.readings, { instrument });
  }
  if (texts["type"] === "proven") {
    const proven = readProven(texts);
    if (!proven) return refused({ message: "This cannot be read. Nothing was saved." });
    const problem = await saveEntry(params.rigId, "proven", proven);
    return problem ? refused(problem, 507) : redirect(`/rigs/${params.rigId}`);
  }
  const parsed = lookForm(build).safeParse(texts);
  if (!parsed.success) return refused({ fields: fieldMessages(parsed.error) });
  const { notJetting } = texts;
  if (parsed.data.type === "symptom" && typeof notJetting === "string" && notJetting !== "") {
    const text = `${SYMPTOM_WORDS[parsed.data.symptom]}. ${notJetting}`.slice(0, 2000);
    const problem = await saveEntry(params.rigId, "note", { text });
    return problem ? refused(problem, 507) : redirect(`/rigs/${params.rigId}`);
  }
  const { question, is } = texts;
  const answer = AnswerEntry.pick({ question: true, is: true }).safeParse({ question, is });
  const answers: Content[] = answer.success ? [{ kind: "answer", ...answer.data }] : [];
  return saveLooks(params.rigId, [parsed.data], { cylinder, instrument }, answers);
}

interface TakenBy {
  /** counted from 1; none: the engine as a whole */
  readonly cylinder?: number | undefined;
  /** by name; none: the usual one */
  readonly instrument?: string | undefined;
}

/** Looks of one moment, and whatever was typed with them about the rig, in one write. */
async function saveLooks(
  rigId: string,
  readings: readonly Reading[],
  { cylinder, instrument }: TakenBy,
  first: readonly Content[] = [],
) {
  const looks = readings.map((reading): Content => ({
    kind: "look",
    // A symptom is felt with no instrument.
    reading:
      instrument === undefined || reading.type === "symptom" || reading.type === "compared"
        ? reading
        : { ...reading, instrument },
    ...(cylinder !== undefined && { cylinder }),
  }));
  const problem = await saveEntries(rigId, [...first, ...looks]);
  return problem ? refused(problem, 507) : redirect(`/rigs/${rigId}`);
}

async function saveHeat(rigId: string, texts: unknown, build: Build, by: TakenBy) {
  const sent = HeatSent.safeParse(texts);
  if (!sent.success) return refused({ message: "These temperatures cannot be read. Nothing was saved." });
  const read = readHeat(sent.data, build);
  if (!read.ok)
    return data({ fields: read.fields, offersOther: read.otherUnit !== undefined }, { status: 400 });
  const why = "Where its temperatures belong";
  const targets: Content[] = read.heat
    ? [{ kind: "build", build: { ...build, heat: read.heat }, reopens: [], why }]
    : [];
  return saveLooks(rigId, read.readings, by, targets);
}

/** @returns the cylinder (from 1) that was looked at, or nothing for the engine as a whole */
function cylinderNamed(text: unknown, { engine }: Build): number | undefined {
  const read = typeof text === "string" ? Number(text) : NaN;
  return Number.isInteger(read) && read >= 1 && read <= engine.cylinders && engine.cylinders > 1
    ? read
    : undefined;
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
  const answer = useActionData<ActionProblem & { offersOther?: boolean }>();
  const advised = context.advice?.next.kind === "look" ? context.advice.next : undefined;
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
      <p style={{ margin: 0 }}>
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
      {how === "lambda" && <LambdaFields problem={answer?.fields?.["figure"]} />}
      {how === "symptom" && (
        <SymptomFields problem={answer?.fields?.["symptom"]} onZone={(value) => set("zone", value)} />
      )}
      {how === "temperature" && (
        <HeatFields zone={zone} fields={answer?.fields} offersOther={answer?.offersOther ?? false} />
      )}
      {how === "witness" && <WitnessFields problem={answer?.fields?.["crown"]} />}
      {how === "ride" && <RideFields problem={answer?.fields?.["felt"]} />}
      {how === "proven" && <ProvenFields />}
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
