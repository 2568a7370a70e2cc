import Button from "@mui/material/Button";
import { PARTS } from "#core/log/parts.ts";
import { useState } from "react";
import { data } from "react-router";
import type { Route } from "./+types/route";
import { BaseSheet } from "#core/log/schema.ts";
import { applyFit } from "#core/log/settings.ts";
import { buildOfCarburettor } from "#core/rig/carburettors.ts";
import { checkSettingOn } from "#core/rig/check-setting.ts";
import { BaseSent, readBase } from "./form.ts";
import { sheetFor, UNSTAMPED } from "#app/journal/limits.ts";
import { printOnly } from "#app/ui/print.ts";
import { usePrinting } from "#app/ui/use-printing.ts";
import { Problem } from "#app/ui/Problem.tsx";
import { changesTowards } from "#app/journal/fit-changes.ts";
import { useRig } from "#app/frame/use-rig.ts";
import { unlessOvertaken } from "#app/journal/seen.ts";
import { RigTabs } from "../RigTabs.tsx";
import { openRig, type OpenRig } from "#app/journal/open-rig.ts";
import { modelRefusal, refused, saveEntry, logEntries, readSent } from "#app/journal/save.ts";
import { listSheets, saveSheets } from "#app/store/base-sheets.ts";
import { Sent, baseOf } from "./sent.ts";
import { BackToBase } from "./BackToBase.tsx";
import { PaperSheet } from "./PaperSheet.tsx";
import { SheetFiles } from "./SheetFiles.tsx";
import { SheetEditor } from "./SheetEditor.tsx";

export async function clientLoader() {
  const sheets = await listSheets();
  return sheets.ok
    ? { sheets: sheets.value, trouble: undefined }
    : { sheets: [], trouble: sheets.problem.message };
}

/** The model names the part it refuses first. */
function atPart(refusal: string): Record<string, string> {
  const part = PARTS.find((name) => refusal.includes(`: ${name} `));
  return part === undefined ? {} : { [part]: refusal };
}

async function saveSheet(rigId: string, { seen, ...sent }: BaseSent & { seen?: string | undefined }) {
  const read = readBase(sent);
  if (!read.ok) return refused({ fields: read.fields });
  const { build } = await openRig(rigId);
  const refusal = modelRefusal(() => checkSettingOn(build, read.sheet.setting));
  if (refusal !== undefined) return refused({ message: refusal, fields: atPart(refusal) });
  const logged = await logEntries(
    rigId,
    [{ kind: "base", sheet: read.sheet }],
    unlessOvertaken("base", seen),
  );
  if (!logged.ok) return refused(logged.problem, logged.status);
  const [now] = logged.ids;
  if (read.sheet.stamp === UNSTAMPED) return data({ said: "Saved for this rig.", seen: now });
  const kept = await saveSheets([read.sheet]);
  return kept.ok
    ? data({ said: `Saved, and found again by ${read.sheet.stamp}.`, seen: now })
    : refused({ message: `Saved in this rig’s log. ${kept.problem.message}` }, 507);
}

async function putToBase(rigId: string, { build, present }: OpenRig) {
  const wanted = baseOf(build, present.sheet);
  const changes = changesTowards(present.settings, wanted);
  if (changes.length === 0) return refused({ message: "Everything is at its base already." });
  const fit = { changes, because: "base" as const };
  const refusal = modelRefusal(() => {
    for (const [i, setting] of present.settings.entries())
      checkSettingOn(buildOfCarburettor(build, i), applyFit(setting, fit, i + 1));
  });
  if (refusal !== undefined) return refused({ message: refusal });
  const problem = await saveEntry(rigId, "fit", fit);
  return problem ? refused(problem, 507) : data({ said: "Everything is back at its base, as one entry." });
}

export async function clientAction({ params, request }: Route.ClientActionArgs) {
  const read = readSent(Sent, await request.json());
  if (!read.ok) return read.answer;
  const sent = read.sent;
  if (sent.intent === "sheet") return saveSheet(params.rigId, sent);
  if (sent.intent === "putToBase") return putToBase(params.rigId, await openRig(params.rigId));
  const kept = await saveSheets(sent.sheets);
  return kept.ok
    ? data({ said: `${sent.sheets.length} base sheets imported.` })
    : refused({ message: kept.problem.message }, 507);
}

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
        <RigTabs />
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
