import Autocomplete from "@mui/material/Autocomplete";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import { data, useFetcher } from "react-router";
import * as z from "zod";
import type { Route } from "./+types/base";
import { baselineSettings } from "#core/log/fold.ts";
import { PARTS } from "#core/log/parts.ts";
import { BaseSheet, type Build } from "#core/log/schema.ts";
import { readSheetFile, type SheetFile, type SheetsRead } from "#core/log/sheet-file.ts";
import { MeasureName } from "#core/log/walk-round-names.ts";
import { applyFit } from "#core/log/fold.ts";
import { buildOfCarburettor } from "#core/rig/carburettors.ts";
import { checkSettingOn } from "#core/rig/check-setting.ts";
import { BaseSent, baseTexts, readBase } from "#app/forms/base-form.ts";
import { sheetFor, UNSTAMPED, type LimitTexts } from "#app/forms/check-form.ts";
import { Caution } from "#app/parts/Caution.tsx";
import { FileButton } from "#app/parts/FileButton.tsx";
import { GoodOnes } from "#app/parts/GoodOnes.tsx";
import { Problem } from "#app/parts/Problem.tsx";
import { changesTowards } from "#app/rig/fit-changes.ts";
import { useRig } from "#app/rig/context.ts";
import { RigTabs } from "#app/rig/RigTabs.tsx";
import {
  fieldMessages,
  modelRefusal,
  openRig,
  refused,
  saveEntry,
  type ActionProblem,
  type OpenRig,
} from "#app/rig/save.ts";
import { listSheets, saveSheets } from "#app/store/base-sheets.ts";
import { saveFile } from "#app/store/export.ts";
import { PART_NAMES, partInSentence, partValue } from "#app/words/parts.ts";
import { MEASURE_WORDS } from "#app/words/walk-round.ts";

export async function clientLoader() {
  const sheets = await listSheets();
  return sheets.ok
    ? { sheets: sheets.value, trouble: undefined }
    : { sheets: [], trouble: sheets.problem.message };
}

const Sent = z.discriminatedUnion("intent", [
  z.object({ intent: z.literal("sheet"), ...BaseSent.shape }),
  z.object({ intent: z.literal("putToBase") }),
  z.object({ intent: z.literal("import"), sheets: z.array(BaseSheet).min(1).max(500) }),
]);

const baseOf = (build: Build, sheet: BaseSheet | undefined) =>
  baselineSettings(build).map((setting) => sheet?.setting ?? setting);

async function saveSheet(rigId: string, sent: BaseSent) {
  const read = readBase(sent);
  if (!read.ok) return refused({ fields: read.fields });
  const { build } = await openRig(rigId);
  const refusal = modelRefusal(() => checkSettingOn(build, read.sheet.setting));
  if (refusal !== undefined) return refused({ message: refusal });
  const problem = await saveEntry(rigId, "base", { sheet: read.sheet });
  if (problem) return refused(problem, 507);
  if (read.sheet.stamp === UNSTAMPED) return data({ said: "Saved for this rig." });
  const kept = await saveSheets([read.sheet]);
  return kept.ok
    ? data({ said: `Saved, and found again by ${read.sheet.stamp}.` })
    : refused({ message: `Saved in this rig’s log. ${kept.problem.message}` }, 507);
}

async function putToBase(rigId: string, { build, present }: OpenRig) {
  const wanted = baseOf(build, present.sheet);
  const changes = changesTowards(present.settings, wanted);
  if (changes.length === 0) return refused({ message: "Everything is at its base already." });
  const fit = { changes, because: "base" as const };
  const refusal = modelRefusal(() => {
    for (const [i, setting] of present.settings.entries())
      checkSettingOn(buildOfCarburettor(build, i), applyFit(setting, fit, i + 1));
  });
  if (refusal !== undefined) return refused({ message: refusal });
  const problem = await saveEntry(rigId, "fit", fit);
  return problem ? refused(problem, 507) : data({ said: "Everything is back at its base, as one entry." });
}

export async function clientAction({ params, request }: Route.ClientActionArgs) {
  const parsed = Sent.safeParse(await request.json());
  if (!parsed.success) return refused({ fields: fieldMessages(parsed.error), message: "Nothing was saved." });
  const sent = parsed.data;
  if (sent.intent === "sheet") return saveSheet(params.rigId, sent);
  if (sent.intent === "putToBase") return putToBase(params.rigId, await openRig(params.rigId));
  const kept = await saveSheets(sent.sheets);
  return kept.ok
    ? data({ said: `${sent.sheets.length} base sheets imported.` })
    : refused({ message: kept.problem.message }, 507);
}

type Answer = ActionProblem & { said?: string };

function useSend() {
  const fetcher = useFetcher<Answer>();
  const send = (content: z.input<typeof Sent>) =>
    void fetcher.submit(JSON.stringify(content), { method: "post", encType: "application/json" });
  return { send, answer: fetcher.data, busy: fetcher.state !== "idle" };
}

function Said({ answer }: { answer: Answer | undefined }) {
  if (answer?.message !== undefined) return <Problem message={answer.message} />;
  return (
    <p role="status" style={{ margin: 0 }}>
      {answer?.said}
    </p>
  );
}

/** One logged action: every part that is off its base goes back to it. */
function BackToBase() {
  const { build, present } = useRig();
  const { send, answer, busy } = useSend();
  const changes = changesTowards(present.settings, baseOf(build, present.sheet));
  const words = changes.map(
    ({ part, to, carburettor }) =>
      `${partInSentence(part)} ${partValue(part, to)}${carburettor === undefined ? "" : ` on no. ${carburettor}`}`,
  );
  return (
    <section className="stack">
      <h2>Back to base</h2>
      <p className="quiet" style={{ margin: 0 }}>
        {changes.length === 0
          ? "Everything is at its base."
          : `Would set ${words.join(", ")}. One entry in the log; what the looks taught stays.`}
      </p>
      <Button
        variant="outlined"
        sx={{ justifySelf: "start" }}
        disabled={busy || changes.length === 0}
        onClick={() => send({ intent: "putToBase" })}
      >
        Put everything back to base
      </Button>
      <Said answer={answer} />
    </section>
  );
}

function SheetFiles({ sheets }: { sheets: readonly BaseSheet[] }) {
  const { send, answer } = useSend();
  const [read, setRead] = useState<SheetsRead>();
  const take = (list: readonly BaseSheet[]) => {
    setRead(undefined);
    send({ intent: "import", sheets: [...list] });
  };
  const open = async (file: File) => {
    const found =
      file.size > 4 * 1024 * 1024
        ? { ok: false as const, message: "This file is over 4 MB: no file of base sheets." }
        : readSheetFile(await file.text());
    if (found.ok && found.bad.length === 0 && found.sheets.length > 0) take(found.sheets);
    else setRead(found);
  };
  const save = () => {
    const file: SheetFile = { format: "tamis-base-sheets", version: 1, sheets: [...sheets] };
    saveFile({
      name: "tamis-base-sheets.json",
      blob: new Blob([JSON.stringify(file, null, 1)], { type: "application/json" }),
    });
  };
  return (
    <section className="stack">
      <h2>All base sheets</h2>
      <p className="quiet" style={{ margin: 0 }}>
        {sheets.length === 0
          ? "None kept yet. A saved sheet is found again on the next carburettor with that number."
          : `Kept on this device: ${sheets.map(({ stamp }) => stamp).join(", ")}.`}
      </p>
      <div className="row">
        <FileButton
          words="Import sheets"
          label="Base sheets to import"
          accept=".json,application/json"
          onFiles={([file]) => file && void open(file)}
        />
        <Button variant="outlined" disabled={sheets.length === 0} onClick={save}>
          Export sheets
        </Button>
      </div>
      {read && !read.ok && <Problem message={read.message} />}
      {read?.ok && read.bad.length === 0 && <Problem message="There is no base sheet in this file." />}
      {read?.ok && read.bad.length > 0 && (
        <GoodOnes
          what="sheet"
          good={read.sheets.length}
          bad={read.bad}
          onTake={() => take(read.sheets)}
          onLeave={() => setRead(undefined)}
        />
      )}
      <Said answer={answer} />
    </section>
  );
}

export default function BaseRoute({ loaderData }: Route.ComponentProps) {
  const { build, present } = useRig();
  const [found, setFound] = useState<BaseSheet>();
  const sheet = found ?? sheetFor(build, present.sheet);
  return (
    <div className="stack" style={{ gap: 28 }}>
      <RigTabs />
      <div>
        <h1>Base sheet</h1>
        <p className="lead quiet">
          What the maker’s book says of this carburettor, typed once and found again by the number stamped on
          it.
        </p>
      </div>
      <Problem message={loaderData.trouble} />
      <BackToBase />
      <SheetEditor
        key={`${sheet.stamp} ${found ? "found" : "own"}`}
        sheet={sheet}
        known={loaderData.sheets}
        onFound={setFound}
      />
      <SheetFiles sheets={loaderData.sheets} />
    </div>
  );
}

interface SheetEditorProps {
  readonly sheet: BaseSheet;
  readonly known: readonly BaseSheet[];
  readonly onFound: (sheet: BaseSheet) => void;
}

function SheetEditor({ sheet, known, onFound }: SheetEditorProps) {
  const { send, answer, busy } = useSend();
  const [texts, setTexts] = useState(() => baseTexts(sheet));
  const match = known.find(({ stamp }) => stamp === texts.stamp.trim());
  const isNew = match !== undefined && JSON.stringify(baseTexts(match)) !== JSON.stringify(texts);
  const limit = (measure: MeasureName, name: keyof LimitTexts, label: string) => {
    const now = texts.limits[measure] ?? { min: "", max: "", source: "" };
    return (
      <TextField
        label={label}
        value={now[name]}
        error={name === "min" && answer?.fields?.[measure] !== undefined}
        helperText={name === "min" ? answer?.fields?.[measure] : undefined}
        onChange={(event) =>
          setTexts({
            ...texts,
            limits: { ...texts.limits, [measure]: { ...now, [name]: event.target.value } },
          })
        }
        slotProps={{ inputLabel: { shrink: true } }}
      />
    );
  };
  return (
    <section className="stack">
      <h2>This carburettor</h2>
      <div className="two">
        <Autocomplete
          freeSolo
          options={known.map(({ stamp }) => stamp)}
          inputValue={texts.stamp}
          onInputChange={(_, stamp) => setTexts({ ...texts, stamp })}
          renderInput={(props) => (
            <TextField
              {...props}
              label="Number stamped on it"
              error={answer?.fields?.["stamp"] !== undefined}
              helperText={answer?.fields?.["stamp"]}
            />
          )}
        />
        <TextField
          label="Where it comes from"
          value={texts.source}
          onChange={(event) => setTexts({ ...texts, source: event.target.value })}
          helperText="Such as: manual, page 41."
          slotProps={{ inputLabel: { shrink: true } }}
        />
      </div>
      {match && isNew && (
        <div className="row">
          <Caution plain>A sheet with this number is kept here.</Caution>
          <Button variant="outlined" onClick={() => onFound(match)}>
            Take it
          </Button>
        </div>
      )}
      <h3 className="label">Base setting</h3>
      <div className="grid">
        {PARTS.map((part) => (
          <TextField
            key={part}
            label={PART_NAMES[part]}
            value={texts.setting[part]}
            error={answer?.fields?.[part] !== undefined}
            helperText={answer?.fields?.[part]}
            onChange={(event) =>
              setTexts({ ...texts, setting: { ...texts.setting, [part]: event.target.value } })
            }
            slotProps={{ inputLabel: { shrink: true } }}
          />
        ))}
      </div>
      <h3 className="label">Limits of the walk-round</h3>
      {MeasureName.options.map((measure) => (
        <div key={measure} className="limit-line">
          <span>
            {MEASURE_WORDS[measure].label}, {MEASURE_WORDS[measure].unit}
          </span>
          {limit(measure, "min", "From")}
          {limit(measure, "max", "To")}
          {limit(measure, "source", "Source")}
        </div>
      ))}
      <Said answer={answer} />
      <div className="row save">
        <Button variant="contained" disabled={busy} onClick={() => send({ intent: "sheet", ...texts })}>
          Save the sheet
        </Button>
      </div>
    </section>
  );
}
