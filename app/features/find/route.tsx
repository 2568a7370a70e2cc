import css from "./find.module.css";
import { useWindowVirtualizer } from "@tanstack/react-virtual";
import { useDeferredValue, useLayoutEffect, useMemo, useRef, useState } from "react";
import { Link, useSearchParams } from "react-router";
import clsx from "clsx";
import type { Route } from "./+types/route";
import { FilterBar } from "#app/frame/log-search/FilterBar.tsx";
import { FIND } from "#app/frame/log-search/use-search.ts";
import { placeHref } from "#app/frame/places.ts";
import { listRigs } from "#app/store/book.ts";
import { readPreferences } from "#app/store/preferences.ts";
import { Caution } from "#app/ui/Caution.tsx";
import { PageHead } from "#app/ui/PageHead.tsx";
import { PickField } from "#app/ui/PickField.tsx";
import { TypedField } from "#app/ui/TypedField.tsx";
import { dayTitle } from "#app/vocabulary/days.ts";
import { lineWords } from "#app/vocabulary/entries.ts";
import { hitsIn, NOTHING_WANTED, type Hit } from "./hits.ts";
import { useAllRigs } from "./rigs-read.ts";

export const meta = () => [{ title: "Find · Tamis" }];

export async function clientLoader() {
  const [shelf, preferences] = await Promise.all([listRigs(), readPreferences()]);
  return {
    headers: shelf.ok ? shelf.value.headers : [],
    trouble: shelf.ok ? undefined : shelf.problem.message,
    preferences,
  };
}

function HitLine({ hit, search, newDay }: { hit: Hit; search: string; newDay: boolean }) {
  const { header, line, writing } = hit;
  const { entry, struck } = line;
  const { kind, what, result } = lineWords(line, writing.units, writing.stoichiometric);
  const words = search === "" ? "" : `?${new URLSearchParams({ [FIND]: search }).toString()}`;
  return (
    <>
      {newDay && <h2 className={clsx("label", css["day"])}>{dayTitle(entry.at)}</h2>}
      <Link
        className={clsx(css["hit"], struck && css["struck"])}
        to={`${placeHref(header.id, "log")}${words}`}
      >
        <span className={css["plate"]}>{header.plate}</span>
        <span>
          <span className="quiet">
            {header.name} · {entry.at.slice(11, 16)} · {kind}
          </span>
          <br />
          {what}
          {struck && <span className="visually-hidden"> (struck through)</span>}{" "}
          <span className="quiet">{result}</span>
        </span>
      </Link>
    </>
  );
}

function Hits({ hits, search }: { hits: readonly Hit[]; search: string }) {
  const list = useRef<HTMLDivElement>(null);
  const [top, setTop] = useState(0);
  useLayoutEffect(() => setTop(list.current?.offsetTop ?? 0), []);

  const rows = useWindowVirtualizer({
    count: hits.length,
    estimateSize: () => 64,
    overscan: 8,
    scrollMargin: top,
    initialRect: { width: 700, height: 900 },
  });
  return (
    <div
      ref={list}
      role="list"
      aria-label="Found"
      style={{ height: rows.getTotalSize(), position: "relative" }}
    >
      {rows.getVirtualItems().map(({ index, key, start }) => {
        const hit = hits[index];
        if (!hit) return null;
        const before = hits[index - 1];
        return (
          <div
            key={key}
            ref={rows.measureElement}
            data-index={index}
            role="listitem"
            className={css["row"]}
            style={{ transform: `translateY(${start - top}px)` }}
          >
            <HitLine
              hit={hit}
              search={search}
              newDay={before?.line.entry.at.slice(0, 10) !== hit.line.entry.at.slice(0, 10)}
            />
          </div>
        );
      })}
    </div>
  );
}

function howMany(count: number, done: boolean): string {
  const found = count === 0 ? "Nothing" : count === 1 ? "One entry" : `${count} entries`;
  return done ? `${found} found.` : `${found} so far; still reading.`;
}

export default function FindRoute({ loaderData }: Route.ComponentProps) {
  const { headers, preferences, trouble } = loaderData;
  const [query] = useSearchParams();
  const from = headers.find(({ id }) => id === query.get("from"));
  const [wanted, setWanted] = useState(NOTHING_WANTED);
  const { rigs, troubles, done } = useAllRigs(headers, preferences);
  const asked = useDeferredValue(wanted);
  const hits = useMemo(() => hitsIn(rigs, asked), [rigs, asked]);
  const lines = useMemo(() => rigs.flatMap((rig) => rig.lines), [rigs]);
  return (
    <div className="page">
      <PageHead />
      <main className="stack">
        {from && (
          <Link className="way-up" to={placeHref(from.id, "log")}>
            Back to the log of {from.name}
          </Link>
        )}
        <div>
          <h1>Find</h1>
          <p className="lead quiet">In the logs of all rigs: a jet, a tone, a place, a word of a note.</p>
        </div>
        {[...(trouble === undefined ? [] : [trouble]), ...troubles].map((words) => (
          <Caution grave key={words}>
            {words}
          </Caution>
        ))}
        <TypedField
          type="search"
          label="Search"
          placeholder="main 155, biscuit, 2026-05 …"
          value={wanted.search}
          autoFocus
          onChange={(event) => setWanted({ ...wanted, search: event.target.value })}
        />
        <FilterBar
          lines={lines}
          filters={wanted.filters}
          onFilters={(filters) => setWanted({ ...wanted, filters })}
        >
          <PickField
            label="Rig"
            value={wanted.rigId}
            options={[["", "all"], ...headers.map(({ id, name }) => [id, name] as const)]}
            onChange={({ target }) => setWanted({ ...wanted, rigId: target.value })}
          />
        </FilterBar>
        <p className="quiet flush" role="status">
          {hits
            ? howMany(hits.length, done)
            : headers.length === 0
              ? "There is no rig in this browser yet."
              : "Several words find what has them all, in any order."}
        </p>
        {hits && hits.length > 0 && <Hits hits={hits} search={asked.search} />}
      </main>
    </div>
  );
}
