import css from "./data.module.css";
import Button from "@mui/material/Button";
import { useState } from "react";
import { useFetcher } from "react-router";
import { FileButton } from "#app/ui/FileButton.tsx";
import type { Coming } from "#app/store/book-file/keep.ts";
import { comingNotes, rigComingWords } from "./coming-words.ts";
import { type Answer, Said } from "./Said.tsx";

function formOf(intent: string, file: File): FormData {
  const form = new FormData();
  form.set("intent", intent);
  form.set("file", file);
  form.set("name", file.name.slice(0, 200));
  return form;
}
const SENT = { method: "post", encType: "multipart/form-data" } as const;

/** What is in the file and not in the book, before anything is kept. */
function Preview({ file, coming, onDone }: { file: File; coming: Coming; onDone: () => void }) {
  const fetcher = useFetcher<Answer>();
  const busy = fetcher.state !== "idle";
  const over = fetcher.data?.said !== undefined;
  const entries = coming.rigs.reduce((sum, { fresh }) => sum + fresh, 0);
  return (
    <div className="stack" role="group" aria-label={`What is in ${file.name}`}>
      {!over && (
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
      )}
      {over || entries > 0 ? (
        <Said answer={fetcher.data} />
      ) : (
        <p className="flush" role="status">
          Everything in this file is already here.
        </p>
      )}
      <div className="row">
        {!over && entries > 0 && (
          <Button
            variant="contained"
            disabled={busy}
            onClick={() => void fetcher.submit(formOf("import", file), SENT)}
          >
            {busy ? "Bringing it in…" : "Import"}
          </Button>
        )}
        <Button onClick={onDone} disabled={busy}>
          {over || entries === 0 ? "Done" : "Leave it"}
        </Button>
      </div>
    </div>
  );
}

export function Import() {
  const fetcher = useFetcher<Answer>();
  const [file, setFile] = useState<File>();
  const busy = fetcher.state !== "idle";
  const choose = (chosen: File | undefined) => {
    setFile(chosen);
    if (chosen) void fetcher.submit(formOf("lookAt", chosen), SENT);
  };
  return (
    <section className="stack">
      <h2>Import</h2>
      <p className="quiet flush">
        A zip or a log that Tamis exported, here or elsewhere. You see what is in it first. New entries are
        added to what is here; nothing is overwritten, and a file with anything wrong in it changes nothing.
      </p>
      <div className="row">
        <FileButton
          words={busy ? "Reading…" : (file?.name ?? "Choose a file")}
          accept=".zip,.json,application/zip,application/json"
          label="File to import"
          disabled={busy}
          onFiles={([chosen]) => choose(chosen)}
        />
      </div>
      {file && !busy && fetcher.data?.coming ? (
        <Preview
          key={`${file.name} ${file.lastModified}`}
          file={file}
          coming={fetcher.data.coming}
          onDone={() => choose(undefined)}
        />
      ) : (
        file && !busy && <Said answer={fetcher.data} />
      )}
    </section>
  );
}
