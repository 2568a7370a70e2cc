/** A needle's table as text, typed or pasted: a row a point. */
import Papa from "papaparse";
import { readNeedleTable, type NeedlePoint, type NeedleTableRead } from "#core/rig/needle-table.ts";

/** Forty points and a heading are far less. */
export const MOST_NEEDLE_SIGNS = 4000;

/** Two columns apart by blanks are no table to the package. */
const withTabs = (text: string): string =>
  text
    .trim()
    .replace(/[ \t]*\t[ \t]*| {2,}/g, "\t")
    .replace(/^(\S+) (\S+)$/gm, "$1\t$2");

export function readNeedleText(text: string): NeedleTableRead {
  const { data } = Papa.parse<string[]>(withTabs(text), { delimitersToGuess: ["\t", ";", "|", ","] });
  return readNeedleTable(data);
}

export const needleText = (profile: readonly NeedlePoint[]): string =>
  profile.map(({ alongMm, diameterMm }) => `${alongMm}\t${diameterMm}`).join("\n");
