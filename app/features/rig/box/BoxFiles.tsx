import Button from "@mui/material/Button";
import { useState } from "react";
import { Box } from "#core/log/schema.ts";
import { type BoxRead } from "#core/rig/box-table.ts";
import { boxCsv, readBoxFile, readBoxText, type BoxFileRead } from "./csv.ts";
import { FileButton } from "#app/ui/FileButton.tsx";
import { GoodOnes } from "../GoodOnes.tsx";
import { Problem } from "#app/ui/Problem.tsx";
import { PasteBox } from "#app/ui/PasteBox.tsx";
import { useRig } from "#app/frame/use-rig.ts";
import { saveFile } from "#app/journal/export.ts";

interface BoxFilesProps {
  readonly onBox: (box: Box) => void;
  /** the box entry last saved here: what was taken before it is kept */
  readonly saved: string;
}

export function BoxFiles({ onBox, saved }: BoxFilesProps) {
  const { build, header } = useRig();
  const [trouble, setTrouble] = useState<string>();
  const [halfGood, setHalfGood] = useState<BoxRead>();
  const [taken, setTaken] = useState<{ readonly rows: number; readonly before: string }>();
  const take = (read: BoxRead) => {
    onBox(read.box);
    setHalfGood(undefined);
    setTaken({ rows: read.good, before: saved });
  };
  const read = async (asked: BoxFileRead | Promise<BoxFileRead>) => {
    setTrouble(undefined);
    setHalfGood(undefined);
    setTaken(undefined);
    const answer = await asked;
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
          onFiles={([file]) => file && void read(readBoxFile(file))}
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
      <PasteBox
        summary="Paste a list"
        label="Part and size: a row a jet"
        hint="main 152, pilot 45, shim 0.5; or with a heading, as in an exported CSV."
        most={20_000}
        take="Take these jets"
        onTake={(text) => {
          const asked = readBoxText(text);
          void read(asked);
          return asked.ok && asked.read.bad.length === 0;
        }}
      />
      <Problem message={trouble} />
      {taken?.before === saved && (
        <p className="flush" role="status">
          {taken.rows} rows are in the fields below. Save the box to keep them.
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
