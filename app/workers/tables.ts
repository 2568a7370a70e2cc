/** Small tables from files: a forecast, a climate. */
import Papa from "papaparse";
import { tableOfJson, tableOfLines, type Table } from "#core/forecast/table.ts";
import type { Answer } from "./protocol.ts";
import { openText, type TextWanted } from "./text-file.ts";

const WANTED: TextWanted = {
  largestBytes: 5 * 1024 * 1024,
  tooLarge: "This file is over 5 MB: that is no table of hours or months.",
  instead: "Choose a CSV or a JSON (a spreadsheet’s own format is none).",
};

const failed = (message: string): Answer<never> => ({ ok: false, name: "TableError", message });

/** @returns its names and rows, or words why there are none */
export async function readTable(file: Blob): Promise<Answer<Table>> {
  const opened = await openText(file, WANTED);
  if ("problem" in opened) return failed(opened.problem);
  const text = new TextDecoder(opened.encoding).decode(await file.arrayBuffer());
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
