/** From a list of entries to everything the screens show. The log is the only state; all of this is derived. */
import type * as z from "zod/mini";
import { airFinder, type AirFinder } from "./air-of-look.ts";
import { reopenedBy } from "./epochs.ts";
import { reopenedByMending } from "./fault-names.ts";
import { carburettorOf } from "./carburettor-of.ts";
import { correctedBuilds, isAnotherMachine, reopenedByParts } from "./corrections.ts";
import { PARTS, type Part, type PathName, type ZoneOfThrottle } from "./parts.ts";
import { zonesOf } from "./readings/reading.ts";
import { USUAL_SCHOOLS, type Schools } from "./schools.ts";
import type {
  AdjustEntry,
  AirEntry,
  AnswerEntry,
  BalanceEntry,
  BaseSheet,
  Build,
  BuildEntry,
  Change,
  CheckEntry,
  ClimateEntry,
  Entry,
  FaultEntry,
  FitEntry,
  ForecastEntry,
  HeadersEntry,
  HeatsEntry,
  LookEntry,
  OverrideEntry,
  PlaceEntry,
  ProvenEntry,
  RouteEntry,
  RunEntry,
  Setting,
  TeardownEntry,
  WorkEntry,
} from "./schema.ts";
import { CHECKS, type CheckName } from "./walk-round-names.ts";

export type BuildRecord = z.infer<typeof BuildEntry>;
type WorkRecord = z.infer<typeof WorkEntry>;
type Path = z.infer<typeof PathName>;

/** A look together with what was fitted and what the air was when it was taken. */
export interface SeenLook {
  readonly entry: LookEntry;
  /** of the first carburettor */
  readonly setting: Setting;
  /** one a carburettor */
  readonly settings: readonly Setting[];
  /** none was ever read: the baseline's air is taken */
  readonly air: AirEntry | undefined;
  /** days to that air, where none was read on the look's own day */
  readonly airDaysOff?: number;
  /** which build it was taken on, an index into `builds` */
  readonly build: number;
  /** how many of the `reopenings` had been before it */
  readonly reopenings: number;
  /** what had been fitted before the change that it looked at, one a carburettor */
  readonly before: readonly Setting[] | undefined;
}

/** A setting that the tuner says was right. */
export interface SeenProven extends Omit<SeenLook, "entry" | "before"> {
  readonly entry: ProvenEntry;
}

/** What a fit changed, kept for words that come later: better, worse. */
export interface DoneFit {
  readonly entry: FitEntry;
  readonly befores: readonly Setting[];
  readonly afters: readonly Setting[];
  readonly build: number;
}

/** A fit that was said to have made it worse, and is still fitted: put back is the step. */
export interface WorseFit {
  readonly lookId: string;
  readonly zone: ZoneOfThrottle;
  /** one a carburettor: what goes back to what */
  readonly befores: readonly Setting[];
  readonly afters: readonly Setting[];
}

/** A run together with what was fitted and what the air was. */
export interface SeenRun extends Omit<SeenLook, "entry" | "before"> {
  readonly entry: RunEntry;
}

/** What has been changed since anybody looked. */
export interface OpenChange {
  readonly fits: readonly FitEntry[];
  /** on the first carburettor that differs */
  readonly before: Setting;
  readonly after: Setting;
  /** one a carburettor */
  readonly befores: readonly Setting[];
  readonly afters: readonly Setting[];
  /** parts that differ between the two; more than one and a look cannot tell them apart */
  readonly parts: readonly Part[];
}

export interface LogLine {
  readonly entry: Entry;
  readonly struck: boolean;
  /** why this rig cannot have it, in words: it stays in the log, and nothing is worked out from it */
  readonly setAside: string | undefined;
  /** what was fitted just before, on the first carburettor */
  readonly before: Setting | undefined;
  /** the same, one a carburettor */
  readonly befores: readonly Setting[];
  /** the machine as it was just before */
  readonly build: Build | undefined;
}

/** What is known of days to come. */
export interface Ahead {
  /** the newest word on each, by its name in small letters */
  readonly places: ReadonlyMap<string, PlaceEntry>;
  readonly forecasts: readonly ForecastEntry[];
  /** the newest */
  readonly heats: HeatsEntry | undefined;
  readonly routes: readonly RouteEntry[];
  readonly climates: readonly ClimateEntry[];
}

export const placeKey = (name: string): string => name.trim().toLowerCase();

type Adjusted = Readonly<Partial<Record<AdjustEntry["set"]["what"], AdjustEntry>>>;

export interface Present {
  readonly builds: readonly BuildRecord[];
  /** each build as it is known today: what was only measured better has always been so */
  readonly knownBuilds: readonly Build[];
  readonly build: Build | undefined;
  /** fitted on the first carburettor */
  readonly setting: Setting | undefined;
  /** one a carburettor */
  readonly settings: readonly Setting[];
  readonly air: AirEntry | undefined;
  readonly looks: readonly SeenLook[];
  /** work that brought doubts back, in order */
  readonly reopenings: readonly (readonly Path[])[];
  readonly openChange: OpenChange | undefined;
  /** the newest air came after the newest look and fit: the card is due */
  readonly cardDue: boolean;
  readonly sheet: BaseSheet | undefined;
  /** the newest word on each check of the walk-round */
  readonly checks: Readonly<Partial<Record<CheckName, CheckEntry>>>;
  /** checks that say stop, and nobody has said "I know": the card is held back */
  readonly held: readonly CheckName[];
  /** checks that say stop, and the tuner jets on all the same */
  readonly overridden: { readonly checks: readonly CheckName[]; readonly reason: string } | undefined;
  readonly teardown: readonly TeardownEntry[];
  /** the newest word on each adjuster that is not part of the jetting */
  readonly adjusted: Adjusted;
  readonly balances: readonly BalanceEntry[];
  readonly runs: readonly SeenRun[];
  /** the newest */
  readonly headers: HeadersEntry | undefined;
  /** settings that were said to be right, besides the baseline */
  readonly proven: readonly SeenProven[];
  readonly answers: readonly AnswerEntry[];
  /** what was said of faults: found and mended, or looked for and not found */
  readonly faultWords: readonly FaultEntry[];
  readonly works: readonly WorkRecord[];
  readonly schools: Schools;
  readonly fits: readonly DoneFit[];
  readonly worse: WorseFit | undefined;
  readonly ahead: Ahead;
  /** when the newest entry was made; nothing in an empty log */
  readonly newest: string | undefined;
  readonly lines: readonly LogLine[];
}

type Fitting = { readonly changes: readonly Change[] };

/** @param carburettor - counted from 1; changes that name another one leave this one alone */
export function applyFit(setting: Setting, { changes }: Fitting, carburettor = 1): Setting {
  return changes
    .filter((change) => change.carburettor === undefined || change.carburettor === carburettor)
    .reduce((now, { part, to }) => ({ ...now, [part]: to }), setting);
}

export function changedParts(before: Setting, after: Setting): Part[] {
  return PARTS.filter((part) => before[part] !== after[part]);
}

/** @returns what was right on each carburettor of a build */
export function baselineSettings({ baseline, carburettors = 1, others }: Build): Setting[] {
  return Array.from({ length: carburettors }, (_, i) => others?.[i - 1]?.setting ?? baseline.setting);
}

/** Ordered by time; entries of the same instant keep the order they were entered in. */
export function inOrder(entries: readonly Entry[]): Entry[] {
  const timed = entries.map((entry) => ({ entry, instant: Date.parse(entry.at) }));
  return timed.sort((a, b) => a.instant - b.instant).map(({ entry }) => entry);
}

/** @param ordered - in order already: what comes after all of it is put behind it, and nothing is sorted anew */
export function inOrderWith(ordered: readonly Entry[], added: readonly Entry[]): Entry[] {
  const all = [...ordered, ...added];
  const instants = [ordered.at(-1), ...added].flatMap((entry) => (entry ? [Date.parse(entry.at)] : []));
  return instants.every((instant, i) => i === 0 || instant >= (instants[i - 1] ?? 0)) ? all : inOrder(all);
}

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

interface Running {
  readonly struck: ReadonlySet<string>;
  /** the last description of the machine, which no strike takes away */
  readonly buildThatStays: string | undefined;
  /** over the whole log: a look may be held against an air that was read after it */
  airs: readonly AirEntry[];
  airAt: AirFinder;
  builds: BuildRecord[];
  build: Build | undefined;
  settings: readonly Setting[];
  air: AirEntry | undefined;
  looks: SeenLook[];
  reopenings: (readonly Path[])[];
  pending: { fits: FitEntry[]; befores: readonly Setting[] } | undefined;
  cardDue: boolean;
  sheet: BaseSheet | undefined;
  checks: Partial<Record<CheckName, CheckEntry>>;
  /** the newest "I know" of each check */
  known: Partial<Record<CheckName, OverrideEntry>>;
  teardown: TeardownEntry[];
  adjusted: Adjusted;
  balances: BalanceEntry[];
  runs: SeenRun[];
  headers: HeadersEntry | undefined;
  proven: SeenProven[];
  answers: AnswerEntry[];
  faultWords: FaultEntry[];
  works: WorkRecord[];
  schools: Schools;
  done: DoneFit[];
  worse: WorseFit | undefined;
  readonly places: Map<string, PlaceEntry>;
  readonly forecasts: ForecastEntry[];
  heats: HeatsEntry | undefined;
  readonly routes: RouteEntry[];
  readonly climates: ClimateEntry[];
}

/** A rig that gains carburettors fits their baseline; those it has keep what is fitted. */
function rebuilt(now: Running, entry: BuildRecord): void {
  // What was fitted before on another machine is no way back on this one.
  if (now.build && isAnotherMachine(now.build, entry.build))
    [now.pending, now.worse] = [undefined, undefined];
  const reopens = [...new Set([...entry.reopens, ...(now.build ? reopenedByParts(now.build, entry) : [])])];
  now.builds.push(entry);
  now.build = entry.build;
  now.settings = baselineSettings(entry.build).map((setting, i) => now.settings[i] ?? setting);
  if (reopens.length > 0) now.reopenings.push(reopens);
}

function fitted(now: Running, entry: FitEntry): void {
  if (now.settings.length === 0) return;
  // Put back after "worse": what stands there now was looked at before, nothing is open.
  if (now.pending || entry.because !== "putBack")
    now.pending = {
      fits: [...(now.pending?.fits ?? []), entry],
      befores: now.pending?.befores ?? now.settings,
    };
  const befores = now.settings;
  now.settings = now.settings.map((setting, i) => applyFit(setting, entry, i + 1));
  now.done.push({ entry, befores, afters: now.settings, build: now.builds.length - 1 });
  now.worse = undefined;
  now.cardDue = false;
}

/** What a look or a run is held against, or nothing while there is no rig. */
function circumstances(now: Running, { at }: Entry): Omit<SeenRun, "entry"> | undefined {
  const { settings, airAt, builds, reopenings } = now;
  const [setting] = settings;
  const build = builds.length - 1;
  return setting && { setting, settings, ...airAt(at), build, reopenings: reopenings.length };
}

/** Where on the throttle a part works: a look elsewhere says nothing of its change. */
const WORKS_IN: Readonly<Record<Part, readonly ZoneOfThrottle[]>> = {
  pilot: ["idle", "low"],
  screwTurns: ["idle", "low"],
  clip: ["mid", "top"],
  shimMm: ["mid", "top"],
  main: ["mid", "top"],
};

/** Did the open change move what this look saw: one of its zones, on the carburettor it looked through? */
function seesChange({ pending, settings, build }: Running, { reading, cylinder }: LookEntry): boolean {
  if (!pending || !build) return false;
  const seen = zonesOf(reading);
  const through = cylinder === undefined ? undefined : carburettorOf(build, cylinder - 1);
  return settings.some((after, i) => {
    if (through !== undefined && through !== i) return false;
    const moved = changedParts(pending.befores[i] ?? after, after);
    return moved.some((part) => WORKS_IN[part].some((zone) => seen.includes(zone)));
  });
}

/** A verdict remembers the fit it is about; without one it is about the open change. */
function comparedBefores(now: Running, { reading }: LookEntry): readonly Setting[] | undefined {
  if (reading.type === "compared" && reading.fit !== undefined) {
    const fit = now.done.find(({ entry }) => entry.id === reading.fit);
    return fit?.build === now.builds.length - 1 ? fit.befores : undefined;
  }
  return now.pending?.befores;
}

const sameSettings = (a: readonly Setting[], b: readonly Setting[]): boolean =>
  JSON.stringify(a) === JSON.stringify(b);

function looked(now: Running, entry: LookEntry): void {
  const then = circumstances(now, entry);
  if (!then) return;
  const { reading } = entry;
  const before = comparedBefores(now, entry);
  const said = reading.type === "compared";
  const sees = seesChange(now, entry);
  now.looks.push({ entry, ...then, before: said || sees ? before : undefined });
  if (said && reading.verdict === "worse" && before && !sameSettings(before, now.settings))
    now.worse = { lookId: entry.id, zone: reading.zone, befores: before, afters: now.settings };
  else if (sees) now.worse = undefined;
  if (said || sees) now.pending = undefined;
  now.cardDue = false;
}

function proved(now: Running, entry: ProvenEntry): void {
  const then = circumstances(now, entry);
  if (!then) return;
  const settings = entry.setting ? now.settings.map(() => entry.setting ?? then.setting) : then.settings;
  now.proven.push({ entry, ...then, setting: settings[0] ?? then.setting, settings });
}

function ran(now: Running, entry: RunEntry): void {
  const then = circumstances(now, entry);
  if (then) now.runs.push({ entry, ...then });
}

function step(now: Running, entry: Entry): void {
  switch (entry.kind) {
    case "build":
      return rebuilt(now, entry);
    case "box":
      if (now.build) now.build = { ...now.build, box: entry.box };
      return;
    case "base":
      now.sheet = entry.sheet;
      return;
    case "air":
      now.air = entry;
      now.cardDue = true;
      return;
    case "check":
      now.checks[entry.check] = entry;
      delete now.known[entry.check];
      return;
    case "override":
      for (const check of entry.checks) now.known[check] = entry;
      return;
    case "fit":
      return fitted(now, entry);
    case "look":
      return looked(now, entry);
    case "work":
      now.works.push(entry);
      now.reopenings.push(reopenedBy(entry.what));
      return;
    case "teardown":
      now.teardown.push(entry);
      return;
    case "adjust":
      now.adjusted = { ...now.adjusted, [entry.set.what]: entry };
      return;
    case "balance":
      now.balances.push(entry);
      return;
    case "run":
      return ran(now, entry);
    case "headers":
      now.headers = entry;
      return;
    case "proven":
      return proved(now, entry);
    case "school":
      now.schools = { ...now.schools, [entry.school.what]: entry.school.is };
      return;
    case "answer":
      now.answers.push(entry);
      return;
    case "fault":
      now.faultWords.push(entry);
      if (entry.is === "mended") now.reopenings.push(reopenedByMending(entry.fault));
      return;
    case "place":
      now.places.set(placeKey(entry.name), entry);
      return;
    case "forecast":
      now.forecasts.push(entry);
      return;
    case "heats":
      now.heats = entry;
      return;
    case "route":
      now.routes.push(entry);
      return;
    case "climate":
      now.climates.push(entry);
      return;
    case "import":
    case "note":
    case "strike":
      return;
  }
}

function openChange({ pending, settings }: Running): OpenChange | undefined {
  if (!pending) return undefined;
  const { befores } = pending;
  const moved = settings.map((after, i) => changedParts(befores[i] ?? after, after));
  const parts = PARTS.filter((part) => moved.some((list) => list.includes(part)));
  const first = moved.findIndex((list) => list.length > 0);
  const [before, after] = [befores[first], settings[first]];
  return before && after
    ? { fits: pending.fits, before, after, befores, afters: settings, parts }
    : undefined;
}

/** What says stop: held back, or jetted on with a reason. */
function stops({ checks, known }: Running): Pick<Present, "held" | "overridden"> {
  const stopped = CHECKS.filter((check) => checks[check]?.state === "stop");
  const overridden = stopped.filter((check) => known[check] !== undefined);
  const reasons = new Set(overridden.map((check) => known[check]?.reason ?? ""));
  return {
    held: stopped.filter((check) => known[check] === undefined),
    overridden: overridden.length === 0 ? undefined : { checks: overridden, reason: [...reasons].join("; ") },
  };
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

const start = (
  struck: ReadonlySet<string>,
  buildThatStays: string | undefined,
  airs: readonly AirEntry[],
): Running => ({
  struck,
  buildThatStays,
  airs,
  airAt: airFinder(airs),
  builds: [],
  build: undefined,
  settings: [],
  air: undefined,
  looks: [],
  reopenings: [],
  pending: undefined,
  cardDue: false,
  sheet: undefined,
  checks: {},
  known: {},
  teardown: [],
  adjusted: {},
  balances: [],
  runs: [],
  headers: undefined,
  proven: [],
  answers: [],
  faultWords: [],
  works: [],
  schools: USUAL_SCHOOLS,
  done: [],
  worse: undefined,
  places: new Map(),
  forecasts: [],
  heats: undefined,
  routes: [],
  climates: [],
});

/** What runs on from here leaves what was made of it until here as it is. */
const copyOf = (now: Running): Running => ({
  ...now,
  builds: [...now.builds],
  looks: [...now.looks],
  reopenings: [...now.reopenings],
  checks: { ...now.checks },
  known: { ...now.known },
  teardown: [...now.teardown],
  balances: [...now.balances],
  runs: [...now.runs],
  proven: [...now.proven],
  answers: [...now.answers],
  faultWords: [...now.faultWords],
  works: [...now.works],
  done: [...now.done],
  places: new Map(now.places),
  forecasts: [...now.forecasts],
  routes: [...now.routes],
  climates: [...now.climates],
});

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
  const { adjusted, balances, runs, headers, proven, answers, faultWords, works, schools, done, worse } = now;
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
function runsOn(before: Present, { buildThatStays }: Running, added: readonly Entry[]): boolean {
  const { lines, looks, runs, proven } = before;
  // A strike takes from what was.
  if (buildThatStays !== undefined || added.some(({ kind }) => kind === "strike")) return false;
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
