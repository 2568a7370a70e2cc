/** Escapes cells that a spreadsheet would run as formulas. */

/** A negative number is a number. */
export const RUNS = /^\s*(?:[=+@|%\uFF0B\uFF1D\uFF20]|[-\u2212\uFF0D](?!\d+(?:\.\d+)?$)|[\t\r\n])/;
/** Put before such a cell, and taken off again when it is read here. */
const DEFUSED = "'";

/** @returns a cell as it was before it was defused */
export const asWritten = (cell: string): string =>
  cell.startsWith(DEFUSED) && RUNS.test(cell.slice(DEFUSED.length)) ? cell.slice(DEFUSED.length) : cell;
