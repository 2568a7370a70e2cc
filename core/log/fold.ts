/** Folds a log's entries into the state that the screens show; the log is the only source of state. */
import { airFinder } from "./air-of-look.ts";
import { correctedBuilds } from "./corrections.ts";
import { inOrder } from "./in-order.ts";
import type { LogLine, Present } from "./present.ts";
import { copyOf, openChange, start, step, stops, type Running } from "./running.ts";
import type { AirEntry, Entry } from "./schema.ts";

/** A strike can itself be struck, which brings its entry back, whatever the clock said when it was. */
function struckIds(ordered: readonly Entry[]): Set<string> {
  const strikes = new Map<string, string[]>();
  for (const entry of ordered)
    if (entry.kind === "strike")
      strikes.set(entry.strikes, [...(strikes.get(entry.strikes) ?? []), entry.id]);
  const known = new Map<string, boolean>();
  const isStruck = (id: string): boolean => {
    const before = known.get(id);
    if (before !== undefined) return before;
    known.set(id, false); // strikes that strike each other in a circle strike nothing
    const struck = (strikes.get(id) ?? []).some((strike) => !isStruck(strike));
    known.set(id, struck);
    return struck;
  };
  return new Set([...strikes.keys()].filter(isStruck));
}

/** Struck through, the last description of the machine would leave nothing to say what rig this is: it stays. */
function lastBuildStays(ordered: readonly Entry[], struck: Set<string>): string | undefined {
  const builds = ordered.filter(({ kind }) => kind === "build");
  const last = builds.at(-1);
  if (!last || builds.some(({ id }) => !struck.has(id))) return undefined;
  struck.delete(last.id);
  return last.id;
}

type Refusal = (line: Omit<LogLine, "setAside">) => string | undefined;

/** Takes one more entry in. */
function lineOf(now: Running, entry: Entry, refusal: Refusal): LogLine {
  const { settings: befores, build } = now;
  const line = { entry, struck: now.struck.has(entry.id), before: befores[0], befores, build };
  if (line.struck) return { ...line, setAside: undefined };
  const setAside =
    entry.kind === "strike" && entry.strikes === now.buildThatStays
      ? "a rig must keep one description of its machine, got its last one struck through"
      : refusal(line);
  if (setAside === undefined) step(now, entry);
  return { ...line, setAside };
}

/** From what a fold was made of, to run on from there. */
const ranTo = new WeakMap<Present, Running>();

function presentAfter(now: Running, lines: readonly LogLine[]): Present {
  const { builds, build, settings, air, looks, reopenings, cardDue, sheet, checks, teardown } = now;
  const {
    reopeningsAtBuild,
    adjusted,
    balances,
    runs,
    headers,
    proven,
    answers,
    faultWords,
    works,
    schools,
    done,
    worse,
  } = now;
  const { places, forecasts, heats, routes, climates } = now;
  const present: Present = {
    builds,
    knownBuilds: correctedBuilds(builds),
    build,
    setting: settings[0],
    settings,
    air,
    looks,
    reopenings,
    reopeningsAtBuild,
    openChange: openChange(now),
    cardDue,
    sheet,
    checks,
    ...stops(now),
    teardown,
    adjusted,
    balances,
    runs,
    headers,
    proven,
    answers,
    faultWords,
    works,
    schools,
    fits: done,
    worse,
    ahead: { places, forecasts, heats, routes, climates },
    newest: lines.at(-1)?.entry.at,
    lines,
  };
  ranTo.set(present, now);
  return present;
}

/** @param refusal - why an air cannot be, in words */
const possibleAirs = (entries: readonly Entry[], struck: ReadonlySet<string>, refusal: Refusal): AirEntry[] =>
  entries.filter(
    (entry): entry is AirEntry =>
      entry.kind === "air" &&
      !struck.has(entry.id) &&
      refusal({ entry, struck: false, before: undefined, befores: [], build: undefined }) === undefined,
  );

/**
 * @param entries - of one rig, in any order
 * @param refusal - why an entry cannot be where it stands, in words; it is then set aside
 * @returns what they add up to now
 */
export function fold(entries: readonly Entry[], refusal: Refusal = () => undefined): Present {
  const ordered = inOrder(entries);
  const struck = struckIds(ordered);
  const buildThatStays = lastBuildStays(ordered, struck);
  const airs = possibleAirs(ordered, struck, refusal);
  const now = start(struck, buildThatStays, airs);
  return presentAfter(
    now,
    ordered.map((entry) => lineOf(now, entry, refusal)),
  );
}

/** Do these come after all the others, and leave those as they are? */
function runsOn(before: Present, now: Running, added: readonly Entry[]): boolean {
  const { lines, looks, runs, proven } = before;
  // A strike takes from what was, and one may have come before what it strikes.
  if (now.buildThatStays !== undefined) return false;
  if (added.some(({ kind, id }) => kind === "strike" || now.struck.has(id))) return false;
  const instants = [lines.at(-1)?.entry.at ?? "", ...added.map(({ at }) => at)].map((at) => Date.parse(at));
  if (!instants.every((instant, i) => i === 0 || instant >= (instants[i - 1] ?? Infinity))) return false;
  // The first air of a day is also that of what was seen before it on the day, and may be the nearest to what was seen
  // on days without one.
  const withoutOwnAir = [looks, runs, proven].some((seen) =>
    seen.some(({ air, airDaysOff }) => air === undefined || airDaysOff !== undefined),
  );
  return !(withoutOwnAir && added.some(({ kind }) => kind === "air"));
}

/**
 * @param before - what {@link fold} made of a log
 * @param added - what comes to it
 * @returns what `fold` makes of all of it; what comes after all the others costs itself alone
 */
export function foldOn(
  before: Present,
  added: readonly Entry[],
  refusal: Refusal = () => undefined,
): Present {
  const until = ranTo.get(before);
  if (!until || !runsOn(before, until, added))
    return fold([...before.lines.map(({ entry }) => entry), ...added], refusal);
  const now = copyOf(until);
  const airs = possibleAirs(added, now.struck, refusal);
  if (airs.length > 0) {
    now.airs = [...now.airs, ...airs];
    now.airAt = airFinder(now.airs);
  }
  return presentAfter(now, [...before.lines, ...added.map((entry) => lineOf(now, entry, refusal))]);
}
