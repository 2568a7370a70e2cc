/** From a list of entries to everything the screens show. The log is the only state; all of this is derived. */
import type * as z from "zod";
import { reopenedBy } from "./epochs.ts";
import { PARTS, type Part, type PathName } from "./parts.ts";
import type {
  AdjustEntry,
  AirEntry,
  BalanceEntry,
  BaseSheet,
  Build,
  BuildEntry,
  Change,
  CheckEntry,
  Entry,
  FitEntry,
  HeadersEntry,
  LookEntry,
  OverrideEntry,
  RunEntry,
  Setting,
  TeardownEntry,
} from "./schema.ts";
import { CHECKS, type CheckName } from "./walk-round-names.ts";

export type BuildRecord = z.infer<typeof BuildEntry>;
type Path = z.infer<typeof PathName>;

/** A look together with what was fitted and what the air was when it was taken. */
export interface SeenLook {
  readonly entry: LookEntry;
  /** of the first carburettor */
  readonly setting: Setting;
  /** one a carburettor */
  readonly settings: readonly Setting[];
  /** none had been read before this look: the baseline's air is taken */
  readonly air: AirEntry | undefined;
  /** which build it was taken on, an index into `builds` */
  readonly build: number;
  /** how many of the `reopenings` had been before it */
  readonly reopenings: number;
  /** what had been fitted before the change that it looked at, one a carburettor */
  readonly before: readonly Setting[] | undefined;
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
  /** what was fitted just before, on the first carburettor */
  readonly before: Setting | undefined;
  /** the same, one a carburettor */
  readonly befores: readonly Setting[];
  /** the machine as it was just before */
  readonly build: Build | undefined;
}

type Adjusted = Readonly<Partial<Record<AdjustEntry["set"]["what"], AdjustEntry>>>;

export interface Present {
  readonly builds: readonly BuildRecord[];
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
  return [...entries].sort((a, b) => Date.parse(a.at) - Date.parse(b.at));
}

/** A strike can itself be struck, which brings its entry back: the last word counts. */
function struckIds(ordered: readonly Entry[]): Set<string> {
  const struck = new Set<string>();
  for (const entry of [...ordered].reverse())
    if (entry.kind === "strike" && !struck.has(entry.id)) struck.add(entry.strikes);
  return struck;
}

interface Running {
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
}

/** A rig that gains carburettors fits their baseline; those it has keep what is fitted. */
function rebuilt(now: Running, entry: BuildRecord): void {
  now.builds.push(entry);
  now.build = entry.build;
  now.settings = baselineSettings(entry.build).map((setting, i) => now.settings[i] ?? setting);
  if (entry.reopens.length > 0) now.reopenings.push(entry.reopens);
}

function fitted(now: Running, entry: FitEntry): void {
  if (now.settings.length === 0) return;
  // Put back after "worse": what stands there now was looked at before, nothing is open.
  if (now.pending || entry.because !== "putBack")
    now.pending = {
      fits: [...(now.pending?.fits ?? []), entry],
      befores: now.pending?.befores ?? now.settings,
    };
  now.settings = now.settings.map((setting, i) => applyFit(setting, entry, i + 1));
  now.cardDue = false;
}

/** What a look or a run is held against, or nothing while there is no rig. */
function circumstances(now: Running): Omit<SeenRun, "entry"> | undefined {
  const { settings, air, builds, reopenings } = now;
  const [setting] = settings;
  return setting && { setting, settings, air, build: builds.length - 1, reopenings: reopenings.length };
}

function looked(now: Running, entry: LookEntry): void {
  const then = circumstances(now);
  if (!then) return;
  now.looks.push({ entry, ...then, before: now.pending?.befores });
  now.pending = undefined;
  now.cardDue = false;
}

function ran(now: Running, entry: RunEntry): void {
  const then = circumstances(now);
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

/** @param entries - of one rig, in any order; @returns what they add up to now */
export function fold(entries: readonly Entry[]): Present {
  const ordered = inOrder(entries);
  const struck = struckIds(ordered);
  const now: Running = {
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
  };
  const lines = ordered.map((entry): LogLine => {
    const { settings: befores, build } = now;
    const line = { entry, struck: struck.has(entry.id), before: befores[0], befores, build };
    if (!line.struck) step(now, entry);
    return line;
  });
  const { builds, build, settings, air, looks, reopenings, cardDue, sheet, checks, teardown } = now;
  const { adjusted, balances, runs, headers } = now;
  return {
    builds,
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
    lines,
  };
}
