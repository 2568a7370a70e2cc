/** A table of figures as a file has it, whatever it was written in: names, and rows of cells. */

/** The line with which a simulated service marks its files. */
export const SIMULATED_MARK = "# simulated";

export interface Table {
  /** the file says of itself that no service told it */
  readonly simulated?: true;
  readonly names: readonly string[];
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

function ofLists(value: unknown): Table | undefined {
  if (!isObject(value)) return undefined;
  const lists = Object.entries(value).filter(
    (pair): pair is [string, unknown[]] => Array.isArray(pair[1]) && pair[1].every(isCell),
  );
  const length = Math.max(0, ...lists.map(([, list]) => list.length));
  const columns = lists.filter(([, list]) => list.length === length);
  if (length === 0 || columns.length < 2) return undefined;
  return {
    names: columns.map(([name]) => name),
    rows: Array.from({ length }, (_, i) => columns.map(([, list]) => cell(list[i]))),
  };
}

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
  const places = [root, ...(isObject(root) ? Object.values(root) : [])];
  const found = places.flatMap((place) => [ofObjects(place), ofLists(place)]).filter((table) => !!table);
  const longest = found.reduce<Table | undefined>(
    (best, table) => (best && best.rows.length >= table.rows.length ? best : table),
    undefined,
  );
  if (!longest) throw new RangeError(NO_TABLE);
  return longest;
}

const isFigure = (text: string): boolean => /^[-+]?\d+([.,]\d+)?$/.test(text.trim());

/**
 * Lines already split into cells: the first row with two figures ends the heads.
 * @throws {RangeError} in the tuner's words where there is none
 */
export function tableOfLines(lines: readonly (readonly string[])[]): Table {
  const first = lines.findIndex((row) => row.filter(isFigure).length >= 2);
  const head = lines.slice(0, Math.max(0, first)).findLast((row) => row.length === lines[first]?.length);
  const width = lines[first]?.length ?? 0;
  if (first === -1 || width < 2)
    throw new RangeError(
      "No rows of figures were found in this file. Choose a forecast as CSV or JSON, one row an hour.",
    );
  const simulated = lines[0]?.[0]?.trim().toLowerCase() === SIMULATED_MARK;
  return {
    ...(simulated && { simulated }),
    names: Array.from({ length: width }, (_, i) => head?.[i]?.trim() || `Column ${i + 1}`),
    rows: lines.slice(first).filter((row) => row.some((text) => text.trim() !== "")),
  };
}
