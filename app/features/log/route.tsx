import css from "./log.module.css";
import Button from "@mui/material/Button";
import { useVirtualizer } from "@tanstack/react-virtual";
import { useCallback, useMemo, useRef, useState } from "react";
import { data } from "react-router";
import * as z from "zod/mini";
import type { Route } from "./+types/route";
import { EntryId, RigId } from "#core/log/schema.ts";
import { TypedField } from "#app/ui/TypedField.tsx";
import { printOnly } from "#app/ui/print.ts";
import { fuelFromLog } from "#core/rig/from-build.ts";
import { usePrinting } from "#app/ui/use-printing.ts";
import { useRig } from "#app/frame/use-rig.ts";
import { LogLineItem } from "#app/frame/LogLines.tsx";
import { FilterBar } from "#app/frame/log-search/FilterBar.tsx";
import { filtered, NO_FILTERS } from "#app/frame/log-search/filters.ts";
import { useSearch } from "#app/frame/log-search/use-search.ts";
import { moveEntries } from "#app/journal/move-entries.ts";
import { readSent, refused } from "#app/journal/save.ts";
import { listRigs } from "#app/store/book.ts";
import { dayTitle } from "#app/vocabulary/days.ts";
import { daySummaries } from "./day-summary.ts";
import { items, type Item } from "./items.ts";
import { NoteForm } from "./NoteForm.tsx";
import { Sheets } from "./Sheets.tsx";
import { WrongRig } from "./WrongRig.tsx";

const Moved = z.object({
  to: RigId,
  ids: z.array(EntryId).check(z.minLength(1, "Tick what goes there."), z.maxLength(40)),
});

export async function clientLoader() {
  const shelf = await listRigs();
  return { rigs: shelf.ok ? shelf.value.headers : [] };
}

/** Other rigs come and go on other pages: a save asks for them no more. */
export const shouldRevalidate = () => false;

export async function clientAction({ params, request }: Route.ClientActionArgs) {
  const read = readSent(Moved, await request.json());
  if (!read.ok) return read.answer;
  const moved = await moveEntries(params.rigId, read.sent.to, read.sent.ids);
  if (!moved.ok) return refused({ message: moved.message }, 409);
  const what = moved.moved === 1 ? "One entry" : `${moved.moved} entries`;
  return data({ said: `${what} moved to ${moved.to}.` }, { status: 200 });
}

function DayHeading({ day, summary }: { day: string; summary: string | undefined }) {
  return (
    <div className={css["day"]}>
      <h2 className="label">{dayTitle(day)}</h2>
      {summary !== undefined && <p className="quiet flush">{summary}</p>}
    </div>
  );
}

/** On paper there is no view to scroll: every entry, under the rig's name. */
function PrintedLog({
  shown,
  summaries,
}: {
  shown: readonly Item[];
  summaries: ReadonlyMap<string, string>;
}) {
  const context = useRig();
  return (
    <div>
      <strong>
        {context.header.plate} · {context.header.name}
      </strong>
      {shown.map((item) =>
        "day" in item ? (
          <DayHeading key={item.key} day={item.day} summary={summaries.get(item.key)} />
        ) : (
          <LogLineItem key={item.key} line={item.line} context={context} />
        ),
      )}
    </div>
  );
}

export default function LogRoute({ loaderData }: Route.ComponentProps) {
  const context = useRig();
  const [wrong, setWrong] = useState(false);
  const leaveWrong = useCallback(() => setWrong(false), []);
  // A practice rig keeps to itself: nothing is moved out of it, and nothing exported.
  const others = context.game ? [] : loaderData.rigs.filter(({ id }) => id !== context.header.id);
  const { present, preferences, build } = context;
  const [filters, setFilters] = useState(NO_FILTERS);
  const wanted = useMemo(() => filtered(present.lines, filters), [present, filters]);
  const { search, setSearch, found } = useSearch(wanted, preferences, fuelFromLog(build.fuel).stoichiometric);
  const shown = useMemo(() => items(found), [found]);
  const summaries = useMemo(() => daySummaries(present), [present]);
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
        <div className="row no-print">
          {others.length > 0 && (
            <Button variant="outlined" onClick={() => setWrong(true)}>
              That was the wrong rig
            </Button>
          )}
          <Button variant="outlined" onClick={() => printOnly("log")}>
            Print
          </Button>
        </div>
      </div>
      <p className="quiet flush">Entries are never deleted. Cross out a wrong one; you can bring it back.</p>
      <NoteForm />
      <TypedField
        className="no-print"
        type="search"
        label="Search"
        placeholder="main, biscuit, 2026-05 …"
        value={search}
        onChange={(event) => setSearch(event.target.value)}
      />
      <div className="row">
        <FilterBar lines={present.lines} filters={filters} onFilters={setFilters} />
        {!context.game && <Sheets />}
      </div>
      {wrong && <WrongRig context={context} others={others} onDone={leaveWrong} />}
      {shown.length === 0 && (
        <p className="quiet">
          {search === ""
            ? "No entry of the log fits all of that."
            : `Nothing in the log matches “${search}”.`}
        </p>
      )}
      {printing ? (
        <PrintedLog shown={shown} summaries={summaries} />
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
                  <DayHeading day={item.day} summary={summaries.get(item.key)} />
                ) : (
                  <LogLineItem line={item.line} context={context} withThen />
                )}
              </div>
            );
          })}
        </div>
      )}
    </div>
  );
}
