/**
 * A logger's rows as columns of numbers in SI (throttle 0..1, λ, rpm, m/s, K). Rows come in any portions. A cell
 * that is empty or no figure is a gap, kept as NaN inside the trace and never handed on.
 */
import { requirePositive } from "../units/guard.ts";
import { toSI } from "../units/quantity.ts";
import type { Mapping, Role } from "./mapping.ts";

export type Channel = Exclude<Role, "time">;

export interface LoggerTrace {
  readonly rows: number;
  /** rising throughout */
  readonly timeS: Float64Array;
  readonly channels: Readonly<Partial<Record<Channel, Float32Array>>>;
  /** rows that hold fewer cells than the mapping needs */
  readonly ragged: number;
  /** cells that are no figures, in the columns that are used */
  readonly unreadable: number;
  /** line of the first row or cell that could not be used, from 1 */
  readonly firstBadLine: number | undefined;
  /** how often the time went back: the longest stretch in which it rises was kept */
  readonly wentBack: number;
  /** of all rows, how many lie outside that stretch */
  readonly setAside: number;
}

/** How a figure of a unit becomes SI. */
function intoSI(role: Role, unit: string, stoichiometric: number): (value: number) => number {
  switch (unit) {
    case "ms":
      return (x) => x / 1000;
    case "%":
      return (x) => x / 100;
    case "AFR":
      return (x) => x / stoichiometric;
    case "rpm × 1000":
      return (x) => x * 1000;
    case "km/h":
      return (x) => x / 3.6;
    case "mph":
      return (x) => x * 0.44704;
    case "°C":
    case "°F":
      return (x) => toSI("temperature", x, unit);
    default:
      return (x) => x;
  }
}

function clockSeconds(cell: string): number {
  let seconds = 0;
  for (const part of cell.split(":")) seconds = seconds * 60 + Number(part);
  return seconds;
}

/** A column that grows by doubling. */
class Growing<A extends Float32Array | Float64Array> {
  private readonly make: (length: number) => A;
  private values: A;
  private length = 0;

  constructor(make: (length: number) => A) {
    this.make = make;
    this.values = make(4096);
  }

  push(value: number): void {
    if (this.length === this.values.length) {
      const larger = this.make(2 * this.length);
      larger.set(this.values);
      this.values = larger;
    }
    this.values[this.length] = value;
    this.length += 1;
  }

  slice(from: number, to: number): A {
    return this.values.slice(from, to) as A;
  }

  at(i: number): number {
    return this.values[i] ?? NaN;
  }
}

interface Reader {
  readonly column: number;
  readonly convert: (value: number) => number;
  readonly into: Growing<Float32Array>;
}

export class TraceBuilder {
  private readonly mapping: Mapping;
  private readonly time = new Growing((n) => new Float64Array(n));
  private readonly readers: readonly (Reader & { readonly role: Channel })[];
  private readonly timeUse: Mapping["columns"][number] | undefined;
  private readonly needed: number;
  private readonly toTime: (value: number) => number;
  private rows = 0;
  private line: number;
  private ragged = 0;
  private unreadable = 0;
  private firstBadLine: number | undefined;
  /** row at which each stretch of rising time begins */
  private readonly starts: number[] = [0];

  /** @throws {RangeError} where neither a column nor a rate says the time */
  constructor(mapping: Mapping) {
    this.mapping = mapping;
    this.line = mapping.headerLines;
    this.timeUse = mapping.columns.find(({ role }) => role === "time");
    if (!this.timeUse) requirePositive("rows a second", mapping.rateHz ?? 0);
    this.toTime = this.timeUse ? intoSI("time", this.timeUse.unit, mapping.stoichiometric) : (x) => x;
    this.needed = 1 + Math.max(...mapping.columns.map(({ column }) => column));
    this.readers = mapping.columns.flatMap(({ role, column, unit }) =>
      role === "time"
        ? []
        : [
            {
              role,
              column,
              convert: intoSI(role, unit, mapping.stoichiometric),
              into: new Growing((n) => new Float32Array(n)),
            },
          ],
    );
  }

  get count(): number {
    return this.rows;
  }

  private bad(): void {
    this.firstBadLine ??= this.line;
  }

  /** @returns the figure in a cell, NaN for a gap */
  private figure(cell: string): number {
    const text = this.mapping.decimal === "," ? cell.replace(",", ".") : cell;
    const value = Number(text);
    // An empty cell reads as nought; looked at only then, because this runs millions of times.
    if (value === 0 && text.trim() === "") return NaN;
    if (!Number.isFinite(value)) {
      this.unreadable += 1;
      this.bad();
      return NaN;
    }
    return value;
  }

  private instant(row: readonly string[]): number {
    if (!this.timeUse) return this.rows / (this.mapping.rateHz ?? 1);
    const cell = row[this.timeUse.column] ?? "";
    if (this.timeUse.unit !== "min:s") return this.toTime(this.figure(cell));
    const seconds = clockSeconds(cell.replace(",", "."));
    if (Number.isFinite(seconds)) return seconds;
    this.unreadable += 1;
    this.bad();
    return NaN;
  }

  /** @param row - the next of the file, without its header */
  add(row: readonly string[]): void {
    this.line += 1;
    if (row.length === 1 && row[0] === "") return;
    if (row.length < this.needed) {
      this.ragged += 1;
      this.bad();
      return;
    }
    const at = this.instant(row);
    if (!Number.isFinite(at)) return;
    if (this.rows > 0 && at < this.time.at(this.rows - 1)) this.starts.push(this.rows);
    this.time.push(at);
    for (const reader of this.readers)
      reader.into.push(reader.convert(this.figure(row[reader.column] ?? "")));
    this.rows += 1;
  }

  /** @throws {RangeError} if fewer than two rows could be read */
  finish(): LoggerTrace {
    if (this.rows < 2) throw new RangeError(`rows must be at least 2, got ${this.rows}`);
    const ends = [...this.starts.slice(1), this.rows];
    const stretches = this.starts.map((from, i) => ({ from, to: ends[i] ?? this.rows }));
    const { from, to } = stretches.reduce((a, b) => (b.to - b.from > a.to - a.from ? b : a));
    const timeS = this.time.slice(from, to);
    const began = timeS[0] ?? 0;
    for (let i = 0; i < timeS.length; i += 1) timeS[i] = (timeS[i] ?? 0) - began;
    return {
      rows: to - from,
      timeS,
      channels: Object.fromEntries(this.readers.map(({ role, into }) => [role, into.slice(from, to)])),
      ragged: this.ragged,
      unreadable: this.unreadable,
      firstBadLine: this.firstBadLine,
      wentBack: this.starts.length - 1,
      setAside: this.rows - (to - from),
    };
  }
}
