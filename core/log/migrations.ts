/**
 * Old files and old stored days are brought up step by step: numbered, pure, without gaps.
 * To change the format: raise LOG_VERSION, append the step here, freeze a file of the old version as a
 * fixture beside the tests.
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

const MIGRATIONS: readonly Migration[] = checkSteps([], LOG_VERSION);

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
