/** Guesses delimiter, columns and units of a logger file from its first lines. */
import { ROLE_UNITS, ROLES, type ColumnUse, type Mapping, type Role } from "./mapping.ts";

export interface Sniffed {
  readonly mapping: Mapping;
  /** one a column, as the file names them */
  readonly names: readonly string[];
  /** a few rows of figures, as they stand */
  readonly sample: readonly (readonly string[])[];
  /** the file says of itself that no engine ran */
  readonly simulated: boolean;
}

/** The line with which the simulated logger marks its files. */
export const SIMULATED_MARK = "# simulated";

const FIGURE = /^[-+]?(\d+([.,]\d*)?|[.,]\d+)(e[-+]?\d+)?$/i;
const CLOCK = /^\d+(:\d{1,2}){1,2}([.,]\d+)?$/;
const isFigure = (cell: string): boolean => FIGURE.test(cell.trim()) || CLOCK.test(cell.trim());

/** What loggers call things. Longer words first: "exhaust temp" is no "temp", a heading no head. */
const NAMES: readonly (readonly [Role, RegExp])[] = [
  ["exhaust", /exhaust|\begt|gas temp/i],
  ["head", /\bhead\b|\bhead_|head ?temp|\bcht|cylinder temp|coolant|water|engine temp/i],
  ["throttle", /throttle|tps|slide|\btp\b|grip/i],
  ["lambda", /lambda|λ|\bafr\b|air.?fuel|\bo2\b|wideband/i],
  ["rpm", /rpm|\brev|engine speed|\bn\b/i],
  ["speed", /speed|velocity|^v$/i],
  ["time", /time|^t\b|stamp/i],
];
/** Asked only where no column has a plainer name: a receiver gives more than a speed. */
const LESS_PLAIN: readonly (readonly [Role, RegExp])[] = [
  ["speed", /\bgps\b(?!.*(alt|lat|lon|head|course|bear|time|date|sat|acc|dop|fix|dist))/i],
];
/** A unit in brackets is no name: "Battery [V]" is no velocity. */
const withoutUnit = (name: string): string => name.replace(/[[(][^\])]*[\])]/g, " ").trim();

/** @returns the unit that a name or a row of units says, else the usual one */
function unitOf(role: Role, words: string): string {
  const said = words.toLowerCase();
  switch (role) {
    case "time":
      return /\bms\b|milli/.test(said) ? "ms" : "s";
    case "lambda":
      return /afr|ratio/.test(said) ? "AFR" : "λ";
    case "speed":
      return /mph/.test(said) ? "mph" : /m\/s|m s/.test(said) ? "m/s" : "km/h";
    case "exhaust":
    case "head":
      return /°?f\b|fahrenheit/.test(said) ? "°F" : "°C";
    default:
      return ROLE_UNITS[role][0];
  }
}

const numberIn = (cell: string): number => Number(cell.trim().replace(",", "."));

/** What the figures say where the name says nothing. */
function unitByFigures(role: Role, unit: string, words: string, cells: readonly string[]): string {
  if (role === "time" && cells.some((cell) => cell.includes(":"))) return "min:s";
  const figures = cells.map(numberIn).filter(Number.isFinite);
  const most = Math.max(...figures);
  // A file begins at a standstill: all noughts say nothing.
  if (role === "throttle") return most > 0 && most <= 1.05 && !words.includes("%") ? "0 to 1" : "%";
  if (role === "lambda") return most > 3 ? "AFR" : "λ";
  if (role === "rpm") return most > 0 && most < 30 ? "rpm × 1000" : "rpm";
  return unit;
}

function guessColumns(
  names: readonly string[],
  units: readonly string[],
  rows: readonly (readonly string[])[],
) {
  const found: ColumnUse[] = [];
  const free = new Set<Role>(ROLES);
  const taken = new Set<number>();
  for (const known of [NAMES, LESS_PLAIN])
    names.forEach((name, column) => {
      const cells = rows.map((row) => row[column] ?? "").filter((cell) => cell.trim() !== "");
      if (taken.has(column) || cells.filter(isFigure).length <= cells.length / 2) return;
      const plain = withoutUnit(name);
      // Of an engine's speed the unit says it all.
      const named = (candidate: Role) => (candidate === "rpm" ? name : plain);
      const role = known.find(([one, words]) => free.has(one) && words.test(named(one)))?.[0];
      if (!role) return;
      free.delete(role);
      taken.add(column);
      const words = `${name} ${units[column] ?? ""}`;
      found.push({ role, column, unit: unitByFigures(role, unitOf(role, words), words, cells) });
    });
  return found;
}

/** Commas inside figures, where another sign parts the columns. */
function decimalOf(delimiter: string, rows: readonly (readonly string[])[]): "." | "," {
  if (delimiter === ",") return ".";
  const cells = rows.flat();
  const [commas, points] = [/\d,\d/, /\d\.\d/].map((sign) => cells.filter((cell) => sign.test(cell)).length);
  return (commas ?? 0) > (points ?? 0) ? "," : ".";
}

/**
 * @param lines - the first lines of the file, split into cells
 * @param delimiter - that they were split by
 * @returns nothing when no row of figures is among them
 */
export function sniff(
  lines: readonly (readonly string[])[],
  delimiter: Mapping["delimiter"],
  stoichiometric: number,
): Sniffed | undefined {
  const mostlyFigures = (row: readonly string[]) => {
    const filled = row.filter((cell) => cell.trim() !== "");
    return filled.length > 1 && filled.filter(isFigure).length > filled.length / 2;
  };
  const headerLines = lines.findIndex(mostlyFigures);
  if (headerLines === -1) return undefined;
  const width = lines[headerLines]?.length ?? 0;
  const heads = lines.slice(0, headerLines).filter((row) => row.length === width);
  // A row of units stands under the row of names; remarks above them have another width.
  const [names, units] = heads.length > 1 ? heads.slice(-2) : [heads[0], undefined];
  const sample = lines.slice(headerLines).filter((row) => row.length === width);
  const named = Array.from({ length: width }, (_, i) => names?.[i]?.trim() || `Column ${i + 1}`);
  return {
    names: named,
    sample: sample.slice(0, 6),
    simulated: lines[0]?.[0]?.toLowerCase().startsWith(SIMULATED_MARK) ?? false,
    mapping: {
      delimiter,
      decimal: decimalOf(delimiter, sample),
      headerLines,
      columns: guessColumns(named, units ?? [], sample),
      stoichiometric,
    },
  };
}
