/**
 * The only definition of what a log holds. Types come from here by `z.infer`; every door (storage, file,
 * worker, form) parses with it. Objects are strict: a key we do not know is a mistake.
 */
import * as z from "zod";
import { ELEVATION_DOMAIN_M, SEA_LEVEL_DOMAIN_PA } from "../units/domains.ts";
import { AirState, Box, Build, mm, Setting, Stamp, within, Words } from "./build-schema.ts";
import { WorkNameSchema } from "./epochs.ts";
import {
  CROWNS,
  HEADER_COLOURS,
  HEAT_SENSORS,
  PathName,
  PLUG_FINDINGS,
  PLUG_PROTOCOLS,
  TONES,
  VERDICTS,
  ZoneName,
} from "./parts.ts";
import { SymptomName } from "./symptom-names.ts";
import { TeardownStep } from "./teardown-names.ts";
import { CheckName, CheckState, FindingName, MeasureName } from "./walk-round-names.ts";

export { Box, Build, Setting, type JetPart, type LoggedCarburettor } from "./build-schema.ts";

const Text = z.string().trim().max(2000);

/** `look:k3f9…`: says what it points at, so files and logs are readable. */
export const EntryId = z
  .string()
  .regex(
    /^(build|box|base|air|check|override|fit|look|work|teardown|adjust|balance|headers|run|import|note|strike):[A-Za-z0-9-]{4,60}$/,
    "an entry's id looks like look:k3f9-01",
  );
export const PhotoId = z
  .string()
  .regex(/^photo:[A-Za-z0-9-]{4,60}$/, "a photo's id looks like photo:k3f9-01");
export const RigId = z.string().regex(/^rig:[A-Za-z0-9-]{4,60}$/, "a rig's id looks like rig:enduro-27");

/** With the offset of the place, so that the day and the hour are the tuner's own. */
export const Instant = z.iso.datetime({ offset: true });

export const Header = z.strictObject({
  id: RigId,
  name: z.string().trim().min(1).max(60),
  /** the number plate is the rig's face */
  plate: z.string().trim().min(1).max(4),
  /** made by the app's own simulated engine */
  simulated: z.boolean().optional(),
});
export type Header = z.infer<typeof Header>;

const entry = <K extends string, S extends z.core.$ZodLooseShape>(kind: K, shape: S) =>
  z.strictObject({ id: EntryId, at: Instant, kind: z.literal(kind), ...shape });

export const BuildEntry = entry("build", {
  build: Build,
  /** paths whose doubt this work reopens: a cleaned jet, a new pipe */
  reopens: z.array(PathName).max(5),
  why: Text,
});

/** The jet box from now on. */
export const BoxEntry = entry("box", { box: Box, why: Text });

const Limit = z.strictObject({
  min: mm(-50, 500).optional(),
  max: mm(-50, 500).optional(),
  /** where it comes from: a manual's page, a measurement on a new part */
  source: Words,
});
export type Limit = z.infer<typeof Limit>;

/** What the maker's book says of one carburettor, typed once and found again by the number stamped on it. */
export const BaseSheet = z.strictObject({
  stamp: Stamp,
  source: Words,
  setting: Setting,
  limits: z.partialRecord(MeasureName, Limit),
});
export type BaseSheet = z.infer<typeof BaseSheet>;
export const BaseEntry = entry("base", { sheet: BaseSheet });

/** One check of the walk-round, with what was measured and found. */
export const CheckEntry = entry("check", {
  check: CheckName,
  state: CheckState,
  measured: z.partialRecord(MeasureName, mm(-50, 5000)),
  findings: z.array(FindingName).max(20),
  note: Text,
  simulated: z.boolean().optional(),
});
export type CheckEntry = z.infer<typeof CheckEntry>;

/** "I know": the tuner jets on although these checks say stop. Logged, and printed on the card. */
export const OverrideEntry = entry("override", {
  checks: z.array(CheckName).min(1).max(13),
  reason: z.string().trim().min(1).max(200),
});
export type OverrideEntry = z.infer<typeof OverrideEntry>;

/** Work on the machine that reopens doubts; which ones follows from `what`. */
export const WorkEntry = entry("work", { what: WorkNameSchema, why: Text });

export const PhotoRef = z.strictObject({
  id: PhotoId,
  widthPx: z.int().min(1).max(4096),
  heightPx: z.int().min(1).max(4096),
});
export type PhotoRef = z.infer<typeof PhotoRef>;

/** A part taken out or put back: what it reads, and photos from before it went into the cleaner. */
export const TeardownEntry = entry("teardown", {
  step: TeardownStep,
  moved: z.enum(["out", "in"]),
  /** as stamped or measured */
  reads: Words,
  /** how tight, by whose book */
  torque: Words,
  note: Text,
  photos: z.array(PhotoRef).max(12),
});
export type TeardownEntry = z.infer<typeof TeardownEntry>;

/** The air as the instrument showed it; what follows from it is computed, never stored. */
export const AirEntry = entry("air", {
  temperatureK: AirState.shape.temperatureK,
  humidity: z.discriminatedUnion("kind", [
    z.strictObject({ kind: z.literal("relative"), fraction: z.number().min(0).max(1) }),
    z.strictObject({ kind: z.literal("dewPoint"), temperatureK: AirState.shape.temperatureK }),
    z.strictObject({ kind: z.literal("wetBulb"), temperatureK: AirState.shape.temperatureK }),
  ]),
  pressure: z.discriminatedUnion("kind", [
    z.strictObject({ kind: z.literal("station"), pressurePa: AirState.shape.pressurePa }),
    z.strictObject({ kind: z.literal("seaLevel"), pressurePa: within(SEA_LEVEL_DOMAIN_PA) }),
    z.strictObject({ kind: z.literal("standard") }),
  ]),
  /** needed where the pressure is not the station's */
  elevationM: within(ELEVATION_DOMAIN_M).optional(),
  place: z.string().trim().max(60),
  simulated: z.boolean().optional(),
});
export type AirEntry = z.infer<typeof AirEntry>;

/** On which carburettor; none named: on all. */
const carburettor = z.int().min(1).max(6).optional();

/** One part set to a value: jets as stamped, the screw in turns out, the clip by groove from the top. */
export const Change = z.discriminatedUnion("part", [
  z.strictObject({ part: z.literal("pilot"), to: Setting.shape.pilot, carburettor }),
  z.strictObject({ part: z.literal("screwTurns"), to: Setting.shape.screwTurns, carburettor }),
  z.strictObject({ part: z.literal("clip"), to: Setting.shape.clip, carburettor }),
  z.strictObject({ part: z.literal("main"), to: Setting.shape.main, carburettor }),
  z.strictObject({ part: z.literal("shimMm"), to: Setting.shape.shimMm, carburettor }),
]);
export type Change = z.infer<typeof Change>;

export const FitEntry = entry("fit", {
  changes: z.array(Change).min(1).max(30),
  because: z.enum(["card", "advice", "putBack", "base", "teardown", "own"]),
});
export type FitEntry = z.infer<typeof FitEntry>;

/** What a thermocouple can show of an engine. */
const HeatK = z.number().min(230).max(1600);

export const PlugReading = z.strictObject({
  type: z.literal("plug"),
  zone: ZoneName,
  tone: z.enum(TONES),
  /** a clean cut speaks for its zone alone; rolled to idle, it speaks for idle too */
  cut: z.enum(["clean", "rolled", "unknown"]),
  /** heat-range steps colder than the right plug (negative: hotter) */
  colderSteps: z.int().min(-3).max(3),
  /** what else is on it: each has a consequence of its own */
  findings: z.array(z.enum(PLUG_FINDINGS)).max(4).optional(),
  /** the tones elsewhere on it; `tone` is that of the porcelain near its root */
  places: z
    .strictObject({
      face: z.enum(TONES).optional(),
      strap: z.enum(TONES).optional(),
      ring: z.enum(TONES).optional(),
    })
    .optional(),
  /** it has run before, at other settings; else new or known to be clean */
  used: z.literal(true).optional(),
  /** how the mark was made: seconds held, or laps */
  made: z
    .strictObject({ by: z.enum(PLUG_PROTOCOLS), amount: z.number().min(0).max(36_000).optional() })
    .optional(),
  /** read off a photo, and how sure that was; the tuner's own word otherwise */
  photoSure: z.number().min(0).max(1).optional(),
});

const Reading = z.discriminatedUnion("type", [
  PlugReading,
  z.strictObject({ type: z.literal("crown"), zone: ZoneName, crown: z.enum(CROWNS) }),
  z.strictObject({ type: z.literal("header"), zone: ZoneName, colour: z.enum(HEADER_COLOURS) }),
  z.strictObject({
    type: z.literal("temperature"),
    zone: ZoneName,
    sensor: z.enum(HEAT_SENSORS),
    temperatureK: HeatK,
    /** where the run began, when it is the rise that counts */
    risenFromK: HeatK.optional(),
  }),
  z.strictObject({
    type: z.literal("lambda"),
    zone: ZoneName,
    lambda: z.number().min(0.4).max(2),
    /** near the open end air is drawn in */
    sensor: z.enum(["inside", "openEnd"]),
    /** from a logger's file: how long it stood in the zone, and how much it moved there */
    logged: z
      .strictObject({ seconds: z.number().min(0.1).max(1_000_000), spread: z.number().min(0).max(1) })
      .optional(),
  }),
  z.strictObject({
    type: z.literal("bestIdle"),
    zone: z.literal("idle"),
    /** where the idle had fallen by 2 %, turns out: the mixture is right between the two */
    fallInTurns: z.number().min(0).max(20),
    fallOutTurns: z.number().min(0).max(20),
    /** doubt of the middle between them */
    sdTurns: z.number().min(0.01).max(5),
    /** what was read, the fit can be made again from it */
    points: z
      .array(z.strictObject({ turns: z.number().min(0).max(20), rpm: z.number().min(100).max(20_000) }))
      .min(5)
      .max(200),
  }),
  z.strictObject({ type: z.literal("symptom"), zone: ZoneName, symptom: SymptomName }),
  /** against what was fitted before the open change */
  z.strictObject({
    type: z.literal("compared"),
    zone: ZoneName,
    verdict: z.enum(VERDICTS),
  }),
]);
export type Reading = z.infer<typeof Reading>;

export const LookEntry = entry("look", {
  reading: Reading,
  /** counted from 1; none: of the engine as a whole */
  cylinder: z.int().min(1).max(6).optional(),
  simulated: z.boolean().optional(),
});
export type LookEntry = z.infer<typeof LookEntry>;

/** An adjuster that is not part of the jetting, as it was left. */
export const AdjustEntry = entry("adjust", {
  set: z.discriminatedUnion("what", [
    z.strictObject({ what: z.literal("idleSpeed"), rpm: z.number().min(300).max(8000) }),
    /** of a second stop, a few hundred lower: it saves the run when the first one breaks */
    z.strictObject({ what: z.literal("spareIdleSpeed"), rpm: z.number().min(200).max(8000) }),
    /** the accelerator pump's screw, out from seated */
    z.strictObject({ what: z.literal("pump"), turns: z.number().min(0).max(20) }),
  ]),
  simulated: z.boolean().optional(),
});
export type AdjustEntry = z.infer<typeof AdjustEntry>;

/** How far below the air outside the intake behind each carburettor stands, in their order. */
const Depressions = z.array(z.number().min(0).max(101_000)).min(2).max(6);

/** The carburettors brought into step by their vacuum: how it was, how it was left. */
export const BalanceEntry = entry("balance", {
  speed: z.enum(["idle", "cruise"]),
  beforePa: Depressions,
  afterPa: Depressions,
  simulated: z.boolean().optional(),
});
export type BalanceEntry = z.infer<typeof BalanceEntry>;

const Seconds = z.number().min(0.1).max(36_000);
const Metres = z.number().min(1).max(2_000_000);
const MetresPerSecond = z.number().min(0.5).max(150);

/** One timed run, with what was fitted then. */
export const RunEntry = entry("run", {
  run: z.discriminatedUnion("what", [
    z.strictObject({ what: z.literal("lap"), seconds: Seconds }),
    z.strictObject({ what: z.literal("toSpeed"), seconds: Seconds, speedMs: MetresPerSecond }),
    z.strictObject({ what: z.literal("distance"), seconds: Seconds, lengthM: Metres }),
    z.strictObject({ what: z.literal("topSpeed"), speedMs: MetresPerSecond }),
    z.strictObject({ what: z.literal("fuel"), litres: z.number().min(0.01).max(500), lengthM: Metres }),
  ]),
  simulated: z.boolean().optional(),
});
export type RunEntry = z.infer<typeof RunEntry>;
export type Run = RunEntry["run"];

/** The header pipes measured side by side, in the order of the cylinders; left out where nobody pointed. */
export const HeadersEntry = entry("headers", {
  temperaturesK: z.array(z.number().min(200).max(1500).nullable()).min(2).max(6),
  simulated: z.boolean().optional(),
});
export type HeadersEntry = z.infer<typeof HeadersEntry>;

/** A logger's file that was read: what came of it stands in looks and runs of its own. */
export const ImportEntry = entry("import", {
  file: z.string().trim().min(1).max(200),
  rows: z.int().min(1).max(10_000_000),
  seconds: z.number().min(0).max(10_000_000),
  /** from the nozzle to the sensor, where it could be told */
  delayS: z.number().min(0).max(10).optional(),
  simulated: z.boolean().optional(),
});
export type ImportEntry = z.infer<typeof ImportEntry>;

export const NoteEntry = entry("note", { text: z.string().trim().min(1).max(2000) });
/** Nothing is edited: a wrong entry is struck through by a later one. */
export const StrikeEntry = entry("strike", { strikes: EntryId, why: Text });

export const Entry = z.discriminatedUnion("kind", [
  BuildEntry,
  BoxEntry,
  BaseEntry,
  AirEntry,
  CheckEntry,
  OverrideEntry,
  FitEntry,
  LookEntry,
  WorkEntry,
  TeardownEntry,
  AdjustEntry,
  BalanceEntry,
  HeadersEntry,
  RunEntry,
  ImportEntry,
  NoteEntry,
  StrikeEntry,
]);
export type Entry = z.infer<typeof Entry>;
export type EntryKind = Entry["kind"];

/** The format's number; raise it together with a migration in migrations.ts. */
export const LOG_VERSION = 2;

/** A day as it is stored: one key, one atomic write. */
export const StoredDay = z.strictObject({
  version: z.literal(LOG_VERSION),
  revision: z.int().min(1),
  entries: z.array(Entry),
});
export type StoredDay = z.infer<typeof StoredDay>;

/** A photo as files carry it. */
export const FilePhoto = z.strictObject({
  rigId: RigId,
  id: PhotoId,
  /** JPEG, base64 */
  jpeg: z.base64().max(4 * 1024 * 1024),
});
export type FilePhoto = z.infer<typeof FilePhoto>;

/** What export writes and import reads. */
export const LogFile = z.strictObject({
  format: z.literal("tamis"),
  version: z.literal(LOG_VERSION),
  savedAt: Instant,
  rigs: z.array(z.strictObject({ header: Header, entries: z.array(Entry) })),
  photos: z.array(FilePhoto).max(2000).optional(),
});
export type LogFile = z.infer<typeof LogFile>;

/** @returns the day an entry belongs to, as the tuner's own calendar had it */
export const dayOf = (at: string): string => at.slice(0, 10);
