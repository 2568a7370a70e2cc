import css from "./data.module.css";
import Button from "@mui/material/Button";
import { FileButton } from "#app/ui/FileButton.tsx";
import { Progress } from "#app/ui/Progress.tsx";
import type { Coming } from "#app/store/book-file/keep.ts";
import { comingNotes, rigComingWords } from "./coming-words.ts";
import { Said } from "./Said.tsx";
import { useImport } from "./use-import.ts";

/** What is in the file and not in the book, before anything is kept. */
const Preview = ({ coming }: { coming: Coming }) => (
  <>
    <ul className={css["coming"]}>
      {coming.rigs.map((rig) => (
        <li key={rig.id}>
          <strong>
            {rig.plate} · {rig.name}
          </strong>{" "}
          {rig.isNew && <span className={css["new"]}>new rig</span>} <span>{rigComingWords(rig)}</span>
        </li>
      ))}
    </ul>
    {comingNotes(coming).map((note) => (
      <p className="quiet flush" key={note}>
        {note}
      </p>
    ))}
  </>
);

export function Import() {
  const { file, share, coming, problem, said, open, bringIn, stop, letGo } = useImport();
  const busy = share !== undefined;
  const fresh = coming?.rigs.some((rig) => rig.fresh > 0) === true;
  const toBring = fresh && said === undefined;
  return (
    <section className="stack">
      <h2>Import</h2>
      <p className="quiet flush">
        A zip or a log that Tamis exported, here or elsewhere. You see what is in it first. New entries are
        added; nothing is overwritten. A file with anything wrong in it changes nothing.
      </p>
      <div className="row">
        <FileButton
          words={file?.name ?? "Choose a file"}
          accept=".zip,.json,application/zip,application/json"
          label="File to import"
          disabled={busy}
          onFiles={([chosen]) => chosen && open(chosen)}
        />
      </div>
      {busy && <Progress label={coming ? "Imported so far" : "Read so far"} share={share} onStop={stop} />}
      <Said answer={problem === undefined ? { said } : { message: problem }} />
      {file && coming && (
        <div className="stack" role="group" aria-label={`What is in ${file.name}`}>
          {toBring && <Preview coming={coming} />}
          {!fresh && (
            <p className="flush" role="status">
              Everything in this file is already here.
            </p>
          )}
          <div className="row">
            {toBring && (
              <Button variant="contained" disabled={busy} onClick={bringIn}>
                {busy ? "Bringing it in…" : "Import"}
              </Button>
            )}
            <Button onClick={letGo} disabled={busy}>
              {toBring ? "Leave it" : "Done"}
            </Button>
          </div>
        </div>
      )}
    </section>
  );
}
