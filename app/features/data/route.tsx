import Button from "@mui/material/Button";
import { useState } from "react";
import { data, Link, Navigate, useLocation } from "react-router";
import type { Route } from "./+types/route";
import { Caution } from "#app/ui/Caution.tsx";
import { PageHead } from "#app/ui/PageHead.tsx";
import { refused, readSent } from "#app/journal/save.ts";
import { saveFile } from "#app/journal/export.ts";
import { readInstrumentNames, readPractised } from "#app/store/instruments.ts";
import { Instruments } from "./Instruments.tsx";
import { Preferences } from "#app/vocabulary/preferences.ts";
import { readPreferences, writePreferences } from "#app/store/preferences.ts";
import { listRigs } from "#app/store/book.ts";
import { backupState, type BackupState } from "#app/store/backups.ts";
import { listSnapshots } from "#app/store/snapshots.ts";
import { folderSeen } from "#app/journal/backup.ts";
import { readSpace } from "#app/store/space.ts";
import { leftElsewhere } from "#app/store/leftovers.ts";
import { rawData } from "#app/store/raw.ts";
import { Problem } from "#app/ui/Problem.tsx";
import { TryAgain } from "#app/ui/TryAgain.tsx";
import { Demo } from "./Demo.tsx";
import { Elsewhere } from "./Elsewhere.tsx";
import {
  Tasks,
  bringDemoBack,
  bringInLeft,
  deleteRig,
  nameInstrument,
  snapshotTask,
  wipeDemo,
} from "./tasks.ts";
import { Backup } from "./Backup.tsx";
import { Snapshots } from "./Snapshots.tsx";
import { Import } from "./Import.tsx";
import { Rigs } from "./Rigs.tsx";
import { KeysAndHints, Units } from "./Units.tsx";
import { spaceWords } from "./space-words.ts";

export const meta = () => [{ title: "Data · Tamis" }];

const NO_BACKUP: BackupState = { at: undefined, unsaved: 0, rigs: 0 };

export async function clientLoader() {
  // Whatever fails, this page opens: it is the way out.
  const [headers, preferences, instruments, practised, space, backup, folder, snapshots, left] =
    await Promise.all([
      listRigs(),
      readPreferences(),
      readInstrumentNames(),
      readPractised(),
      readSpace(),
      backupState().catch(() => NO_BACKUP),
      folderSeen().catch(() => undefined),
      listSnapshots(),
      leftElsewhere().catch(() => []),
    ]);
  return {
    left,
    backup,
    folder,
    snapshots: snapshots.ok ? snapshots.value : [],
    space,
    headers: headers.ok ? headers.value.headers : [],
    unreadable: headers.ok ? headers.value.unreadable : [],
    trouble: headers.ok ? undefined : headers.problem.message,
    preferences,
    instruments,
    practised: practised.map(({ name }) => name),
  };
}

export async function clientAction({ request }: Route.ClientActionArgs) {
  const read = readSent(Tasks, await request.json());
  if (!read.ok) return read.answer;
  const task = read.sent;
  if (task.intent === "wipeDemo") return wipeDemo();
  if (task.intent === "loadDemo") return bringDemoBack();
  if (task.intent === "preferences") {
    const kept = await writePreferences(Preferences.parse(task));
    return kept.ok
      ? data({ said: "Saved." }, { status: 200 })
      : refused({ message: kept.problem.message }, 507);
  }
  if (task.intent === "nameInstrument" || task.intent === "dropInstrument") return nameInstrument(task);
  if (task.intent === "putBack" || task.intent === "dropSnapshot") return snapshotTask(task);
  if (task.intent === "bringIn") return bringInLeft();
  return deleteRig(task.rigId);
}

/** @returns in words why there is nothing to save */
async function saveRaw(): Promise<string | undefined> {
  const raw = await rawData();
  if (!raw.ok) return raw.problem.message;
  saveFile({
    name: "tamis-raw.json",
    blob: new Blob([JSON.stringify(raw.value, null, 1)], { type: "application/json" }),
  });
  return undefined;
}

function RawData() {
  const [problem, setProblem] = useState<string>();
  return (
    <section className="stack">
      <h2>If something cannot be read</h2>
      <p className="quiet flush">
        The raw data is everything as it is stored, unchecked. Keep it before trying anything else.
      </p>
      <Button variant="outlined" className="start" onClick={() => void saveRaw().then(setProblem)}>
        Save raw data
      </Button>
      <Problem message={problem} />
    </section>
  );
}

const PARTS = [
  { path: "", name: "Backup and import" },
  { path: "rigs", name: "Rigs" },
  { path: "units", name: "Units" },
  { path: "instruments", name: "Instruments" },
  { path: "keys", name: "Keys and hints" },
] as const;

/** Addresses of one page with all of it lead on. */
const MOVED: Readonly<Record<string, string>> = { "#demo": "/data/rigs#demo" };

function Part({ part, loaderData }: { part: string } & Pick<Route.ComponentProps, "loaderData">) {
  const { headers, unreadable, preferences, instruments, practised, backup, folder, snapshots, left } =
    loaderData;
  if (part === "rigs")
    return (
      <>
        <Rigs headers={headers} unreadable={unreadable} />
        <Demo headers={headers} />
      </>
    );
  if (part === "units") return <Units preferences={preferences} />;
  if (part === "instruments") return <Instruments names={instruments} practised={practised} />;
  if (part === "keys") return <KeysAndHints preferences={preferences} />;
  return (
    <>
      {left.length > 0 && <Elsewhere left={left} />}
      <Backup state={backup} folder={folder} rigIds={[...headers.map(({ id }) => id), ...unreadable]} />
      <Import />
      <Snapshots snapshots={snapshots} />
    </>
  );
}

export default function DataRoute({ loaderData, params }: Route.ComponentProps) {
  const { trouble, space } = loaderData;
  const { hash } = useLocation();
  const part = PARTS.find(({ path }) => path === params.part)?.path ?? "";
  const moved = part === "" ? MOVED[hash] : undefined;
  if (moved !== undefined) return <Navigate to={moved} replace />;
  return (
    <div className="page">
      <PageHead />
      <main className="stack" style={{ gap: 36 }}>
        <div className="stack">
          <h1>Data</h1>
          <nav className="tabs" aria-label="Data">
            {PARTS.map(({ path, name }) => (
              <Link
                key={path}
                to={path === "" ? "/data" : `/data/${path}`}
                aria-current={path === part ? "page" : undefined}
              >
                {name}
              </Link>
            ))}
          </nav>
          {part === "" && (
            <p className="lead quiet">
              Everything stays in this browser: no account, nothing fetched. A backup is a file of yours, and
              the way to another phone. {spaceWords(space)}
            </p>
          )}
        </div>
        {trouble === undefined ? (
          <Part part={part} loaderData={loaderData} />
        ) : (
          <div className="stack">
            <Caution grave>{trouble}</Caution>
            <TryAgain variant="contained" />
          </div>
        )}
        {part === "" && <RawData />}
      </main>
    </div>
  );
}
