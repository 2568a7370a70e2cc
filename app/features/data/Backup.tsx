import Button from "@mui/material/Button";
import { useState } from "react";
import { useRevalidator } from "react-router";
import { backUpNow, canKeepFolder, chooseFolder, type FolderSeen } from "#app/journal/backup.ts";
import { exportRigs, saveFile } from "#app/journal/export.ts";
import type { BackupState } from "#app/store/backups.ts";
import { forgetFolder } from "#app/store/backup-folder.ts";
import { Caution } from "#app/ui/Caution.tsx";
import { useNow } from "#app/ui/use-now.ts";
import { wordsOf } from "#app/workers/on-demand.ts";
import { backupWords, folderWords } from "#app/vocabulary/backup.ts";
import { exportTrouble } from "./export-words.ts";

interface BackupProps {
  readonly state: BackupState;
  readonly folder: FolderSeen | undefined;
  /** every rig of the book, readable or not */
  readonly rigIds: readonly string[];
}

/** One thing at a time, with what came of it. */
function useDeed(): {
  busy: boolean;
  trouble: string | undefined;
  run: (deed: () => Promise<unknown>) => void;
} {
  const { revalidate } = useRevalidator();
  const [busy, setBusy] = useState(false);
  const [trouble, setTrouble] = useState<string>();
  const run = (deed: () => Promise<unknown>) => {
    setBusy(true);
    setTrouble(undefined);
    deed()
      .then(
        (said) => setTrouble(typeof said === "string" ? said : undefined),
        (error: unknown) => setTrouble(wordsOf(error)),
      )
      .finally(() => {
        setBusy(false);
        void revalidate();
      });
  };
  return { busy, trouble, run };
}

function KeptFolder({
  folder,
  run,
  busy,
}: {
  folder: FolderSeen;
  run: (deed: () => Promise<unknown>) => void;
  busy: boolean;
}) {
  const now = useNow();
  return (
    <>
      <p className="flush">
        The folder <strong>{folder.name}</strong> is kept up to date. {folderWords(folder.at, new Date(now))}{" "}
        A second device with the same folder gets your entries, and this device gets its entries.
      </p>
      {!folder.allowed && (
        <Caution>The browser wants to be asked again before Tamis may write there.</Caution>
      )}
      {folder.trouble !== undefined && <Caution grave>{folder.trouble}</Caution>}
      <div className="row">
        <Button variant="contained" disabled={busy} onClick={() => run(backUpNow)}>
          {busy ? "Working…" : "Back up now"}
        </Button>
        <Button variant="outlined" disabled={busy} onClick={() => run(forgetFolder)}>
          Keep it no more
        </Button>
      </div>
    </>
  );
}

export function Backup({ state, folder, rigIds }: BackupProps) {
  const now = useNow();
  const { busy, trouble, run } = useDeed();
  const exportAll = async () => {
    const exported = await exportRigs(rigIds);
    saveFile(exported);
    return exportTrouble(exported);
  };
  return (
    <section className="stack" id="backup">
      <h2>Backup</h2>
      <p className="flush" role="status">
        {backupWords(state, new Date(now))}
      </p>
      {folder && <KeptFolder folder={folder} run={run} busy={busy} />}
      {!folder && canKeepFolder() && (
        <p className="quiet flush">
          Choose a folder, and Tamis keeps a backup there by itself. If the folder is in a cloud, phone and
          laptop share the same log.
        </p>
      )}
      {!canKeepFolder() && (
        <p className="quiet flush">
          This browser lets no page write files by itself. Export all rigs after each day. Keep the file
          somewhere other than on this phone.
        </p>
      )}
      <div className="row">
        {!folder && canKeepFolder() && (
          <Button variant="outlined" disabled={busy} onClick={() => run(chooseFolder)}>
            Choose a folder
          </Button>
        )}
        {rigIds.length > 0 && (
          <Button variant="outlined" disabled={busy} onClick={() => run(exportAll)}>
            {busy ? "Working…" : "Export all rigs"}
          </Button>
        )}
      </div>
      {trouble !== undefined && <Caution grave>{trouble}</Caution>}
    </section>
  );
}
