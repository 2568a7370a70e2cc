import Button from "@mui/material/Button";
import { useState } from "react";
import { useFetcher } from "react-router";
import { BaseSheet } from "#core/log/schema.ts";
import { readSheetFile, type SheetFile, type SheetsRead } from "#core/log/sheet-file.ts";
import { FileButton } from "#app/ui/FileButton.tsx";
import { GoodOnes } from "../GoodOnes.tsx";
import { Problem } from "#app/ui/Problem.tsx";
import type { ActionProblem } from "#app/journal/save.ts";
import { saveFile } from "#app/journal/export.ts";

export function SheetFiles({ sheets }: { sheets: readonly BaseSheet[] }) {
  const fetcher = useFetcher<ActionProblem & { said?: string }>();
  const [read, setRead] = useState<SheetsRead>();
  const take = (list: readonly BaseSheet[]) => {
    setRead(undefined);
    void fetcher.submit(JSON.stringify(list), {
      method: "post",
      encType: "application/json",
      action: "/base-sheets",
    });
  };
  const open = async (file: File) => {
    const found =
      file.size > 4 * 1024 * 1024
        ? { ok: false as const, message: "This file is over 4 MB: no file of base sheets." }
        : readSheetFile(await file.text());
    if (found.ok && found.bad.length === 0 && found.sheets.length > 0) take(found.sheets);
    else setRead(found);
  };
  const save = () => {
    const file: SheetFile = { format: "tamis-base-sheets", version: 1, sheets: [...sheets] };
    saveFile({
      name: "tamis-base-sheets.json",
      blob: new Blob([JSON.stringify(file, null, 1)], { type: "application/json" }),
    });
  };
  return (
    <section className="stack">
      <h2>All base sheets</h2>
      <p className="quiet flush">
        {sheets.length === 0
          ? "None kept yet. A saved sheet is found again on the next carburettor with that number."
          : `Kept on this device: ${sheets.map(({ stamp }) => stamp).join(", ")}.`}
      </p>
      <div className="row">
        <FileButton
          words="Import sheets"
          label="Base sheets to import"
          accept=".json,application/json"
          onFiles={([file]) => file && void open(file)}
        />
        <Button variant="outlined" disabled={sheets.length === 0} onClick={save}>
          Export sheets
        </Button>
      </div>
      {read && !read.ok && <Problem message={read.message} />}
      {read?.ok && read.bad.length === 0 && <Problem message="There is no base sheet in this file." />}
      {read?.ok && read.bad.length > 0 && (
        <GoodOnes
          what="sheet"
          good={read.sheets.length}
          bad={read.bad}
          onTake={() => take(read.sheets)}
          onLeave={() => setRead(undefined)}
        />
      )}
      <Problem message={fetcher.data?.message} />
      <p className="flush" role="status">
        {fetcher.data?.said}
      </p>
    </section>
  );
}
