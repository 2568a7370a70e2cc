/** Small tables from files: a forecast, a climate. */
import Papa from "papaparse";
import { tableOfJson, tableOfLines, type Table } from "#core/forecast/table.ts";
import type { Answer } from "./protocol.ts";
import { encodingOf, headOf } from "./text-file.ts";

const LARGEST_BYTES = 5 * 1024 * 1024;

const failed = (message: string): Answer<never> => ({ ok: false, name: "TableError", message });

/** @returns its names and rows, or words why there are none */
export async function readTable(file: Blob): Promise<Answer<Table>> {
  if (file.size === 0) return failed("This file is empty.");
  if (file.size > LARGEST_BYTES)
    return failed("This file is over 5 MB: that is no table of hours or months.");
  const encoding = encodingOf(await headOf(file));
  if (!encoding)
    return failed("This is no text file. A CSV or a JSON is read; a spreadsheet’s own format is not.");
  const text = new TextDecoder(encoding).decode(await file.arrayBuffer());
  try {
    if (/^\s*[[{]/.test(text)) return { ok: true, value: tableOfJson(text) };
    const { data } = Papa.parse<string[]>(text, {
      skipEmptyLines: "greedy",
      delimitersToGuess: [",", ";", "\t", "|"],
    });
    return { ok: true, value: tableOfLines(data) };
  } catch (error) {
    if (error instanceof RangeError) return failed(error.message);
    throw error;
  }
}
