/** Parses a needle's profile table: length and diameter, row by row. */
import { readTypedNumber } from "../units/typed-number.ts";

export interface NeedlePoint {
  readonly alongMm: number;
  readonly diameterMm: number;
}

export type NeedleTableRead =
  | { readonly ok: true; readonly profile: readonly NeedlePoint[]; readonly readAs: "mm" | "in" }
  | { readonly ok: false; readonly line: number; readonly problem: string };

const MM_PER_INCH = 25.4;
/** No needle of a slide carburettor is as thin in millimetres, none as thick in inches. */
const THICKEST_IN_INCHES = 0.3;
export const MOST_NEEDLE_POINTS = 40;

const isEmpty = (row: readonly string[]): boolean => row.every((cell) => cell.trim() === "");

const wrong = (line: number, problem: string): NeedleTableRead => ({ ok: false, line, problem });

function readRow(row: readonly string[]): readonly [number, number] | string {
  const [along = "", thick = "", ...rest] = row;
  if (!isEmpty(rest)) return "there are more than two columns";
  const a = readTypedNumber(along);
  const d = readTypedNumber(thick);
  if (a.ok && d.ok) return [a.value, d.value];
  const bad = a.ok ? thick : along;
  return bad.trim() === "" ? "a number is missing" : `“${bad}” is not a number`;
}

/**
 * @param rows - cells as text: along the needle, then its thickness there; a heading and empty rows are passed over
 * @returns the points in millimetres, and what they were read as (thicknesses below 0.3 are inches); or the first row
 *   that cannot be, counted from 1 as pasted
 */
export function readNeedleTable(rows: readonly (readonly string[])[]): NeedleTableRead {
  const points: { line: number; along: number; thick: number }[] = [];
  for (const [i, row] of rows.entries()) {
    if (isEmpty(row)) continue;
    const read = readRow(row);
    if (typeof read === "string") {
      if (points.length === 0 && i === 0 && !/\d/.test(row.join(""))) continue;
      return wrong(i + 1, read);
    }
    points.push({ line: i + 1, along: read[0], thick: read[1] });
  }
  if (points.length < 2)
    return wrong(rows.length, "a needle has two points or more: along it, and its thickness");
  if (points.length > MOST_NEEDLE_POINTS)
    return wrong(points[MOST_NEEDLE_POINTS]?.line ?? 0, `a needle has at most ${MOST_NEEDLE_POINTS} points`);
  const notOutwards = points.find(({ along }, i) => i > 0 && !(along > (points[i - 1]?.along ?? along)));
  if (notOutwards)
    return wrong(
      notOutwards.line,
      "it must lie further along than the row before, from the grooves to the tip",
    );
  const inches = points.every(({ thick }) => thick < THICKEST_IN_INCHES);
  const mm = (value: number) => Number((inches ? value * MM_PER_INCH : value).toFixed(4));
  return {
    ok: true,
    readAs: inches ? "in" : "mm",
    profile: points.map(({ along, thick }) => ({ alongMm: mm(along), diameterMm: mm(thick) })),
  };
}
