/**
 * The only definition of what a log holds. Types come from here by `z.infer`; every door (storage, file,
 * worker, form) parses with it. Objects are strict: a key we do not know is a mistake.
 */
import * as z from "zod";
import { ELEVATION_DOMAIN_M, SEA_LEVEL_DOMAIN_PA } from "../units/domains.ts";
import { AirState, Box, Build, Proven, Setting, Stamp } from "./build-schema.ts";
import { ClimateEntry, ForecastEntry, HeatsEntry, PlaceEntry, RouteEntry } from "./day-schema.ts";
import { entry, EntryId, Instant, Position, Text } from "./entry-schema.ts";
import { WorkNameSchema } from "./epochs.ts";
import { FaultNameSchema } from "./fault-names.ts";
import { mm, MOST_RIDDEN, within, Words } from "./measures-schema.ts";
import { PathName, ZoneName } from "./parts.ts";
import { QuestionNameSchema } from "./question-names.ts";
import { InstrumentName } from "./readings/common.ts";
import { Reading } from "./readings/reading.ts";
import { School } from "./schools.ts";
import { TeardownStep } from "./teardown-names.ts";
import { CheckName, CheckState, FindingName, MeasureName } from "./walk-round-names.ts";

export { Box, Build, Proven, PROVEN, Setting, type JetPart, type LoggedCarburettor } from "./build-schema.ts";
export {
  ClimateEntry,
  ClimateMonth,
  ForecastEntry,
  ForecastHour,
  Heat,
  HeatsEntry,
  MOST_HEATS,
  MOST_HOURS,
  MOST_ROUTE_POINTS,
  PlaceEntry,
  PRESSURE_TOLD,
  RouteEntry,
} from "./day-schema.ts";
export { EntryId, Instant, Position } from "./entry-schema.ts";
export { PlugReading } from "./readings/plug.ts";
export { Reading } from "./readings/reading.ts";

export const PhotoId = z
  .string()
  .regex(/^photo:[A-Za-z0-9-]{4,60}$/, "a photo's id looks like photo:k3f9-01");
export const RigId = z.string().regex(/^rig:[A-Za-z0-9-]{4,60}$/, "a rig's id looks like rig:enduro-27");

export const Header = z.strictObject({
  id: RigId,
  name: z.string().trim().min(1).max(60),
  /** the number plate is the rig's face */
  plate: z.string().trim().min(1).max(4),
  /** made by the app's own simulated engine */
  simulated: z.boolean().optional(),
});
export type Header = z.infer<typeof Header>;

export const BuildEntry = entry("build", {
  build: Build,
  /** paths whose doubt this work reopens: a cleaned jet, a new pipe */
  reopens: z.array(PathName).max(5),
  /**
   * fields that were only measured better, e.g. `carburettor.needleJetMm`: the same part, read again, and so are
   * all looks at it. A field that differs and is not named is another part from now on.
   */
  corrects: z.union([z.literal("all"), z.array(z.string().max(80)).max(80)]).optional(),
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
  /** by satellites, to some hundred metres: so that the place is known again */
  position: Position.optional(),
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

const Share = z.number().min(0).max(1);

/** What was advised when something was fitted: "as it was then". */
const Advised = z.strictObject({
  next: z.enum(["fit", "putBack", "part", "look", "leave", "stop", "check"]),
  changes: z.array(Change).max(30),
  chanceBetter: Share.optional(),
  /** what was believed of each zone as it was fitted before: 0 on target, + lean, and its sd */
  zones: z.array(z.strictObject({ zone: ZoneName, mean: z.number(), sd: z.number().min(0) })).max(4),
});
export type Advised = z.infer<typeof Advised>;

export const FitEntry = entry("fit", {
  changes: z.array(Change).min(1).max(30),
  because: z.enum(["card", "advice", "putBack", "base", "teardown", "own"]),
  advised: Advised.optional(),
});
export type FitEntry = z.infer<typeof FitEntry>;

/** "This was right here, in that air": what is fitted in the newest air, or another setting in an air of its own. */
export const ProvenEntry = entry("proven", {
  how: Proven.exclude(["guess"]),
  setting: Setting.optional(),
  air: AirState.optional(),
  note: Text,
});
export type ProvenEntry = z.infer<typeof ProvenEntry>;

/** A named way of working, from now on: a log gives the same advice everywhere. */
export const SchoolEntry = entry("school", { school: School });
export type SchoolEntry = z.infer<typeof SchoolEntry>;

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
  /** taken by satellites: the figure's own error, as a share of it, and fixes a second */
  receiver: z
    .strictObject({ errorShare: z.number().min(0).max(0.5), rateHz: z.number().min(0.1).max(50) })
    .optional(),
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
  /** where it was ridden, and λ there: the longest first */
  ridden: z
    .array(
      z.strictObject({
        throttle: Share,
        rpm: z.number().min(0).max(30_000),
        lambda: z.number().min(0.4).max(2),
        seconds: z.number().min(0).max(10_000_000),
      }),
    )
    .max(MOST_RIDDEN)
    .optional(),
  simulated: z.boolean().optional(),
});
export type ImportEntry = z.infer<typeof ImportEntry>;

/** What a tuner says to a question about what the engine does. */
export const AnswerEntry = entry("answer", { question: QuestionNameSchema, is: z.enum(["yes", "no"]) });
export type AnswerEntry = z.infer<typeof AnswerEntry>;

/** "It was this", and it is mended now; or "it was not": looked for, and not found. */
export const FaultEntry = entry("fault", {
  fault: FaultNameSchema,
  is: z.enum(["mended", "notThis"]),
  /** counted from 1, of a fault that sits on one of several */
  cylinder: z.int().min(1).max(6).optional(),
  note: Text,
});
export type FaultEntry = z.infer<typeof FaultEntry>;

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
  ProvenEntry,
  SchoolEntry,
  AnswerEntry,
  FaultEntry,
  PlaceEntry,
  ForecastEntry,
  HeatsEntry,
  RouteEntry,
  ClimateEntry,
]);
export type Entry = z.infer<typeof Entry>;
export type EntryKind = Entry["kind"];

/** The format's number; raise it together with a migration in migrations.ts. */
export const LOG_VERSION = 7;

/** One day or several as they are stored: one key, one atomic write. */
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

/** What other rigs say of an instrument's own error: a normal message in natural parameters. */
export const InstrumentMessage = z.strictObject({
  kind: z.enum(["reader", "lambda", "idle", "temperature", "ride"]),
  name: InstrumentName.optional(),
  precision: z.number().min(0),
  pull: z.number(),
});
export type InstrumentMessage = z.infer<typeof InstrumentMessage>;

/** What export writes and import reads. */
export const LogFile = z.strictObject({
  format: z.literal("tamis"),
  version: z.literal(LOG_VERSION),
  savedAt: Instant,
  rigs: z.array(
    z.strictObject({
      header: Header,
      entries: z.array(Entry),
      /** kept although this rig cannot have them: no advice uses them, nothing is lost */
      setAside: z.array(Entry).optional(),
      /** so that a file gives the same advice everywhere */
      instruments: z.array(InstrumentMessage).max(50).optional(),
    }),
  ),
  photos: z.array(FilePhoto).max(2000).optional(),
});
export type LogFile = z.infer<typeof LogFile>;

/** @returns the day an entry belongs to, as the tuner's own calendar had it */
export const dayOf = (at: string): string => at.slice(0, 10);
