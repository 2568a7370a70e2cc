import css from "./data.module.css";
import Button from "@mui/material/Button";
import { useState } from "react";
import { type Header } from "#core/log/schema.ts";
import { Caution } from "#app/ui/Caution.tsx";
import { RigFace } from "#app/frame/RigFace.tsx";
import { exportRigs, saveFile } from "#app/journal/export.ts";
import { wordsOf } from "#app/workers/on-demand.ts";
import { exportTrouble } from "./export-words.ts";
import { ConfirmGone } from "./ConfirmGone.tsx";

export function Remove({ header, onDone }: { header: Pick<Header, "id" | "name">; onDone: () => void }) {
  return (
    <ConfirmGone
      title={`Delete ${header.name} and its whole log?`}
      words="This cannot be undone. Export it first if you may need it again."
      deed="Delete it"
      task={{ intent: "remove", rigId: header.id }}
      onDone={onDone}
    />
  );
}

export function Rigs({ headers, unreadable }: { headers: readonly Header[]; unreadable: readonly string[] }) {
  const [removing, setRemoving] = useState<Pick<Header, "id" | "name">>();
  const [trouble, setTrouble] = useState<string>();
  const save = (ids: readonly string[]) => {
    setTrouble(undefined);
    exportRigs(ids).then(
      (exported) => {
        saveFile(exported);
        setTrouble(exportTrouble(exported));
      },
      (error: unknown) => setTrouble(`Not exported: ${wordsOf(error)}`),
    );
  };
  return (
    <section className="stack">
      <h2>Rig by rig</h2>
      {headers.length === 0 && unreadable.length === 0 && (
        <p className="quiet">There is no rig in this browser yet.</p>
      )}
      {trouble !== undefined && <Caution grave>{trouble}</Caution>}
      <div className="lines">
        {headers.map((header) => (
          <div key={header.id} role="group" aria-label={header.name} className={`row ${css["rig"]}`}>
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
        {unreadable.map((id) => (
          <div key={id} role="group" aria-label={id} className="row apart">
            <Caution grave>
              The rig {id} cannot be read. First save the raw data under Backup and import. Then delete it
              here and import a good export. An export of all rigs carries it as it is stored.
            </Caution>
            <Button variant="outlined" color="error" onClick={() => setRemoving({ id, name: id })}>
              Delete
            </Button>
          </div>
        ))}
      </div>
      {removing && <Remove header={removing} onDone={() => setRemoving(undefined)} />}
    </section>
  );
}
