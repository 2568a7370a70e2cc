import Button from "@mui/material/Button";
import { useState } from "react";
import { fuelFromLog } from "#core/rig/from-build.ts";
import { useRig } from "#app/frame/use-rig.ts";
import { localInstant } from "#app/journal/clock.ts";
import { saveFile } from "#app/journal/export.ts";
import { fileNameOf } from "#app/store/book-file/names.ts";
import { SHEETS, sheetCsv, sheetOf, type SheetName } from "./sheets.ts";

const WORDS: Readonly<Record<SheetName, string>> = { looks: "Looks", runs: "Runs", airs: "Air" };

/** The log for a spreadsheet: a file for each kind, one row a thing. */
export function Sheets() {
  const { header, present, preferences, build } = useRig();
  const { stoichiometric } = fuelFromLog(build.fuel);
  const save = async (name: SheetName) => {
    const text = await sheetCsv(sheetOf(name, present, preferences, stoichiometric));
    saveFile({
      name: `tamis-${fileNameOf(header.name)}-${name}-${localInstant().slice(0, 10)}.csv`,
      blob: new Blob([text], { type: "text/csv" }),
    });
  };
  // Wanted once a season: the log itself gets the room.
  const [open, setOpen] = useState(false);
  if (!open)
    return (
      <Button variant="outlined" className="no-print" aria-expanded="false" onClick={() => setOpen(true)}>
        For a spreadsheet…
      </Button>
    );
  return (
    <div className="row no-print" role="group" aria-label="For a spreadsheet">
      {SHEETS.map((name) => (
        <Button key={name} variant="outlined" onClick={() => void save(name)}>
          {WORDS[name]} as CSV
        </Button>
      ))}
    </div>
  );
}
