import Button from "@mui/material/Button";
import { data } from "react-router";
import type { Route } from "./+types/route";
import { Caution } from "#app/ui/Caution.tsx";
import { PageHead } from "#app/ui/PageHead.tsx";
import { refused, readSent } from "#app/journal/save.ts";
import { saveFile } from "#app/journal/export.ts";
import { forgetSaid, readInstrumentNames } from "#app/store/instruments.ts";
import { Instruments } from "./Instruments.tsx";
import { Preferences } from "#app/vocabulary/preferences.ts";
import { readPreferences, writePreferences } from "#app/store/preferences.ts";
import { listRigs, removeRig } from "#app/store/book.ts";
import { readSpace } from "#app/store/space.ts";
import { rawData } from "#app/store/raw.ts";
import { Demo } from "./Demo.tsx";
import { Tasks, bringDemoBack, importFile, nameInstrument, wipeDemo } from "./tasks.ts";
import { Import } from "./Import.tsx";
import { Rigs } from "./Rigs.tsx";
import { Units } from "./Units.tsx";
import { spaceWords } from "./space-words.ts";

export const meta = () => [{ title: "Data · Tamis" }];

export async function clientLoader() {
  const [headers, preferences, instruments, space] = await Promise.all([
    listRigs(),
    readPreferences(),
    readInstrumentNames(),
    readSpace(),
  ]);
  return {
    space,
    headers: headers.ok ? headers.value.headers : [],
    unreadable: headers.ok ? headers.value.unreadable : [],
    trouble: headers.ok ? undefined : headers.problem.message,
    preferences,
    instruments,
  };
}

export async function clientAction({ request }: Route.ClientActionArgs) {
  const read = readSent(Tasks, Object.fromEntries(await request.formData()));
  if (!read.ok) return read.answer;
  const task = read.sent;
  if (task.intent === "import") return importFile(task.file);
  if (task.intent === "wipeDemo") return wipeDemo();
  if (task.intent === "loadDemo") return bringDemoBack();
  if (task.intent === "preferences") {
    const kept = await writePreferences(Preferences.parse(task));
    return kept.ok
      ? data({ said: "Saved." }, { status: 200 })
      : refused({ message: kept.problem.message }, 507);
  }
  if (task.intent === "nameInstrument" || task.intent === "dropInstrument") return nameInstrument(task);
  const removed = await removeRig(task.rigId);
  if (removed.ok) await forgetSaid(task.rigId);
  return removed.ok
    ? data({ said: "The rig and its log are gone." }, { status: 200 })
    : refused({ message: removed.problem.message }, 507);
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
  const { headers, unreadable, trouble, space, preferences, instruments } = loaderData;
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
          <p className="quiet">{spaceWords(space)}</p>
        </div>
        {trouble !== undefined && <Caution grave>{trouble}</Caution>}
        <Rigs headers={headers} unreadable={unreadable} />
        <Import />
        <Demo headers={headers} />
        <Units preferences={preferences} />
        <Instruments names={instruments} />
        <section className="stack">
          <h2>If something cannot be read</h2>
          <p className="quiet flush">
            The raw data is everything as it is stored, unchecked. Keep it before trying anything else.
          </p>
          <Button variant="outlined" className="start" onClick={() => void saveRaw()}>
            Save raw data
          </Button>
        </section>
      </main>
    </div>
  );
}
