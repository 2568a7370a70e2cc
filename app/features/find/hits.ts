/** What is found in all logs, newest first. */
import type { LogLine } from "#core/log/present.ts";
import type { Header } from "#core/log/schema.ts";
import { filtered, NO_FILTERS, type Filters } from "#app/frame/log-search/filters.ts";
import { matching, type Writing } from "#app/frame/log-search/line-text.ts";
import type { RigRead } from "./rigs-read.ts";

export interface Hit {
  readonly header: Header;
  readonly line: LogLine;
  readonly writing: Writing;
}

export interface Wanted {
  readonly search: string;
  readonly filters: Filters;
  /** of this one alone; of all where it is empty */
  readonly rigId: string;
}

export const NOTHING_WANTED: Wanted = { search: "", filters: NO_FILTERS, rigId: "" };

const asked = ({ search, filters, rigId }: Wanted): boolean =>
  search.trim() !== "" || rigId !== "" || Object.values(filters).some((value) => value !== "");

/** @returns nothing where nothing is asked; what was struck through is found too, it was true once */
export function hitsIn(rigs: readonly RigRead[], wanted: Wanted): readonly Hit[] | undefined {
  if (!asked(wanted)) return undefined;
  const found = rigs
    .filter(({ header }) => wanted.rigId === "" || header.id === wanted.rigId)
    .flatMap(({ header, lines, writing }) =>
      matching(filtered(lines, wanted.filters), wanted.search, writing).map((line) => ({
        at: Date.parse(line.entry.at),
        hit: { header, line, writing },
      })),
    );
  return found.sort((a, b) => b.at - a.at).map(({ hit }) => hit);
}
