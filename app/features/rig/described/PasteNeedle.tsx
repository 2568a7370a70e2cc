/** A needle's table pasted from a sheet or a spreadsheet instead of typed point by point. */
import Button from "@mui/material/Button";
import { useState } from "react";
import Papa from "papaparse";
import { readNeedleTable, type NeedlePoint } from "#core/rig/needle-table.ts";
import { TypedField } from "#app/ui/TypedField.tsx";

/** Forty points and a heading are far less. */
const MOST_SIGNS = 4000;

interface PasteNeedleProps {
  readonly onNeedle: (profile: readonly NeedlePoint[]) => void;
}

export function PasteNeedle({ onNeedle }: PasteNeedleProps) {
  const [text, setText] = useState("");
  const [problem, setProblem] = useState<string>();
  const [said, setSaid] = useState("");
  const take = () => {
    // Two columns in single spaces are no table to the package.
    const table = text
      .trim()
      .replace(/[ \t]*\t[ \t]*| {2,}/g, "\t")
      .replace(/^(\S+) (\S+)$/gm, "$1\t$2");
    const { data } = Papa.parse<string[]>(table, { delimitersToGuess: ["\t", ";", "|", ","] });
    const read = readNeedleTable(data);
    setProblem(read.ok ? undefined : `Row ${read.line}: ${read.problem}. Nothing was changed.`);
    setSaid("");
    if (!read.ok) return;
    onNeedle(read.profile);
    setText("");
    setSaid(
      `${read.profile.length} points are in the fields${read.readAs === "in" ? ", read as inches" : ""}. Save the rig to keep them.`,
    );
  };
  return (
    <details className="protocol">
      <summary>Paste a table</summary>
      <div className="stack tight">
        <TypedField
          label="Along the needle, and its thickness: a row a point"
          multiline
          minRows={4}
          maxRows={10}
          value={text}
          onChange={({ target }) => setText(target.value)}
          problem={problem}
          hint="Two columns, from the lowest groove to the tip, in mm or inches."
          most={MOST_SIGNS}
        />
        <Button variant="outlined" className="start" disabled={text.trim() === ""} onClick={take}>
          Take these points
        </Button>
        <p className="flush" role="status">
          {said}
        </p>
      </div>
    </details>
  );
}
