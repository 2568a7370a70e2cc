/**
 * Migrates old files and stored days, version by version: numbered, pure, without gaps. To change the format: raise
 * LOG_VERSION, append the step here, freeze a file of the old version as a fixture beside the tests.
 */
import { LOG_VERSION } from "./schema.ts";

export interface Migration {
  /** the version it leads to */
  readonly to: number;
  readonly name: string;
  /** works on a copy; entries stand in `entries` (a day) or in `rigs[].entries` (a file) */
  readonly up: (record: Record<string, unknown>) => Record<string, unknown>;
}

export type Migrated =
  | { ok: true; record: Record<string, unknown> }
  | { ok: false; reason: "noVersion" | "newer"; version: unknown };

type Json = Record<string, unknown>;
const isObject = (value: unknown): value is Json =>
  typeof value === "object" && value !== null && !Array.isArray(value);
const objects = (value: unknown): Json[] => (Array.isArray(value) ? value.filter(isObject) : []);

/** Every entry of a day or of a file, changed in place: it is a copy already. */
function eachEntry(record: Json, change: (entry: Json) => void): Json {
  for (const holder of [record, ...objects(record["rigs"])]) objects(holder["entries"]).forEach(change);
  return record;
}

/** `locked` becomes one of several class rules. */
function lockedIntoRules(entry: Json): void {
  const { build } = entry;
  if (!isObject(build) || !("locked" in build)) return;
  build["rules"] = { locked: build["locked"], noWashers: false, onePlug: false };
  delete build["locked"];
}

/**
 * Until now every build began anew from its own baseline. An edit that reopened no doubt was a better
 * measurement; one that did was work on the machine. Of a baseline nobody had asked: the maker's book.
 */
function oneFrameOfReference(entry: Json): void {
  const { build, reopens } = entry;
  if (entry["kind"] !== "build" || !isObject(build)) return;
  if (isObject(build["baseline"])) build["baseline"]["proven"] ??= "book";
  if (Array.isArray(reopens) && reopens.length === 0) entry["corrects"] = "all";
}

/** Grades of petrol that had names of their own, by the ethanol in them. */
const GRADES: Readonly<Record<string, number>> = { "petrol-e10": 10, e85: 85 };

/** Two grades were fuels by name; now petrol says how much of it is ethanol. Works in place. */
export function ethanolOfGrades(build: unknown): void {
  const fuel = isObject(build) ? build["fuel"] : undefined;
  if (!isObject(fuel)) return;
  const ethanolPercent = GRADES[String(fuel["name"])];
  if (ethanolPercent !== undefined) Object.assign(fuel, { name: "petrol", ethanolPercent });
}

const MIGRATIONS: readonly Migration[] = checkSteps(
  [
    { to: 2, name: "class rules", up: (record) => eachEntry(record, lockedIntoRules) },
    { to: 3, name: "one frame of reference", up: (record) => eachEntry(record, oneFrameOfReference) },
    // Only new kinds of entry: an older Tamis could not read them, an older file has none.
    { to: 4, name: "answers and faults", up: (record) => record },
    // Only more in the box and a school: an older file has neither.
    { to: 5, name: "parts on the bench", up: (record) => record },
    // Only what instruments add: an older file has none of it.
    { to: 6, name: "receivers and firing", up: (record) => record },
    // Only new kinds of entry: places, forecasts, heats, routes, climates.
    { to: 7, name: "the day ahead", up: (record) => record },
    // Only a ride's name on looks, and how far to go: an older file has neither.
    { to: 8, name: "rides", up: (record) => record },
    // And a school of cylinders that differ: an older file has none.
    {
      to: 9,
      name: "fuel as it is",
      up: (record) => eachEntry(record, ({ build }) => ethanolOfGrades(build)),
    },
  ],
  LOG_VERSION,
);

/** @throws {RangeError} if the steps do not lead from 1 to the current version one by one */
export function checkSteps(steps: readonly Migration[], current: number): readonly Migration[] {
  steps.forEach((step, i) => {
    if (step.to !== i + 2)
      throw new RangeError(`migration "${step.name}" must lead to ${i + 2}, got ${step.to}`);
  });
  if (steps.length !== current - 1)
    throw new RangeError(`migrations must lead to version ${current}, got ${steps.length + 1}`);
  return steps;
}

/** @returns the record in the current version, or why it cannot be brought there */
export function migrate(
  record: Record<string, unknown>,
  steps: readonly Migration[] = MIGRATIONS,
  current: number = LOG_VERSION,
): Migrated {
  const { version } = record;
  if (typeof version !== "number" || !Number.isInteger(version) || version < 1)
    return { ok: false, reason: "noVersion", version };
  if (version > current) return { ok: false, reason: "newer", version };
  const todo = steps.filter((step) => step.to > version);
  const done = todo.reduce(
    (before, step) => ({ ...step.up(structuredCopy(before)), version: step.to }),
    record,
  );
  return { ok: true, record: done };
}

const structuredCopy = (record: Record<string, unknown>): Record<string, unknown> =>
  JSON.parse(JSON.stringify(record)) as Record<string, unknown>;
