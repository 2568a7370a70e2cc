import Button from "@mui/material/Button";
import { useState } from "react";
import type { Route } from "./+types/route";
import type { BaseSheet } from "#core/log/schema.ts";
import { checkSettingOn } from "#core/rig/check-setting.ts";
import { useRig } from "#app/frame/use-rig.ts";
import { keepSheets, sheetFor } from "#app/frame/limits.ts";
import { rigAction } from "#app/journal/rig-action.ts";
import { modelRefusal } from "#app/journal/save.ts";
import { listSheets } from "#app/store/base-sheets.ts";
import { printOnly } from "#app/ui/print.ts";
import { Problem } from "#app/ui/Problem.tsx";
import { usePrinting } from "#app/ui/use-printing.ts";
import { BackToBase } from "./BackToBase.tsx";
import { BaseForm } from "./form.ts";
import { PaperSheet } from "./PaperSheet.tsx";
import { SheetEditor } from "./SheetEditor.tsx";
import { SheetFiles } from "./SheetFiles.tsx";

export async function clientLoader() {
  const sheets = await listSheets();
  return sheets.ok
    ? { sheets: sheets.value, trouble: undefined }
    : { sheets: [], trouble: sheets.problem.message };
}

export const clientAction = rigAction({
  codec: BaseForm,
  form: "base",
  entries: (sheet, { rig: { build } }) => {
    const refusal = modelRefusal(() => checkSettingOn(build, sheet.setting));
    if (refusal) return refusal;
    return [{ kind: "base", sheet }];
  },
  on: "base",
  // The rig's own log has it; the collection is there to find it again on another rig.
  after: keepSheets,
});

export default function BaseRoute({ loaderData }: Route.ComponentProps) {
  const { build, present } = useRig();
  const [found, setFound] = useState<BaseSheet>();
  const sheet = found ?? sheetFor(build, present.sheet);
  const printing = usePrinting();
  return (
    <>
      {printing && <PaperSheet sheet={sheet} />}
      {/* It stays where it is while paper is printed: what was typed is kept. */}
      <div className="stack no-print" style={{ gap: 28 }}>
        <div>
          <div className="row apart">
            <h1>Base sheet</h1>
            <Button variant="outlined" onClick={() => printOnly("log")}>
              Print
            </Button>
          </div>
          <p className="lead quiet">
            What the maker’s book says of this carburettor, typed once and found again by the number stamped
            on it.
          </p>
        </div>
        <Problem message={loaderData.trouble} />
        <BackToBase />
        <SheetEditor
          key={`${sheet.stamp} ${found ? "found" : "own"}`}
          sheet={sheet}
          known={loaderData.sheets}
          onFound={setFound}
        />
        <SheetFiles sheets={loaderData.sheets} />
      </div>
    </>
  );
}
