/**
 * Interprets a forecast table without asking: its columns by their heads, its units and the level of its pressure
 * by what the file says of them and what the figures can be.
 */
import {
  fractionOf,
  kelvinOf,
  PRESSURE_ROLES,
  zoneName,
  type ForecastMapping,
  type ForecastRole,
} from "./columns.ts";
import { rolesOf, type HeadFound, unitInHead, unitNamed, zoneIn } from "./heads.ts";
import { clockIn, instantsOf, namesItsZone, timeTexts } from "./instants.ts";
import { pressureLevel } from "./pressure-level.ts";
import type { Table } from "./table.ts";
import { temperatureUnit } from "./temperature-unit.ts";
import type { Conclusion, ForecastUse, Known, Rows, Said } from "./weigh.ts";

export interface Concluded {
  readonly mapping: ForecastMapping;
  readonly conclusions: readonly Conclusion[];
}

/** So many rows say what the columns are. */
const ROWS = 96;

/** A day with its hour, or seconds since 1970. */
const WHOLE = /\d[T\s,]+\d{1,2}:\d{2}|^\d{10}/;

/** A day in one column and its hour in another. */
function timeColumns({ names, rows }: Table): { readonly time?: number; readonly hour?: number } {
  const found = rolesOf(names);
  const column = (role: ForecastRole) => found.find((one) => one.role === role)?.column;
  const [time, hour] = [column("time"), column("hour")];
  const sample = (at: number) => rows.slice(0, 8).map((row) => row[at] ?? "");
  if (time === undefined) return hour === undefined ? {} : { time: hour };
  if (sample(time).some((text) => WHOLE.test(text.trim()))) return { time };
  const clocked = (at: number) => sample(at).every((text) => clockIn(text) !== undefined);
  const named = names.flatMap((name, at) => (at !== time && /time|hour|clock|\bhh/i.test(name) ? [at] : []));
  const own = [...(hour === undefined ? [] : [hour]), ...named].find(clocked);
  return own === undefined ? { time } : { time, hour: own };
}

type Unsaid = Pick<Conclusion, "is" | "by" | "others">;

/** The clock that the times are told by; each cell that names its own zone needs none. */
function timesOf(
  table: Table,
  known: Known,
): { uses: ForecastMapping; rows: Rows; told: Unsaid | undefined } {
  const { names, units = [], offsetMin } = table;
  const some = table.rows.slice(0, ROWS);
  const cells = (column: number) => some.map((row) => row[column] ?? "");
  const { time: column, hour } = timeColumns(table);
  const texts = timeTexts(some, column, hour);
  if (column === undefined) return { uses: [], rows: { ms: [], cells }, told: undefined };
  const zone = zoneIn(names[column] ?? "") ?? zoneIn(units[column] ?? "");
  const offset = zone ?? offsetMin;
  const unit = offset === undefined ? "local" : zoneName(offset);
  const is = { role: "time" as const, column, unit };
  const other = { ...is, unit: unit === "local" ? "UTC" : "local" };
  const byFile = zone !== undefined ? "head" : offset !== undefined ? "beside" : "usual";
  return {
    uses: [is, ...(hour === undefined ? [] : [{ role: "hour" as const, column: hour, unit: "" }])],
    rows: { ms: instantsOf(texts, offset === undefined ? known.clock : () => offset), cells },
    told: texts.some(namesItsZone) ? { is, by: "cells", others: [] } : { is, by: byFile, others: [other] },
  };
}

/** A dew point is written as the temperature beside it is, unless it says otherwise. */
function dampOf(
  { role, column }: HeadFound,
  said: string | undefined,
  cells: readonly string[],
  temperatureUnit: string,
): ForecastUse | undefined {
  if (role === "dewPoint")
    return { role, column, unit: ["°C", "°F", "K"].includes(said ?? "") ? (said ?? "") : temperatureUnit };
  if (role !== "humidity") return undefined;
  const most = Math.max(...cells.map((text) => fractionOf(text, "0 to 1")).filter(Number.isFinite));
  return { role, column, unit: said === "%" || said === "0 to 1" ? said : most <= 1 ? "0 to 1" : "%" };
}

/** @returns what the columns of a table mean as far as it can be told, and what is to be asked */
export function concludeForecast(table: Table, known: Known): Concluded {
  const { names, units = [] } = table;
  const found = rolesOf(names).filter(({ role }) => role !== "time" && role !== "hour");
  const saidOf = (column: number): Said => {
    const beside = unitNamed(units[column] ?? "");
    return beside === undefined
      ? { unit: unitInHead(names[column] ?? ""), by: "head" }
      : { unit: beside, by: "beside" };
  };
  const { uses, rows, told } = timesOf(table, known);
  const warm = found.find(({ role }) => role === "temperature");
  const temperature = warm && temperatureUnit(warm.column, saidOf(warm.column), rows, known);
  const warmUnit = temperature?.is.unit ?? (warm && saidOf(warm.column).unit) ?? "°C";
  const kelvins = warm ? rows.cells(warm.column).map((text) => kelvinOf(text, warmUnit)) : [];
  const damp = found.flatMap(
    (one) => dampOf(one, saidOf(one.column).unit, rows.cells(one.column), warmUnit) ?? [],
  );
  const [level] = PRESSURE_ROLES.flatMap((role) =>
    found.filter((one) => one.role === role).sort((a, b) => a.rank - b.rank),
  );
  const pressure =
    level &&
    pressureLevel(level.column, names[level.column] ?? "", saidOf(level.column), rows, kelvins, known);
  return {
    mapping: [
      ...uses,
      // Figures that no unit makes air of are the tuner's to put right: they are refused as they stand.
      ...(warm
        ? [temperature?.is ?? { role: "temperature" as const, column: warm.column, unit: warmUnit }]
        : []),
      ...damp,
      ...(pressure ? [pressure.is] : []),
    ],
    conclusions: [
      ...(told ? [{ about: "time" as const, ...told, asks: false }] : []),
      ...(temperature ? [temperature] : []),
      ...(pressure ? [pressure] : []),
    ],
  };
}
