/**
 * Corrected measurements apply retroactively: the new figure reaches back over all builds that held the old one. A
 * field that differs and was not so named is another part from then on.
 */
import type * as z from "zod/mini";
import type { PathName } from "./parts.ts";
import type { Build, BuildEntry } from "./schema.ts";

type BuildRecord = z.infer<typeof BuildEntry>;
type Path = z.infer<typeof PathName>;
type Json = Readonly<Record<string, unknown>>;

const isObject = (value: unknown): value is Json =>
  typeof value === "object" && value !== null && !Array.isArray(value);
const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

/** @returns the paths at which two records differ: down to single values, lists as a whole */
export function changedPaths(before: unknown, after: unknown, at = ""): string[] {
  if (same(before, after)) return [];
  if (!isObject(before) || !isObject(after)) return [at];
  const keys = [...new Set([...Object.keys(before), ...Object.keys(after)])];
  return keys.flatMap((key) => changedPaths(before[key], after[key], at === "" ? key : `${at}.${key}`));
}

function valueAt(record: unknown, path: readonly string[]): unknown {
  return path.reduce<unknown>((value, key) => (isObject(value) ? value[key] : undefined), record);
}

function withValue(record: unknown, [key, ...rest]: readonly string[], value: unknown): unknown {
  if (key === undefined) return value;
  if (!isObject(record)) return record;
  const { [key]: old, ...others } = record;
  const next = rest.length === 0 ? value : withValue(old, rest, value);
  return next === undefined ? others : { ...others, [key]: next };
}

/** What the tank holds: it may have been said late, or be another tank. */
export const isTank = (path: string): boolean => path === "fuel.ethanolPercent" || path === "fuel.oilRatio";

/** @returns the fields that differ and of which it matters whether they were measured better or are other parts */
export function correctableChanges(before: Build, after: Build): string[] {
  // Ethanol and oil of another fuel altogether were never in this one.
  const sameFuel = before.fuel.name === after.fuel.name;
  return changedPaths(before, after).filter(
    (path) => /^(carburettor|engine|others|baseline)\b/.test(path) || (sameFuel && isTank(path)),
  );
}

/** @returns the fields that an entry measures better, of those that changed */
function correctedPaths({ corrects = [], build }: BuildRecord, before: Build): string[] {
  const correctable = correctableChanges(before, build);
  // "All" is a word of files that knew tanks only by name: another one was another one.
  return corrects === "all"
    ? correctable.filter((path) => !isTank(path))
    : correctable.filter((path) => corrects.includes(path));
}

/**
 * @param records - the builds of a log, in order
 * @returns each as it is known today
 */
export function correctedBuilds(records: readonly BuildRecord[]): Build[] {
  const builds: Build[] = [];
  for (const record of records) {
    const before = builds.at(-1);
    if (before)
      for (const path of correctedPaths(record, before)) {
        const keys = path.split(".");
        const [old, value] = [valueAt(before, keys), valueAt(record.build, keys)];
        for (let i = builds.length - 1; i >= 0 && same(valueAt(builds[i], keys), old); i -= 1)
          builds[i] = withValue(builds[i], keys, value) as Build;
      }
    builds.push(record.build);
  }
  return builds;
}

const REOPENED_BY_PART: readonly (readonly [RegExp, readonly Path[]])[] = [
  [/^carburettor\.needle|^carburettor\.slide/, ["needle"]],
  [/^carburettor\.pilotAirJet|^carburettor\.pilotNumbering|^carburettor\.screw/, ["pilot"]],
  [/^carburettor\.mainAirJet|^carburettor\.emulsion|^carburettor\.mainNumbering/, ["main"]],
  [/^carburettor\.fuelDrop/, ["pilot", "needle", "main"]],
  [/^carburettor\.bore|^carburettors|^others|^engine/, ["pilot", "needle", "main", "zones"]],
];

/** @returns the paths whose doubt comes back because another part was fitted: none for what was only measured */
export function reopenedByParts(before: Build, record: BuildRecord): Path[] {
  const corrected = new Set(correctedPaths(record, before));
  return reopenedByPaths(changedPaths(before, record.build).filter((path) => !corrected.has(path)));
}

/** @returns the doubts that other parts in these fields bring back */
export function reopenedByPaths(fields: readonly string[]): Path[] {
  const reopened = REOPENED_BY_PART.flatMap(([pattern, paths]) =>
    fields.some((field) => pattern.test(field)) ? paths : [],
  );
  return [...new Set(reopened)];
}

/** Does one build have another carburettor, engine or baseline than the other? */
export const isAnotherMachine = (before: Build, after: Build): boolean =>
  !same(
    [before.carburettor, before.others, before.carburettors, before.engine],
    [after.carburettor, after.others, after.carburettors, after.engine],
  );
