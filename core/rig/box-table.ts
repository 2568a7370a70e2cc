/** The jet box as rows of a CSV table, one size a row. */
import * as z from "zod/mini";
import { Box, type JetPart } from "../log/schema.ts";
import { readTypedNumber } from "../units/typed-number.ts";

export const BOX_COLUMNS = [
  "part",
  "size",
  "drilled_mm",
  "family",
  "flow_number",
  "flow_diameter_mm",
] as const;
export type BoxColumn = (typeof BOX_COLUMNS)[number];
export type BoxRow = Readonly<Record<BoxColumn, string>>;

export interface BadRow {
  /** counted as a spreadsheet does: the heading is row 1 */
  readonly line: number;
  readonly text: string;
  readonly problem: string;
}

export interface BoxRead {
  readonly box: Box;
  readonly good: number;
  readonly bad: readonly BadRow[];
}

type Family = NonNullable<Box["families"]>[number];
type Drilled = NonNullable<Box["drilled"]>[number];

interface Parsed {
  readonly part: JetPart | "shim";
  readonly size: number;
  readonly drilledMm?: number;
  readonly family?: { readonly name: string; readonly numbering: Family["numbering"] };
}

type RowRead = { ok: true; row: Parsed } | { ok: false; problem: string };

const bad = (problem: string): RowRead => ({ ok: false, problem });

const PARTS = new Set(["pilot", "main", "shim"]);

/** Each range is checked by the log's own schema: one truth. */
const within = (schema: z.ZodMiniType, value: number): boolean => schema.safeParse(value).success;
const Size = Box.shape.mains.def.element;
const Shim = Box.shape.shimsMm.def.element;
const Hole = z.number().check(z.gte(0.1), z.lte(5));

function readFamily(row: BoxRow): Family["numbering"] | string {
  if (row.flow_number.trim() === "" && row.flow_diameter_mm.trim() === "") return { by: "diameter" };
  const number = readTypedNumber(row.flow_number);
  const diameter = readTypedNumber(row.flow_diameter_mm);
  if (!number.ok || !within(Size, number.value)) return "flow_number must be a number of 5 to 999";
  if (!diameter.ok || !within(Hole, diameter.value)) return "flow_diameter_mm must be a hole of 0.1 to 5 mm";
  return { by: "flow", referenceNumber: number.value, referenceDiameterMm: diameter.value };
}

function readRow(row: BoxRow): RowRead {
  const part = row.part.trim().toLowerCase();
  if (!PARTS.has(part)) return bad("part must be pilot, main or shim");
  const size = readTypedNumber(row.size);
  if (!size.ok) return bad(row.size.trim() === "" ? "size is missing" : `“${row.size}” is no size`);
  if (part === "shim")
    return within(Shim, size.value)
      ? { ok: true, row: { part: "shim", size: size.value } }
      : bad("a shim has -5 to 5 mm");
  const jet = { part: part as JetPart, size: size.value };
  if (!within(Size, size.value)) return bad("a jet's number is 5 to 999");
  if (row.drilled_mm.trim() !== "") {
    const hole = readTypedNumber(row.drilled_mm);
    if (!hole.ok || !within(Hole, hole.value)) return bad("drilled_mm must be a hole of 0.1 to 5 mm");
    return { ok: true, row: { ...jet, drilledMm: hole.value } };
  }
  const name = row.family.trim();
  if (name === "") return { ok: true, row: jet };
  if (name.length > 60) return bad("family must have at most 60 signs");
  const numbering = readFamily(row);
  return typeof numbering === "string"
    ? bad(numbering)
    : { ok: true, row: { ...jet, family: { name, numbering } } };
}

const ordered = (values: readonly number[]): number[] => [...new Set(values)].sort((a, b) => a - b);

function toFamilies(rows: readonly Parsed[]): Family[] {
  const found = new Map<string, Family>();
  for (const { part, size, family } of rows) {
    if (!family || part === "shim") continue;
    const key = `${part} ${family.name} ${JSON.stringify(family.numbering)}`;
    const known = found.get(key) ?? { name: family.name, part, numbering: family.numbering, sizes: [] };
    found.set(key, { ...known, sizes: ordered([...known.sizes, size]) });
  }
  return [...found.values()];
}

function toBox(rows: readonly Parsed[]): Box {
  const plain = (part: Parsed["part"]) =>
    ordered(
      rows
        .filter((row) => row.part === part && row.drilledMm === undefined && !row.family)
        .map(({ size }) => size),
    );
  const drilled = rows.flatMap(({ part, size, drilledMm }): Drilled[] =>
    drilledMm === undefined || part === "shim" ? [] : [{ part, stamped: size, measuredMm: drilledMm }],
  );
  const families = toFamilies(rows);
  return {
    pilots: plain("pilot"),
    mains: plain("main"),
    shimsMm: plain("shim"),
    ...(drilled.length > 0 && { drilled }),
    ...(families.length > 0 && { families }),
  };
}

/** @returns the box of all rows that can be read, and the others with what is wrong with each */
export function boxFromRows(rows: readonly BoxRow[]): BoxRead {
  const read = rows.map((row, i) => ({ read: readRow(row), line: i + 2, row }));
  const good = read.flatMap(({ read: result }) => (result.ok ? [result.row] : []));
  const wrong = read.flatMap(({ read: result, line, row }): BadRow[] =>
    result.ok
      ? []
      : [{ line, text: BOX_COLUMNS.map((column) => row[column]).join(","), problem: result.problem }],
  );
  return { box: toBox(good), good: good.length, bad: wrong };
}

const EMPTY: BoxRow = {
  part: "",
  size: "",
  drilled_mm: "",
  family: "",
  flow_number: "",
  flow_diameter_mm: "",
};

/** @returns the box as rows, read back unchanged by {@link boxFromRows} */
export function boxToRows({ pilots, mains, shimsMm, drilled = [], families = [] }: Box): BoxRow[] {
  const plain = (part: string, sizes: readonly number[]) =>
    sizes.map((size): BoxRow => ({ ...EMPTY, part, size: String(size) }));
  return [
    ...plain("pilot", pilots),
    ...plain("main", mains),
    ...plain("shim", shimsMm),
    ...drilled.map(({ part, stamped, measuredMm }): BoxRow => ({
      ...EMPTY,
      part,
      size: String(stamped),
      drilled_mm: String(measuredMm),
    })),
    ...families.flatMap(({ name, part, numbering, sizes }) =>
      sizes.map((size): BoxRow => ({
        ...EMPTY,
        part,
        size: String(size),
        family: name,
        ...(numbering.by === "flow" && {
          flow_number: String(numbering.referenceNumber),
          flow_diameter_mm: String(numbering.referenceDiameterMm),
        }),
      })),
    ),
  ];
}

const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

/** @returns both boxes in one: nothing twice, nothing taken out; the parts that are swapped are the first one's */
export function mergeBoxes(a: Box, b: Box): Box {
  const drilled = [...(a.drilled ?? [])];
  for (const jet of b.drilled ?? []) if (!drilled.some((known) => same(known, jet))) drilled.push(jet);
  const families = [...(a.families ?? [])];
  for (const family of b.families ?? []) {
    const i = families.findIndex(
      (known) =>
        known.name === family.name && known.part === family.part && same(known.numbering, family.numbering),
    );
    const known = families[i];
    if (known) families[i] = { ...known, sizes: ordered([...known.sizes, ...family.sizes]) };
    else families.push(family);
  }
  return {
    pilots: ordered([...a.pilots, ...b.pilots]),
    mains: ordered([...a.mains, ...b.mains]),
    shimsMm: ordered([...a.shimsMm, ...b.shimsMm]),
    ...(drilled.length > 0 && { drilled }),
    ...(families.length > 0 && { families }),
    ...(a.parts && { parts: a.parts }),
  };
}
