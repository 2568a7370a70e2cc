/** A needle's table pasted from a sheet or a spreadsheet instead of typed point by point. */
import { useState } from "react";
import Papa from "papaparse";
import { readNeedleTable, type NeedlePoint } from "#core/rig/needle-table.ts";
import { PasteBox } from "#app/ui/PasteBox.tsx";

/** Forty points and a heading are far less. */
const MOST_SIGNS = 4000;

/** Two columns apart by blanks are no table to the package. */
const withTabs = (text: string): string =>
  text
    .trim()
    .replace(/[ \t]*\t[ \t]*| {2,}/g, "\t")
    .replace(/^(\S+) (\S+)$/gm, "$1\t$2");

interface PasteNeedleProps {
  readonly onNeedle: (profile: readonly NeedlePoint[]) => void;
}

export function PasteNeedle({ onNeedle }: PasteNeedleProps) {
  const [problem, setProblem] = useState<string>();
  const [said, setSaid] = useState("");
  const take = (text: string): boolean => {
    const { data } = Papa.parse<string[]>(withTabs(text), { delimitersToGuess: ["\t", ";", "|", ","] });
    const read = readNeedleTable(data);
    setProblem(read.ok ? undefined : `Row ${read.line}: ${read.problem}. Nothing was changed.`);
    setSaid("");
    if (!read.ok) return false;
    onNeedle(read.profile);
    const inches = read.readAs === "in" ? ", read as inches" : "";
    setSaid(`${read.profile.length} points are in the fields${inches}. Save the rig to keep them.`);
    return true;
  };
  return (
    <PasteBox
      summary="Paste a table"
      label="Along the needle, and its thickness: a row a point"
      hint="Two columns, from the lowest groove to the tip, in mm or inches."
      most={MOST_SIGNS}
      take="Take these points"
      problem={problem}
      onTake={take}
    >
      <p className="flush" role="status">
        {said}
      </p>
    </PasteBox>
  );
}
