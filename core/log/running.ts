/** Accumulator while a log is folded entry by entry. */
import { airFinder, type AirFinder } from "./air-of-look.ts";
import { reopenedBy } from "./epochs.ts";
import { isSeenOnPlugsAlone, reopenedByMending } from "./fault-names.ts";
import { carburettorOf } from "./carburettor-of.ts";
import { isAnotherMachine, reopenedByParts } from "./corrections.ts";
import { PARTS, type Part, type ZoneOfThrottle } from "./parts.ts";
import type {
  BuildRecord,
  WorkRecord,
  Path,
  SeenLook,
  SeenProven,
  DoneFit,
  WorseFit,
  SeenRun,
  OpenChange,
  Adjusted,
  Present,
} from "./present.ts";
import { zonesOf } from "./readings/reading.ts";
import { USUAL_SCHOOLS, type Schools } from "./schools.ts";
import type {
  AirEntry,
  AnswerEntry,
  BalanceEntry,
  BaseSheet,
  Build,
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
} from "./schema.ts";
import { placeKey } from "./day-schema.ts";
import { dayOf } from "./schema.ts";
import { applyFit, changedParts, baselineSettings } from "./settings.ts";
import { CHECKS, type CheckName } from "./walk-round-names.ts";

export interface Running {
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
  /** of each build, how many reopenings there were once it was described */
  reopeningsAtBuild: number[];
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
  now.reopeningsAtBuild.push(now.reopenings.length);
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

export function step(now: Running, entry: Entry): void {
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
      if (entry.is === "mended") mended(now, entry);
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

/** What a plug showed while it, or its spark, was failing says nothing of the mixture: that day's count no longer. */
function mended(now: Running, { fault, at }: FaultEntry): void {
  now.reopenings.push(reopenedByMending(fault));
  if (!isSeenOnPlugsAlone(fault)) return;
  const failed = ({ entry: { reading, at: then } }: SeenLook) =>
    reading.type === "plug" && dayOf(then) === dayOf(at) && !reading.findings?.includes("specks");
  now.looks = now.looks.filter((look) => !failed(look));
}

export function openChange({ pending, settings }: Running): OpenChange | undefined {
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
export function stops({ checks, known }: Running): Pick<Present, "held" | "overridden"> {
  const stopped = CHECKS.filter((check) => checks[check]?.state === "stop");
  const overridden = stopped.filter((check) => known[check] !== undefined);
  const reasons = new Set(overridden.map((check) => known[check]?.reason ?? ""));
  return {
    held: stopped.filter((check) => known[check] === undefined),
    overridden: overridden.length === 0 ? undefined : { checks: overridden, reason: [...reasons].join("; ") },
  };
}

export const start = (
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
  reopeningsAtBuild: [],
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
export const copyOf = (now: Running): Running => ({
  ...now,
  builds: [...now.builds],
  looks: [...now.looks],
  reopenings: [...now.reopenings],
  reopeningsAtBuild: [...now.reopeningsAtBuild],
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
