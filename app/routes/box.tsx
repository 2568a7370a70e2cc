import { zodResolver } from "@hookform/resolvers/zod";
import Button from "@mui/material/Button";
import IconButton from "@mui/material/IconButton";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import Close from "@mui/icons-material/Close";
import { useState } from "react";
import {
  Controller,
  FormProvider,
  useFieldArray,
  useForm,
  useFormContext,
  useWatch,
  type FieldPath,
} from "react-hook-form";
import { redirect, useActionData, useNavigation, useSubmit } from "react-router";
import type { Route } from "./+types/box";
import { Box, type Build, type Setting } from "#core/log/schema.ts";
import { boxJets, type BoxJet } from "#core/rig/box.ts";
import { mergeBoxes, type BoxRead } from "#core/rig/box-table.ts";
import type { ToBuy } from "#core/advice/to-buy.ts";
import { boxCsv, readBoxFile } from "#app/forms/box-csv.ts";
import { BoxForm, boxTexts, type BoxTexts } from "#app/forms/box-form.ts";
import { Caution } from "#app/parts/Caution.tsx";
import { FileButton } from "#app/parts/FileButton.tsx";
import { GoodOnes } from "#app/parts/GoodOnes.tsx";
import { Problem } from "#app/parts/Problem.tsx";
import { useRig } from "#app/rig/context.ts";
import { RigTabs } from "#app/rig/RigTabs.tsx";
import { modelRefusal, openRig, refused, saveEntry, type ActionProblem } from "#app/rig/save.ts";
import { saveFile } from "#app/store/export.ts";
import { jetWords } from "#app/words/box.ts";
import { partInSentence } from "#app/words/parts.ts";

export async function clientAction({ params, request }: Route.ClientActionArgs) {
  const parsed = Box.safeParse(await request.json());
  if (!parsed.success) return refused({ message: "This box cannot be read. Nothing was saved." });
  const { build } = await openRig(params.rigId);
  const next = { ...build, box: parsed.data };
  const refusal = modelRefusal(() => [...boxJets(next, "pilot"), ...boxJets(next, "main")]);
  if (refusal !== undefined) return refused({ message: refusal });
  const problem = await saveEntry(params.rigId, "box", { box: parsed.data, why: "" });
  return problem ? refused(problem, 507) : redirect(`/rigs/${params.rigId}/box`);
}

const JETS = [
  ["pilot", "Pilot"],
  ["main", "Main"],
] as const;
const NUMBERINGS = [
  ["diameter", "By diameter, 1/100 mm"],
  ["flow", "By flow"],
] as const;

function Field({ name, label, hint }: { name: FieldPath<BoxTexts>; label: string; hint?: string }) {
  const { register, getFieldState, formState } = useFormContext<BoxTexts>();
  const { error } = getFieldState(name, formState);
  return (
    <TextField
      {...register(name)}
      label={label}
      fullWidth
      autoComplete="off"
      error={error !== undefined}
      helperText={error?.message ?? hint}
      slotProps={{ inputLabel: { shrink: true } }}
    />
  );
}

function Pick({
  name,
  label,
  options,
}: {
  name: FieldPath<BoxTexts>;
  label: string;
  options: readonly (readonly [string, string])[];
}) {
  const { control } = useFormContext<BoxTexts>();
  return (
    <Controller
      control={control}
      name={name}
      render={({ field }) => (
        <TextField {...field} select label={label} fullWidth slotProps={{ inputLabel: { shrink: true } }}>
          {options.map(([value, text]) => (
            <MenuItem key={value} value={value}>
              {text}
            </MenuItem>
          ))}
        </TextField>
      )}
    />
  );
}

const RemoveButton = ({ label, onClick }: { label: string; onClick: () => void }) => (
  <IconButton aria-label={label} onClick={onClick} sx={{ width: 52, height: 52 }}>
    <Close />
  </IconButton>
);

function Drilled() {
  const { fields, append, remove } = useFieldArray<BoxTexts, "drilled">({ name: "drilled" });
  return (
    <section className="stack">
      <h2>Drilled by hand</h2>
      <p className="quiet" style={{ margin: 0 }}>
        The stamp no longer holds: measure the hole with a drill’s shank or a pin gauge. On the card it counts
        as what it is.
      </p>
      {fields.map((field, i) => (
        <div key={field.id} className="box-row">
          <Pick name={`drilled.${i}.part`} label="Jet" options={JETS} />
          <Field name={`drilled.${i}.stamped`} label="As stamped" />
          <Field name={`drilled.${i}.measuredMm`} label="Measured, mm" />
          <RemoveButton label={`Remove drilled jet ${i + 1}`} onClick={() => remove(i)} />
        </div>
      ))}
      <Button
        variant="outlined"
        sx={{ justifySelf: "start" }}
        onClick={() => append({ part: "main", stamped: "", measuredMm: "" })}
      >
        Add a drilled jet
      </Button>
    </section>
  );
}

function Family({ index, onRemove }: { index: number; onRemove: () => void }) {
  const by = useWatch<BoxTexts, `families.${number}.by`>({ name: `families.${index}.by` });
  return (
    <div className="stack" style={{ gap: 10 }}>
      <div className="box-row">
        <Field name={`families.${index}.name`} label="Family" />
        <Pick name={`families.${index}.part`} label="Jet" options={JETS} />
        <Pick name={`families.${index}.by`} label="Numbered" options={NUMBERINGS} />
        <RemoveButton label={`Remove family ${index + 1}`} onClick={onRemove} />
      </div>
      {by === "flow" && (
        <div className="two">
          <Field name={`families.${index}.referenceNumber`} label="This number" />
          <Field name={`families.${index}.referenceDiameterMm`} label="flows like a hole of, mm" />
        </div>
      )}
      <Field name={`families.${index}.sizes`} label="Sizes" />
    </div>
  );
}

function Families() {
  const { fields, append, remove } = useFieldArray<BoxTexts, "families">({ name: "families" });
  return (
    <section className="stack">
      <h2>Other families that fit the thread</h2>
      <p className="quiet" style={{ margin: 0 }}>
        Numbered another way: each is turned into this carburettor’s own numbers, so that nobody fits a flow
        number for a diameter.
      </p>
      {fields.map((field, i) => (
        <Family key={field.id} index={i} onRemove={() => remove(i)} />
      ))}
      <Button
        variant="outlined"
        sx={{ justifySelf: "start" }}
        onClick={() =>
          append({
            name: "",
            part: "main",
            by: "flow",
            referenceNumber: "100",
            referenceDiameterMm: "1",
            sizes: "",
          })
        }
      >
        Add a family
      </Button>
    </section>
  );
}

/** The jets as a drawer shows them: what each works as, which is fitted, which the card wants. */
function Drawer({
  jets,
  fitted,
  wanted,
  label,
}: {
  jets: readonly BoxJet[];
  fitted: number;
  wanted: number;
  label: string;
}) {
  return (
    <ul className="jets" aria-label={label}>
      {jets.map((jet) => (
        <li
          key={jet.number}
          className={jet.number === fitted ? "fitted" : jet.number === wanted ? "wanted" : ""}
        >
          <b>{jet.number}</b>
          <small>
            {jet.number === fitted ? "fitted" : jet.number === wanted ? "to fit" : ""} {jetWords(jet)}
          </small>
        </li>
      ))}
      {jets.length === 0 && <li className="quiet">None yet.</li>}
    </ul>
  );
}

function ToBuyWords({ buy }: { buy: readonly ToBuy[] }) {
  if (buy.length === 0)
    return (
      <Caution plain>
        Nothing to buy: no jet outside the box would help by more than a reading can show.
      </Caution>
    );
  return (
    <Caution plain>
      Worth buying or borrowing:{" "}
      {buy.map(({ part, number }) => `${partInSentence(part)} about ${number}`).join(", ")}.
    </Caution>
  );
}

/** What the fields hold now, as far as it can be read: the drawers follow the typing. */
function Drawers({ build, fitted, card }: { build: Build; fitted: Setting; card: Setting }) {
  const texts = useWatch<BoxTexts>();
  const parsed = BoxForm.safeParse(texts);
  const now = parsed.success ? { ...build, box: parsed.data } : build;
  return (
    <>
      <h2 className="label">Main jets, in this carburettor’s numbers</h2>
      <Drawer label="Main jets" jets={boxJets(now, "main")} fitted={fitted.main} wanted={card.main} />
      <h2 className="label">Pilot jets</h2>
      <Drawer label="Pilot jets" jets={boxJets(now, "pilot")} fitted={fitted.pilot} wanted={card.pilot} />
    </>
  );
}

function BoxFiles({ onBox }: { onBox: (box: Box) => void }) {
  const { build, header } = useRig();
  const [trouble, setTrouble] = useState<string>();
  const [halfGood, setHalfGood] = useState<BoxRead>();
  const [taken, setTaken] = useState<number>();
  const take = (read: BoxRead) => {
    onBox(read.box);
    setHalfGood(undefined);
    setTaken(read.good);
  };
  const open = async (file: File) => {
    setTrouble(undefined);
    setHalfGood(undefined);
    setTaken(undefined);
    const answer = await readBoxFile(file);
    if (!answer.ok) setTrouble(answer.message);
    else if (answer.read.bad.length > 0) setHalfGood(answer.read);
    else take(answer.read);
  };
  return (
    <section className="stack">
      <div className="row">
        <FileButton
          words="Import CSV"
          label="Box file to import"
          accept=".csv,text/csv,text/plain"
          onFiles={([file]) => file && void open(file)}
        />
        <Button
          variant="outlined"
          onClick={() =>
            saveFile({
              name: `tamis-box-${header.plate}.csv`,
              blob: new Blob([boxCsv(build.box)], { type: "text/csv" }),
            })
          }
        >
          Export CSV
        </Button>
      </div>
      <Problem message={trouble} />
      {taken !== undefined && (
        <p role="status" style={{ margin: 0 }}>
          {taken} rows are in the fields below. Save the box to keep them.
        </p>
      )}
      {halfGood && (
        <GoodOnes
          what="row"
          good={halfGood.good}
          bad={halfGood.bad}
          onTake={() => take(halfGood)}
          onLeave={() => setHalfGood(undefined)}
        />
      )}
    </section>
  );
}

export default function BoxRoute() {
  const { build, fitted, advice, revision } = useRig();
  return (
    <div className="stack">
      <RigTabs />
      <div>
        <h1>The jet box</h1>
        <p className="lead quiet">
          Advice uses only what is in it. One size a time, or a range in one go: 150 to 175 by 2.5.
        </p>
      </div>
      {advice && <ToBuyWords buy={advice.buy} />}
      <BoxEditor key={revision} build={build} fitted={fitted} card={advice?.card.setting ?? fitted} />
    </div>
  );
}

function BoxEditor({ build, fitted, card }: { build: Build; fitted: Setting; card: Setting }) {
  const submit = useSubmit();
  const saving = useNavigation().state !== "idle";
  const answer = useActionData<ActionProblem>();
  const form = useForm<BoxTexts, unknown, Box>({
    resolver: zodResolver(BoxForm),
    defaultValues: boxTexts(build.box),
    mode: "onTouched",
  });
  const save = (box: Box) =>
    void submit(JSON.stringify(box), { method: "post", encType: "application/json" });
  const add = (box: Box) => {
    const typed = BoxForm.safeParse(form.getValues());
    form.reset(boxTexts(mergeBoxes(typed.success ? typed.data : build.box, box)), {
      keepDefaultValues: true,
    });
  };
  return (
    <FormProvider {...form}>
      <Drawers build={build} fitted={fitted} card={card} />
      <BoxFiles onBox={add} />
      <form
        className="stack"
        style={{ gap: 24 }}
        noValidate
        onSubmit={(event) => void form.handleSubmit(save)(event)}
      >
        <section className="stack">
          <Field name="mains" label="Main jets" />
          <Field name="pilots" label="Pilot jets" />
          <Field
            name="shimsMm"
            label="Washers and shims under the clip, mm"
            hint="Empty if there are none."
          />
        </section>
        <Drilled />
        <Families />
        <Problem message={answer?.message} />
        <div className="row save">
          <Button type="submit" variant="contained" disabled={saving}>
            {saving ? "Saving…" : "Save the box"}
          </Button>
        </div>
      </form>
    </FormProvider>
  );
}
