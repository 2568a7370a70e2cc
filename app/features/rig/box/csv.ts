/** The jet box as a CSV file, through the package that reads spreadsheets' dialects. */
import Papa from "papaparse";
import type { Box } from "#core/log/schema.ts";
import { openText, type TextWanted } from "#app/workers/text-file.ts";
import { asWritten, RUNS } from "#app/ui/csv-cells.ts";
import { BOX_COLUMNS, boxFromRows, boxToRows, type BoxRead, type BoxRow } from "#core/rig/box-table.ts";

const WANTED: TextWanted = {
  largestBytes: 256 * 1024,
  tooLarge: "This file is too large for a jet box (over 256 kB). Choose the one with your jets.",
  instead: "Save the table with the columns part and size as CSV, then choose that.",
};
const MOST_ROWS = 1000;

export type BoxFileRead = { ok: true; read: BoxRead } | { ok: false; message: string };

const failed = (message: string): BoxFileRead => ({ ok: false, message });

/** @returns the rows of a box file, the bad ones with their problem, or why it is no such file at all */
export async function readBoxFile(file: Blob): Promise<BoxFileRead> {
  const opened = await openText(file, WANTED);
  if ("problem" in opened) return failed(opened.problem);
  return readBoxText(new TextDecoder(opened.encoding).decode(await file.arrayBuffer()));
}

/** Two columns without a heading, as one types or copies them: part and size. */
const BARE = /^\s*"?(pilot|main|shim)"?\s*[\t;,| ]/i;

/** The same of a table as text: pasted, with its heading or as two columns without one. */
export function readBoxText(pasted: string): BoxFileRead {
  const bare = BARE.test(pasted);
  // Columns apart by a blank are no table to the package.
  const rows = bare ? pasted.replace(/^([ ]*\w+) +(?=\S)/gm, "$1\t") : pasted;
  const delimiter = /[\t;,|]/.exec(rows)?.[0] ?? ",";
  const text = bare ? `part${delimiter}size\n${rows.trimStart()}` : rows;
  const { data, meta } = Papa.parse<Partial<BoxRow>>(text.replace(/^\uFEFF/, ""), {
    header: true,
    skipEmptyLines: "greedy",
    transformHeader: (name) => name.trim().toLowerCase(),
  });
  const missing = ["part", "size"].filter((column) => !meta.fields?.includes(column));
  if (missing.length > 0)
    return failed(
      `The first row must name the columns part and size; ${missing.join(" and ")} is missing. It may also hold ${BOX_COLUMNS.slice(2).join(", ")}.`,
    );
  if (data.length > MOST_ROWS)
    return failed(`This file has ${data.length} rows; a jet box has at most ${MOST_ROWS}.`);
  const cells = data.map(
    (row) =>
      Object.fromEntries(BOX_COLUMNS.map((column) => [column, asWritten(row[column] ?? "")])) as BoxRow,
  );
  const read = boxFromRows(cells);
  // Where the heading is ours the first row pasted is row 1.
  const bad = bare ? read.bad.map((one) => ({ ...one, line: one.line - 1 })) : read.bad;
  return { ok: true, read: { ...read, bad } };
}

export const boxCsv = (box: Box): string =>
  Papa.unparse(
    { fields: [...BOX_COLUMNS], data: boxToRows(box).map((row) => BOX_COLUMNS.map((c) => row[c])) },
    { escapeFormulae: RUNS },
  );
