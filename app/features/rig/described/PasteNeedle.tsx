/** A needle's table pasted from a sheet or a spreadsheet instead of typed point by point. */
import { useState } from "react";
import type { NeedlePoint } from "#core/rig/needle-table.ts";
import { PasteBox } from "#app/ui/PasteBox.tsx";
import { MOST_NEEDLE_SIGNS, readNeedleText } from "../needle-text.ts";

interface PasteNeedleProps {
  readonly onNeedle: (profile: readonly NeedlePoint[]) => void;
}

export function PasteNeedle({ onNeedle }: PasteNeedleProps) {
  const [problem, setProblem] = useState<string>();
  const [said, setSaid] = useState("");
  const take = (text: string): boolean => {
    const read = readNeedleText(text);
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
      most={MOST_NEEDLE_SIGNS}
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
