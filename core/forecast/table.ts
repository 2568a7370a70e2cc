/** A table of cells with column names, from CSV or JSON. */

import { unitNamed } from "./heads.ts";

/** The line with which a simulated service marks its files. */
export const SIMULATED_MARK = "# simulated";

export interface Table {
  /** the file says of itself that no service told it */
  readonly simulated?: true;
  readonly names: readonly string[];
  /** a text a column that stands beside the names: what their figures are in */
  readonly units?: readonly string[];
  /** minutes east of Greenwich of the clock that the file says it is told by */
  readonly offsetMin?: number;
  readonly rows: readonly (readonly string[])[];
}

const NO_TABLE =
  "No table was found in this file. It needs one row an hour: a list of objects, or lists of the same length side by side.";

type Json = Record<string, unknown>;
const isObject = (value: unknown): value is Json =>
  typeof value === "object" && value !== null && !Array.isArray(value);
const isCell = (value: unknown): boolean => value === null || ["string", "number"].includes(typeof value);
const cell = (value: unknown): string =>
  typeof value === "string" || typeof value === "number" ? String(value) : "";

function ofObjects(value: unknown): Table | undefined {
  if (!Array.isArray(value) || value.length === 0 || !value.every(isObject)) return undefined;
  const names = [...new Set(value.flatMap((row) => Object.keys(row).filter((name) => isCell(row[name]))))];
  return names.length < 2
    ? undefined
    : { names, rows: value.map((row) => names.map((name) => cell(row[name]))) };
}

function ofLists(value: unknown, beside?: unknown): Table | undefined {
  if (!isObject(value)) return undefined;
  const lists = Object.entries(value).filter(
    (pair): pair is [string, unknown[]] => Array.isArray(pair[1]) && pair[1].every(isCell),
  );
  const length = Math.max(0, ...lists.map(([, list]) => list.length));
  const columns = lists.filter(([, list]) => list.length === length);
  if (length === 0 || columns.length < 2) return undefined;
  return {
    names: columns.map(([name]) => name),
    ...(isObject(beside) && { units: columns.map(([name]) => cell(beside[name])) }),
    rows: Array.from({ length }, (_, i) => columns.map(([, list]) => cell(list[i]))),
  };
}

/** What a service writes of its clock: seconds east of Greenwich. */
const OFFSET = /^utc.?offset.?(seconds|s)?$/i;
const offsetOf = (seconds: unknown): Pick<Table, "offsetMin"> => {
  const value = typeof seconds === "string" && seconds.trim() !== "" ? Number(seconds) : seconds;
  return typeof value === "number" && Number.isInteger(value / 60) && Math.abs(value) <= 14 * 3600
    ? { offsetMin: value / 60 }
    : {};
};

/**
 * A list of flat objects or lists side by side, at the top or within what stands there; the longest counts.
 * @throws {RangeError} in the tuner's words where there is none
 */
export function tableOfJson(text: string): Table {
  let root: unknown;
  try {
    root = JSON.parse(text);
  } catch {
    throw new RangeError("This file begins like JSON and cannot be read as it. Was it cut short?");
  }
  const inside = isObject(root) ? Object.entries(root) : [];
  const unitsOf = (name: string) =>
    inside.find(([other]) => other === `${name}_units`)?.[1] ??
    inside.find(([other]) => other === "units")?.[1];
  const found = [
    ofObjects(root),
    ofLists(root),
    ...inside.flatMap(([name, value]) => [ofObjects(value), ofLists(value, unitsOf(name))]),
  ].filter((table) => !!table);
  const longest = found.reduce<Table | undefined>(
    (best, table) => (best && best.rows.length >= table.rows.length ? best : table),
    undefined,
  );
  if (!longest) throw new RangeError(NO_TABLE);
  return { ...longest, ...offsetOf(inside.find(([name]) => OFFSET.test(name))?.[1]) };
}

const isFigure = (text: string): boolean => /^[-+\u2212]?\d+([.,]\d+)?$/.test(text.trim());

type Lines = readonly (readonly string[])[];
const hasFigures = (row: readonly string[]): boolean => row.filter(isFigure).length >= 2;

/** @returns where the rows begin: a service's own few lines above them are none of them */
function firstRow(lines: Lines): number {
  const runs: { first: number; width: number; rows: number }[] = [];
  lines.forEach((row, i) => {
    const last = runs.at(-1);
    if (!hasFigures(row)) return;
    if (last && last.first + last.rows === i && last.width === row.length) last.rows += 1;
    else runs.push({ first: i, width: row.length, rows: 1 });
  });
  const [longest] = [...runs].sort((a, b) => b.rows - a.rows);
  return (
    runs.find(({ width, rows }) => width === longest?.width && rows >= Math.min(2, longest.rows))?.first ?? -1
  );
}

/** @returns what stands below or beside the name of a clock's offset, above the rows */
function offsetAbove(lines: Lines): Pick<Table, "offsetMin"> {
  for (const [i, row] of lines.entries()) {
    const at = row.findIndex((text) => OFFSET.test(text.trim()));
    if (at !== -1) return { ...offsetOf(row[at + 1]), ...offsetOf(lines[i + 1]?.[at]) };
  }
  return {};
}

/**
 * Lines already split into cells: rows with two figures and more are the table, the line above them its heads.
 * @throws {RangeError} in the tuner's words where there is none
 */
export function tableOfLines(lines: Lines): Table {
  const first = firstRow(lines);
  const width = lines[first]?.length ?? 0;
  if (first === -1 || width < 2)
    throw new RangeError(
      "No rows of figures were found in this file. Choose a forecast as CSV or JSON, one row an hour.",
    );
  const above = lines.slice(0, first).filter((row) => row.length === width);
  const units = above.at(-1)?.filter((text) => unitNamed(text) !== undefined);
  const besides = (units?.length ?? 0) >= 2 && above.length >= 2;
  const head = above.at(besides ? -2 : -1);
  const simulated = lines[0]?.[0]?.trim().toLowerCase() === SIMULATED_MARK;
  return {
    ...(simulated && { simulated }),
    names: Array.from({ length: width }, (_, i) => head?.[i]?.trim() || `Column ${i + 1}`),
    ...(besides && { units: (above.at(-1) ?? []).map((text) => text.trim()) }),
    ...offsetAbove(lines.slice(0, first)),
    rows: lines.slice(first).filter((row) => row.some((text) => text.trim() !== "")),
  };
}
