/** Type of the folded state of a log. */
import type * as z from "zod/mini";
import type { Part, PathName, ZoneOfThrottle } from "./parts.ts";
import type { Schools } from "./schools.ts";
import type {
  AdjustEntry,
  AirEntry,
  AnswerEntry,
  BalanceEntry,
  BaseSheet,
  Build,
  BuildEntry,
  CheckEntry,
  ClimateEntry,
  Entry,
  FaultEntry,
  FitEntry,
  ForecastEntry,
  HeadersEntry,
  HeatsEntry,
  LookEntry,
  PlaceEntry,
  ProvenEntry,
  RouteEntry,
  RunEntry,
  Setting,
  TeardownEntry,
  WorkEntry,
} from "./schema.ts";
import type { CheckName } from "./walk-round-names.ts";

export type BuildRecord = z.infer<typeof BuildEntry>;
export type WorkRecord = z.infer<typeof WorkEntry>;
export type Path = z.infer<typeof PathName>;

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

export type Adjusted = Readonly<Partial<Record<AdjustEntry["set"]["what"], AdjustEntry>>>;

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
  /** of each build, how many of them there were once it was described */
  readonly reopeningsAtBuild: readonly number[];
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
