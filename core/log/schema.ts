/**
 * The only definition of what a log holds. Types come from here by `z.infer`; every door (storage, file,
 * worker, form) parses with it. Objects are strict: a key we do not know is a mistake.
 */
import * as z from "zod/mini";
import { ELEVATION_DOMAIN_M, SEA_LEVEL_DOMAIN_PA } from "../units/domains.ts";
import { AirState, Box, Build, Setting, SurelyProven, Stamp } from "./build-schema.ts";
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

export {
  Box,
  Build,
  Proven,
  PROVEN,
  Setting,
  SurelyProven,
  type JetPart,
  type LoggedCarburettor,
} from "./build-schema.ts";
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
  .check(z.regex(/^photo:[A-Za-z0-9-]{4,60}$/, "a photo's id looks like photo:k3f9-01"));
export const RigId = z
  .string()
  .check(z.regex(/^rig:[A-Za-z0-9-]{4,60}$/, "a rig's id looks like rig:enduro-27"));

export const Header = z.strictObject({
  id: RigId,
  name: z.string().check(z.trim(), z.minLength(1), z.maxLength(60)),
  /** the number plate is the rig's face */
  plate: z.string().check(z.trim(), z.minLength(1), z.maxLength(4)),
  /** made by the app's own simulated engine */
  simulated: z.optional(z.boolean()),
});
export type Header = z.infer<typeof Header>;

export const BuildEntry = entry("build", {
  build: Build,
  /** paths whose doubt this work reopens: a cleaned jet, a new pipe */
  reopens: z.array(PathName).check(z.maxLength(5)),
  /**
   * fields that were only measured better, e.g. `carburettor.needleJetMm`: the same part, read again, and so are
   * all looks at it. A field that differs and is not named is another part from now on.
   */
  corrects: z.optional(
    z.union([z.literal("all"), z.array(z.string().check(z.maxLength(80))).check(z.maxLength(80))]),
  ),
  why: Text,
});

/** The jet box from now on. */
export const BoxEntry = entry("box", { box: Box, why: Text });

const Limit = z.strictObject({
  min: z.optional(mm(-50, 500)),
  max: z.optional(mm(-50, 500)),
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
  findings: z.array(FindingName).check(z.maxLength(20)),
  note: Text,
  simulated: z.optional(z.boolean()),
});
export type CheckEntry = z.infer<typeof CheckEntry>;

/** "I know": the tuner jets on although these checks say stop. Logged, and printed on the card. */
export const OverrideEntry = entry("override", {
  checks: z.array(CheckName).check(z.minLength(1), z.maxLength(13)),
  reason: z.string().check(z.trim(), z.minLength(1), z.maxLength(200)),
});
export type OverrideEntry = z.infer<typeof OverrideEntry>;

/** Work on the machine that reopens doubts; which ones follows from `what`. */
export const WorkEntry = entry("work", { what: WorkNameSchema, why: Text });

export const PhotoRef = z.strictObject({
  id: PhotoId,
  widthPx: z.int().check(z.gte(1), z.lte(4096)),
  heightPx: z.int().check(z.gte(1), z.lte(4096)),
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
  photos: z.array(PhotoRef).check(z.maxLength(12)),
});
export type TeardownEntry = z.infer<typeof TeardownEntry>;

/** The air as the instrument showed it; what follows from it is computed, never stored. */
export const AirEntry = entry("air", {
  temperatureK: AirState.shape.temperatureK,
  humidity: z.discriminatedUnion("kind", [
    z.strictObject({ kind: z.literal("relative"), fraction: z.number().check(z.gte(0), z.lte(1)) }),
    z.strictObject({ kind: z.literal("dewPoint"), temperatureK: AirState.shape.temperatureK }),
    z.strictObject({ kind: z.literal("wetBulb"), temperatureK: AirState.shape.temperatureK }),
  ]),
  pressure: z.discriminatedUnion("kind", [
    z.strictObject({ kind: z.literal("station"), pressurePa: AirState.shape.pressurePa }),
    z.strictObject({ kind: z.literal("seaLevel"), pressurePa: within(SEA_LEVEL_DOMAIN_PA) }),
    z.strictObject({ kind: z.literal("standard") }),
  ]),
  /** needed where the pressure is not the station's */
  elevationM: z.optional(within(ELEVATION_DOMAIN_M)),
  place: z.string().check(z.trim(), z.maxLength(60)),
  /** by satellites, to some hundred metres: so that the place is known again */
  position: z.optional(Position),
  simulated: z.optional(z.boolean()),
});
export type AirEntry = z.infer<typeof AirEntry>;

/** On which carburettor; none named: on all. */
const carburettor = z.optional(z.int().check(z.gte(1), z.lte(6)));

/** One part set to a value: jets as stamped, the screw in turns out, the clip by groove from the top. */
export const Change = z.discriminatedUnion("part", [
  z.strictObject({ part: z.literal("pilot"), to: Setting.shape.pilot, carburettor }),
  z.strictObject({ part: z.literal("screwTurns"), to: Setting.shape.screwTurns, carburettor }),
  z.strictObject({ part: z.literal("clip"), to: Setting.shape.clip, carburettor }),
  z.strictObject({ part: z.literal("main"), to: Setting.shape.main, carburettor }),
  z.strictObject({ part: z.literal("shimMm"), to: Setting.shape.shimMm, carburettor }),
]);
export type Change = z.infer<typeof Change>;

const Share = z.number().check(z.gte(0), z.lte(1));

/** What was advised when something was fitted: "as it was then". */
const Advised = z.strictObject({
  next: z.enum(["fit", "putBack", "part", "look", "ride", "leave", "stop", "check"]),
  changes: z.array(Change).check(z.maxLength(30)),
  chanceBetter: z.optional(Share),
  /** what was believed of each zone as it was fitted before: 0 on target, + lean, and its sd */
  zones: z
    .array(z.strictObject({ zone: ZoneName, mean: z.number(), sd: z.number().check(z.gte(0)) }))
    .check(z.maxLength(4)),
});
export type Advised = z.infer<typeof Advised>;

export const FitEntry = entry("fit", {
  changes: z.array(Change).check(z.minLength(1), z.maxLength(30)),
  because: z.enum(["card", "advice", "putBack", "base", "teardown", "own"]),
  advised: z.optional(Advised),
});
export type FitEntry = z.infer<typeof FitEntry>;

/** "This was right here, in that air": what is fitted in the newest air, or another setting in an air of its own. */
export const ProvenEntry = entry("proven", {
  how: SurelyProven,
  setting: z.optional(Setting),
  air: z.optional(AirState),
  note: Text,
});
export type ProvenEntry = z.infer<typeof ProvenEntry>;

/** A named way of working, from now on: a log gives the same advice everywhere. */
export const SchoolEntry = entry("school", { school: School });
export type SchoolEntry = z.infer<typeof SchoolEntry>;

export const RideId = z
  .string()
  .check(z.regex(/^ride:[A-Za-z0-9-]{4,60}$/, "a ride's id looks like ride:k3f9-01"));

export const LookEntry = entry("look", {
  reading: Reading,
  /** counted from 1; none: of the engine as a whole */
  cylinder: z.optional(z.int().check(z.gte(1), z.lte(6))),
  /** all that one ride told carries its name */
  ride: z.optional(RideId),
  simulated: z.optional(z.boolean()),
});
export type LookEntry = z.infer<typeof LookEntry>;

/** An adjuster that is not part of the jetting, as it was left. */
export const AdjustEntry = entry("adjust", {
  set: z.discriminatedUnion("what", [
    z.strictObject({ what: z.literal("idleSpeed"), rpm: z.number().check(z.gte(300), z.lte(8000)) }),
    /** of a second stop, a few hundred lower: it saves the run when the first one breaks */
    z.strictObject({ what: z.literal("spareIdleSpeed"), rpm: z.number().check(z.gte(200), z.lte(8000)) }),
    /** the accelerator pump's screw, out from seated */
    z.strictObject({ what: z.literal("pump"), turns: z.number().check(z.gte(0), z.lte(20)) }),
  ]),
  simulated: z.optional(z.boolean()),
});
export type AdjustEntry = z.infer<typeof AdjustEntry>;

/** How far below the air outside the intake behind each carburettor stands, in their order. */
const Depressions = z.array(z.number().check(z.gte(0), z.lte(101_000))).check(z.minLength(2), z.maxLength(6));

/** The carburettors brought into step by their vacuum: how it was, how it was left. */
export const BalanceEntry = entry("balance", {
  speed: z.enum(["idle", "cruise"]),
  beforePa: Depressions,
  afterPa: Depressions,
  simulated: z.optional(z.boolean()),
});
export type BalanceEntry = z.infer<typeof BalanceEntry>;

const Seconds = z.number().check(z.gte(0.1), z.lte(36_000));
const Metres = z.number().check(z.gte(1), z.lte(2_000_000));
const MetresPerSecond = z.number().check(z.gte(0.5), z.lte(150));

/** One timed run, with what was fitted then. */
export const RunEntry = entry("run", {
  run: z.discriminatedUnion("what", [
    z.strictObject({ what: z.literal("lap"), seconds: Seconds }),
    z.strictObject({ what: z.literal("toSpeed"), seconds: Seconds, speedMs: MetresPerSecond }),
    z.strictObject({ what: z.literal("distance"), seconds: Seconds, lengthM: Metres }),
    z.strictObject({ what: z.literal("topSpeed"), speedMs: MetresPerSecond }),
    z.strictObject({
      what: z.literal("fuel"),
      litres: z.number().check(z.gte(0.01), z.lte(500)),
      lengthM: Metres,
    }),
  ]),
  /** taken by satellites: the figure's own error, as a share of it, and fixes a second */
  receiver: z.optional(
    z.strictObject({
      errorShare: z.number().check(z.gte(0), z.lte(0.5)),
      rateHz: z.number().check(z.gte(0.1), z.lte(50)),
    }),
  ),
  simulated: z.optional(z.boolean()),
});
export type RunEntry = z.infer<typeof RunEntry>;
export type Run = RunEntry["run"];

/** The header pipes measured side by side, in the order of the cylinders; left out where nobody pointed. */
export const HeadersEntry = entry("headers", {
  temperaturesK: z
    .array(z.nullable(z.number().check(z.gte(200), z.lte(1500))))
    .check(z.minLength(2), z.maxLength(6)),
  simulated: z.optional(z.boolean()),
});
export type HeadersEntry = z.infer<typeof HeadersEntry>;

/** A logger's file that was read: what came of it stands in looks and runs of its own. */
export const ImportEntry = entry("import", {
  file: z.string().check(z.trim(), z.minLength(1), z.maxLength(200)),
  rows: z.int().check(z.gte(1), z.lte(10_000_000)),
  seconds: z.number().check(z.gte(0), z.lte(10_000_000)),
  /** from the nozzle to the sensor, where it could be told */
  delayS: z.optional(z.number().check(z.gte(0), z.lte(10))),
  /** where it was ridden, and λ there: the longest first */
  ridden: z.optional(
    z
      .array(
        z.strictObject({
          throttle: Share,
          rpm: z.number().check(z.gte(0), z.lte(30_000)),
          lambda: z.number().check(z.gte(0.4), z.lte(2)),
          seconds: z.number().check(z.gte(0), z.lte(10_000_000)),
        }),
      )
      .check(z.maxLength(MOST_RIDDEN)),
  ),
  simulated: z.optional(z.boolean()),
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
  cylinder: z.optional(z.int().check(z.gte(1), z.lte(6))),
  note: Text,
});
export type FaultEntry = z.infer<typeof FaultEntry>;

export const NoteEntry = entry("note", {
  text: z.string().check(z.trim(), z.minLength(1), z.maxLength(2000)),
});
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
export const LOG_VERSION = 9;

/** One day or several as they are stored: one key, one atomic write. */
export const StoredDay = z.strictObject({
  version: z.literal(LOG_VERSION),
  revision: z.int().check(z.gte(1)),
  entries: z.array(Entry),
});
export type StoredDay = z.infer<typeof StoredDay>;

/** A photo as files carry it. */
export const FilePhoto = z.strictObject({
  rigId: RigId,
  id: PhotoId,
  /** JPEG, base64 */
  jpeg: z.base64().check(z.maxLength(4 * 1024 * 1024)),
});
export type FilePhoto = z.infer<typeof FilePhoto>;

/** What other rigs say of an instrument's own error: a normal message in natural parameters. */
export const InstrumentMessage = z.strictObject({
  kind: z.enum(["reader", "lambda", "idle", "temperature", "ride"]),
  name: z.optional(InstrumentName),
  precision: z.number().check(z.gte(0)),
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
      setAside: z.optional(z.array(Entry)),
      /** so that a file gives the same advice everywhere */
      instruments: z.optional(z.array(InstrumentMessage).check(z.maxLength(50))),
    }),
  ),
  photos: z.optional(z.array(FilePhoto).check(z.maxLength(2000))),
});
export type LogFile = z.infer<typeof LogFile>;

/** @returns the day an entry belongs to, as the tuner's own calendar had it */
export const dayOf = (at: string): string => at.slice(0, 10);
