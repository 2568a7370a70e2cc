import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { useRef, useState } from "react";
import { data, useFetcher } from "react-router";
import * as z from "zod";
import type { Route } from "./+types/data";
import { RigId, type Header } from "#core/log/schema.ts";
import { Caution } from "#app/parts/Caution.tsx";
import { PageHead } from "#app/parts/PageHead.tsx";
import { RigFace } from "#app/rig/RigFace.tsx";
import { refused, type ActionProblem } from "#app/rig/save.ts";
import { exportRigs, saveFile } from "#app/store/export.ts";
import {
  forgetSaid,
  keepBrought,
  NamedInstrument,
  readInstrumentNames,
  writeInstrumentNames,
} from "#app/store/instruments.ts";
import { Instruments } from "#app/look/Instruments.tsx";
import { Preferences, readPreferences, writePreferences } from "#app/store/preferences.ts";
import { importRigs, listRigs, rawData, removeRig } from "#app/store/store.ts";
import { files, wordsOf } from "#app/workers/client.ts";

export async function clientLoader() {
  const [headers, preferences, instruments] = await Promise.all([
    listRigs(),
    readPreferences(),
    readInstrumentNames(),
  ]);
  return {
    headers: headers.ok ? headers.value : [],
    trouble: headers.ok ? undefined : headers.problem.message,
    preferences,
    instruments,
  };
}

const SentInstrument = { kind: NamedInstrument.shape.kind, name: z.string() };

const Tasks = z.discriminatedUnion("intent", [
  z.object({ intent: z.literal("import"), file: z.instanceof(Blob, { message: "Choose a file first." }) }),
  z.object({ intent: z.literal("remove"), rigId: RigId }),
  z.object({ intent: z.literal("preferences"), ...Preferences.shape }),
  z.object({ intent: z.literal("nameInstrument"), ...SentInstrument }),
  z.object({ intent: z.literal("dropInstrument"), ...SentInstrument }),
]);

async function importFile(file: Blob) {
  if (file.size === 0) return refused({ message: "Choose a file first: this one is empty." });
  const read = await files.readLog(file);
  if (!read.ok) return refused({ message: read.problem.message });
  const merged = await importRigs(read.file.rigs, read.photos);
  if (!merged.ok) return refused({ message: merged.problem.message }, 409);
  for (const { header, instruments } of read.file.rigs)
    if (instruments) await keepBrought(header.id, instruments);
  const { rigs, entries } = merged.value;
  const said =
    entries === 0
      ? "Everything in this file is already here."
      : `Imported ${entries} entries${rigs > 0 ? `, ${rigs} new ${rigs === 1 ? "rig" : "rigs"}` : ""}.`;
  return data({ said }, { status: 200 });
}

async function nameInstrument({ intent, kind, name }: Extract<z.infer<typeof Tasks>, { name: string }>) {
  const parsed = NamedInstrument.safeParse({ kind, name });
  if (!parsed.success) return refused({ fields: { name: "A name has 1 to 40 signs." } });
  const names = await readInstrumentNames();
  const same = (one: NamedInstrument) => one.kind === kind && one.name === parsed.data.name;
  if (intent === "nameInstrument" && names.some(same))
    return refused({ fields: { name: "There is one of that name already." } });
  const next = intent === "nameInstrument" ? [...names, parsed.data] : names.filter((one) => !same(one));
  try {
    await writeInstrumentNames(next);
  } catch {
    return refused({ message: "This device could not keep it. Nothing was changed." }, 507);
  }
  return data({ said: "Saved." }, { status: 200 });
}

export async function clientAction({ request }: Route.ClientActionArgs) {
  const parsed = Tasks.safeParse(Object.fromEntries(await request.formData()));
  if (!parsed.success) return refused({ message: parsed.error.issues[0]?.message ?? "This cannot be done." });
  const task = parsed.data;
  if (task.intent === "import") return importFile(task.file);
  if (task.intent === "preferences") {
    await writePreferences(Preferences.parse(task));
    return data({ said: "Saved." }, { status: 200 });
  }
  if (task.intent === "nameInstrument" || task.intent === "dropInstrument") return nameInstrument(task);
  const removed = await removeRig(task.rigId);
  if (removed.ok) await forgetSaid(task.rigId);
  return removed.ok
    ? data({ said: "The rig and its log are gone." }, { status: 200 })
    : refused({ message: removed.problem.message }, 507);
}

type Answer = ActionProblem & { said?: string };

function Said({ answer }: { answer: Answer | undefined }) {
  if (answer?.message !== undefined) return <Caution grave>{answer.message}</Caution>;
  return (
    <p role="status" style={{ margin: 0 }}>
      {answer?.said}
    </p>
  );
}

function Import() {
  const fetcher = useFetcher<Answer>();
  const [name, setName] = useState<string>();
  const input = useRef<HTMLInputElement>(null);
  const busy = fetcher.state !== "idle";
  return (
    <section className="stack">
      <h2>Import</h2>
      <p className="quiet" style={{ margin: 0 }}>
        A file that Tamis exported, here or elsewhere. New entries are added to what is here; nothing is
        overwritten, and a file with anything wrong in it changes nothing.
      </p>
      <fetcher.Form method="post" encType="multipart/form-data" className="row">
        <input type="hidden" name="intent" value="import" />
        <Button variant="outlined" onClick={() => input.current?.click()}>
          {name ?? "Choose a file"}
        </Button>
        <input
          ref={input}
          className="visually-hidden"
          type="file"
          name="file"
          tabIndex={-1}
          accept=".json,application/json"
          aria-label="File to import"
          onChange={(event) => setName(event.target.files?.[0]?.name)}
        />
        <Button type="submit" variant="contained" disabled={busy}>
          {busy ? "Reading…" : "Import"}
        </Button>
      </fetcher.Form>
      <Said answer={fetcher.data} />
    </section>
  );
}

function Remove({ header, onDone }: { header: Header; onDone: () => void }) {
  const fetcher = useFetcher<Answer>();
  return (
    <Dialog open onClose={onDone} aria-labelledby="remove-title">
      <DialogTitle id="remove-title">Delete {header.name} and its whole log?</DialogTitle>
      <DialogContent>
        <p style={{ margin: 0 }}>This cannot be undone. Export it first if it may be wanted again.</p>
        <Said answer={fetcher.data} />
      </DialogContent>
      <DialogActions>
        <Button onClick={onDone}>Keep it</Button>
        <Button
          color="error"
          variant="contained"
          disabled={fetcher.state !== "idle"}
          onClick={() => {
            void fetcher.submit({ intent: "remove", rigId: header.id }, { method: "post" }).then(onDone);
          }}
        >
          Delete it
        </Button>
      </DialogActions>
    </Dialog>
  );
}

function Rigs({ headers }: { headers: readonly Header[] }) {
  const [removing, setRemoving] = useState<Header>();
  const [trouble, setTrouble] = useState<string>();
  const save = (ids: readonly string[]) => {
    setTrouble(undefined);
    exportRigs(ids).then(saveFile, (error: unknown) => setTrouble(`Not exported: ${wordsOf(error)}`));
  };
  return (
    <section className="stack">
      <div className="row" style={{ justifyContent: "space-between" }}>
        <h2>Export</h2>
        {headers.length > 1 && (
          <Button variant="outlined" onClick={() => save(headers.map(({ id }) => id))}>
            Export all rigs
          </Button>
        )}
      </div>
      {headers.length === 0 && <p className="quiet">There is no rig in this browser yet.</p>}
      {trouble !== undefined && <Caution grave>{trouble}</Caution>}
      <div className="lines">
        {headers.map((header) => (
          <div
            key={header.id}
            role="group"
            aria-label={header.name}
            className="row"
            style={{
              justifyContent: "space-between",
              borderBottom: "1px solid var(--hairline)",
              paddingBlock: 6,
            }}
          >
            <RigFace header={header} line={header.id} />
            <div className="row">
              <Button variant="outlined" onClick={() => save([header.id])}>
                Export log
              </Button>
              <Button variant="outlined" color="error" onClick={() => setRemoving(header)}>
                Delete
              </Button>
            </div>
          </div>
        ))}
      </div>
      {removing && <Remove header={removing} onDone={() => setRemoving(undefined)} />}
    </section>
  );
}

const UNIT_FIELDS = [
  ["temperature", "Temperature", ["°C", "°F"]],
  ["pressure", "Pressure", ["hPa", "kPa", "inHg", "mmHg"]],
  ["length", "Height", ["m", "ft"]],
  ["speed", "Speed", ["km/h", "mph"]],
  ["vacuum", "Vacuum gauges", ["kPa", "cmHg", "inHg", "mbar"]],
  ["mixture", "Mixture meter", ["lambda", "afr"]],
] as const;
const UNIT_NAMES: Readonly<Record<string, string>> = { lambda: "λ", afr: "AFR" };

function Units({ preferences }: { preferences: Preferences }) {
  const fetcher = useFetcher<Answer>();
  return (
    <section className="stack">
      <h2>Units</h2>
      <div style={{ display: "grid", gridTemplateColumns: "repeat(auto-fit, minmax(150px, 1fr))", gap: 12 }}>
        {UNIT_FIELDS.map(([name, label, units]) => (
          <TextField
            key={name}
            select
            label={label}
            value={preferences[name]}
            onChange={(event) =>
              void fetcher.submit(
                { ...preferences, [name]: event.target.value, intent: "preferences" },
                { method: "post" },
              )
            }
            slotProps={{ inputLabel: { shrink: true } }}
          >
            {units.map((unit) => (
              <MenuItem key={unit} value={unit}>
                {UNIT_NAMES[unit] ?? unit}
              </MenuItem>
            ))}
          </TextField>
        ))}
      </div>
      <Said answer={fetcher.data} />
    </section>
  );
}

async function saveRaw(): Promise<void> {
  const raw = await rawData();
  if (raw.ok)
    saveFile({
      name: "tamis-raw.json",
      blob: new Blob([JSON.stringify(raw.value, null, 1)], { type: "application/json" }),
    });
}

export default function DataRoute({ loaderData }: Route.ComponentProps) {
  const { headers, trouble, preferences, instruments } = loaderData;
  return (
    <div className="page">
      <PageHead />
      <main className="stack" style={{ gap: 36 }}>
        <div>
          <h1>Data</h1>
          <p className="lead quiet">
            Everything stays in this browser: no account, no cloud, nothing fetched. An export is the backup,
            and the way to another phone.
          </p>
        </div>
        {trouble !== undefined && <Caution grave>{trouble}</Caution>}
        <Rigs headers={headers} />
        <Import />
        <Units preferences={preferences} />
        <Instruments names={instruments} />
        <section className="stack">
          <h2>If something cannot be read</h2>
          <p className="quiet" style={{ margin: 0 }}>
            The raw data is everything as it is stored, unchecked. Keep it before trying anything else.
          </p>
          <Button variant="outlined" sx={{ justifySelf: "start" }} onClick={() => void saveRaw()}>
            Save raw data
          </Button>
        </section>
      </main>
    </div>
  );
}
