import Button from "@mui/material/Button";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import { Form, redirect, useActionData, useNavigation, useSearchParams } from "react-router";
import * as z from "zod";
import type { Route } from "./+types/look";
import { ZONES, type Zone } from "#core/carburettor/zones.ts";
import type { Build } from "#core/log/schema.ts";
import { ZoneName, type Tone } from "#core/log/parts.ts";
import { lookForm, stoichiometricOf } from "#app/forms/look-form.ts";
import { Caution } from "#app/parts/Caution.tsx";
import { Choice } from "#app/parts/Choice.tsx";
import { Problem } from "#app/parts/Problem.tsx";
import { PlugDrawing } from "#app/plug/PlugDrawing.tsx";
import { ToneScale } from "#app/plug/ToneScale.tsx";
import { useRig } from "#app/rig/context.ts";
import { fieldMessages, openRig, refused, saveEntry, type ActionProblem } from "#app/rig/save.ts";
import { ZONE_NAMES, ZONE_OPENINGS } from "#app/words/parts.ts";
import { zoneCaution } from "#app/words/cautions.ts";

export async function clientAction({ params, request }: Route.ClientActionArgs) {
  const { build } = await openRig(params.rigId);
  const texts = Object.fromEntries(await request.formData());
  const parsed = lookForm(build).safeParse(texts);
  if (!parsed.success) return refused({ fields: fieldMessages(parsed.error) });
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

const HowName = z.enum(["plug", "lambda"]);
const CUTS = [
  { value: "clean", text: "Clean cut", note: "as it was" },
  { value: "rolled", text: "Rolled off", note: "to idle" },
  { value: "unknown", text: "Not known" },
] as const;
const HEAT_RANGES = [
  ["3", "3 steps too cold"],
  ["2", "2 steps too cold"],
  ["1", "1 step too cold"],
  ["0", "the right one"],
  ["-1", "1 step too hot"],
  ["-2", "2 steps too hot"],
  ["-3", "3 steps too hot"],
] as const;

function PlugFields({ problem }: { problem: string | undefined }) {
  const [tone, setTone] = useState<Tone>();
  const [cut, setCut] = useState<(typeof CUTS)[number]["value"]>("clean");
  return (
    <>
      <input type="hidden" name="tone" value={tone ?? ""} />
      <input type="hidden" name="cut" value={cut} />
      <div className="stack">
        <h2 className="label">Porcelain near its root</h2>
        <div className="plug-place">
          <PlugDrawing tone={tone} />
          <ToneScale value={tone} onChange={setTone} />
        </div>
        {problem !== undefined && tone === undefined && <Caution>{problem}</Caution>}
      </div>
      <Choice label="The engine was" value={cut} options={CUTS} onChange={setCut} />
      <TextField
        select
        name="colderSteps"
        label="Heat range of this plug"
        defaultValue="0"
        helperText="A plug too cold reads darker than the mixture is."
        slotProps={{ inputLabel: { shrink: true } }}
      >
        {HEAT_RANGES.map(([value, text]) => (
          <MenuItem key={value} value={value}>
            {text}
          </MenuItem>
        ))}
      </TextField>
    </>
  );
}

function LambdaFields({ problem }: { problem: string | undefined }) {
  const { build, preferences } = useRig();
  const [scale, setScale] = useState(preferences.mixture);
  const [sensor, setSensor] = useState<"inside" | "openEnd">("inside");
  return (
    <>
      <input type="hidden" name="scale" value={scale} />
      <input type="hidden" name="sensor" value={sensor} />
      <Choice
        label="The meter shows"
        value={scale}
        options={[
          { value: "lambda", text: "λ" },
          { value: "afr", text: "AFR", note: `this fuel: ${stoichiometricOf(build.fuel)} at λ 1` },
        ]}
        onChange={setScale}
      />
      <TextField
        name="figure"
        label={scale === "lambda" ? "λ" : "AFR"}
        autoComplete="off"
        error={problem !== undefined}
        helperText={problem ?? "The figure over the whole pull, not one glance."}
        slotProps={{ htmlInput: { inputMode: "decimal" }, inputLabel: { shrink: true } }}
      />
      <Choice
        label="The sensor sits"
        value={sensor}
        options={[
          { value: "inside", text: "Well inside the pipe", note: "± 1.5 %" },
          { value: "openEnd", text: "Near the open end", note: "± 5 %: air is drawn in" },
        ]}
        onChange={setSensor}
      />
    </>
  );
}

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
          { value: "lambda", text: "λ meter" },
        ]}
        onChange={(value) => set("how", value)}
      />
      {how === "plug" ? (
        <PlugFields problem={answer?.fields?.["tone"]} />
      ) : (
        <LambdaFields problem={answer?.fields?.["figure"]} />
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
