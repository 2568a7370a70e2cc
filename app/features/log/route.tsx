import Button from "@mui/material/Button";
import { useVirtualizer } from "@tanstack/react-virtual";
import { useEffect, useRef, useState } from "react";
import { useFetcher } from "react-router";
import { dayOf } from "#core/log/schema.ts";
import type { LogLine } from "#core/log/fold.ts";
import { TypedField } from "#app/ui/TypedField.tsx";
import { Problem } from "#app/ui/Problem.tsx";
import { printOnly } from "#app/ui/print.ts";
import { fuelFromLog } from "#core/rig/from-build.ts";
import { usePrinting } from "#app/ui/use-printing.ts";
import { useRig } from "#app/frame/use-rig.ts";
import { LogLineItem } from "#app/frame/LogLines.tsx";
import type { ActionProblem } from "#app/journal/save.ts";
import { dayTitle } from "#app/vocabulary/days.ts";
import { lineWords } from "#app/vocabulary/entries.ts";
import type { Preferences } from "#app/vocabulary/preferences.ts";

type Item = { key: string; day: string } | { key: string; line: LogLine };

/** Newest first, a heading per day. */
function items(lines: readonly LogLine[]): Item[] {
  const found: Item[] = [];
  let day = "";
  for (const line of [...lines].reverse()) {
    const its = dayOf(line.entry.at);
    if (its !== day) found.push({ key: its, day: line.entry.at });
    day = its;
    found.push({ key: line.entry.id, line });
  }
  return found;
}

function matching(
  lines: readonly LogLine[],
  search: string,
  units: Preferences,
  stoichiometric: number,
): readonly LogLine[] {
  const words = search.toLowerCase().split(/\s+/).filter(Boolean);
  if (words.length === 0) return lines;
  return lines.filter((line) => {
    const { kind, what, result } = lineWords(line, units, stoichiometric);
    const text = `${kind} ${what} ${result} ${line.entry.at}`.toLowerCase();
    return words.every((word) => text.includes(word));
  });
}

function NoteForm() {
  const { header } = useRig();
  const fetcher = useFetcher<ActionProblem>();
  const form = useRef<HTMLFormElement>(null);
  const saved = fetcher.state === "idle" && fetcher.data !== undefined && fetcher.data.message === undefined;
  useEffect(() => {
    if (saved) form.current?.reset();
  }, [saved, fetcher.data]);
  return (
    <fetcher.Form method="post" action={`/rigs/${header.id}`} className="stack no-print" ref={form}>
      <input type="hidden" name="intent" value="note" />
      <div className="row" style={{ flexWrap: "nowrap" }}>
        <TypedField name="text" label="Note" fullWidth most={2000} problem={fetcher.data?.fields?.["text"]} />
        <Button type="submit" variant="outlined" disabled={fetcher.state !== "idle"}>
          Add note
        </Button>
      </div>
      <Problem message={fetcher.data?.message} />
    </fetcher.Form>
  );
}

function DayHeading({ day }: { day: string }) {
  return (
    <h2 className="label" style={{ padding: "18px 0 6px" }}>
      {dayTitle(day)}
    </h2>
  );
}

/** On paper there is no view to scroll: every entry, under the rig's name. */
function PrintedLog({ shown }: { shown: readonly Item[] }) {
  const context = useRig();
  return (
    <div>
      <strong>
        {context.header.plate} · {context.header.name}
      </strong>
      {shown.map((item) =>
        "day" in item ? (
          <DayHeading key={item.key} day={item.day} />
        ) : (
          <LogLineItem key={item.key} line={item.line} context={context} />
        ),
      )}
    </div>
  );
}

export default function LogRoute() {
  const context = useRig();
  const { present, preferences, build } = context;
  const [search, setSearch] = useState("");
  const shown = items(matching(present.lines, search, preferences, fuelFromLog(build.fuel).stoichiometric));
  const list = useRef<HTMLDivElement>(null);
  const printing = usePrinting();
  // The list scrolls inside the work area; only what is near the view is in the page.
  // eslint-disable-next-line react-hooks/incompatible-library
  const rows = useVirtualizer({
    count: shown.length,
    getScrollElement: () => list.current?.closest("main") ?? null,
    estimateSize: () => 48,
    overscan: 6,
    getItemKey: (i) => shown[i]?.key ?? i,
    initialRect: { width: 700, height: 900 },
  });
  return (
    <div className="stack">
      <div className="row apart">
        <h1>The log</h1>
        <Button variant="outlined" onClick={() => printOnly("log")}>
          Print
        </Button>
      </div>
      <p className="quiet flush">
        Nothing is edited: a wrong entry is struck through by a later one, and can be brought back.
      </p>
      <NoteForm />
      <TypedField
        className="no-print"
        type="search"
        label="Search"
        placeholder="main, biscuit, 2026-05 …"
        value={search}
        onChange={(event) => setSearch(event.target.value)}
      />
      {shown.length === 0 && <p className="quiet">Nothing in the log matches “{search}”.</p>}
      {printing ? (
        <PrintedLog shown={shown} />
      ) : (
        <div
          ref={list}
          style={{ height: rows.getTotalSize(), position: "relative" }}
          role="list"
          aria-label="Entries"
        >
          {rows.getVirtualItems().map((row) => {
            const item = shown[row.index];
            if (!item) return null;
            return (
              <div
                key={row.key}
                ref={rows.measureElement}
                data-index={row.index}
                role="listitem"
                style={{
                  position: "absolute",
                  insetInline: 0,
                  top: 0,
                  transform: `translateY(${row.start}px)`,
                }}
              >
                {"day" in item ? (
                  <DayHeading day={item.day} />
                ) : (
                  <LogLineItem line={item.line} context={context} />
                )}
              </div>
            );
          })}
        </div>
      )}
    </div>
  );
}
