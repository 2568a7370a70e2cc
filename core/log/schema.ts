/**
 * The only definition of what a log holds. Types come from here by `z.infer`; every door (storage, file,
 * worker, form) parses with it. Measures of parts are kept as read off micrometer and stamp (mm, jet
 * numbers); the air and everything else is SI. Objects are strict: a key we do not know is a mistake.
 */
import * as z from "zod";
import {
  ELEVATION_DOMAIN_M,
  PRESSURE_DOMAIN_PA,
  SEA_LEVEL_DOMAIN_PA,
  TEMPERATURE_DOMAIN_K,
} from "../units/domains.ts";
import { PartName, PathName, TONES, ZoneName } from "./parts.ts";

const within = ({ min, max }: { min: number; max: number }) => z.number().min(min).max(max);
const mm = (min: number, max: number) => z.number().min(min).max(max);
const Text = z.string().trim().max(2000);
const JetNumber = z.number().min(5).max(999);
const perZone = <T extends z.ZodType>(value: T) =>
  z.strictObject({ idle: value, low: value, mid: value, top: value });

/** `look:k3f9…`: says what it points at, so files and logs are readable. */
export const EntryId = z
  .string()
  .regex(/^(build|air|fit|look|note|strike):[A-Za-z0-9-]{4,60}$/, "an entry's id looks like look:k3f9-01");
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

export const Setting = z.strictObject({
  pilot: JetNumber,
  screwTurns: z.number().min(0).max(10),
  clip: z.int().min(1).max(20),
  main: JetNumber,
  shimMm: mm(-5, 5),
});
export type Setting = z.infer<typeof Setting>;

const AirState = z.strictObject({
  temperatureK: within(TEMPERATURE_DOMAIN_K),
  pressurePa: within(PRESSURE_DOMAIN_PA),
  relativeHumidity: z.number().min(0).max(1),
});

const Numbering = z.discriminatedUnion("by", [
  z.strictObject({ by: z.literal("diameter") }),
  z.strictObject({ by: z.literal("flow"), referenceNumber: JetNumber, referenceDiameterMm: mm(0.1, 5) }),
]);

const Needle = z.strictObject({
  profile: z
    .array(z.strictObject({ alongMm: mm(-5, 120), diameterMm: mm(0.3, 8) }))
    .min(2)
    .max(40),
  grooves: z.int().min(1).max(20),
  groovePitchMm: mm(0.1, 3),
  referenceClip: z.int().min(1).max(20),
});

const Carburettor = z.strictObject({
  boreMm: mm(8, 80),
  slide: z.discriminatedUnion("kind", [
    z.strictObject({ kind: z.literal("manual"), idleLiftMm: mm(0.2, 10), cutawayMm: mm(0, 12) }),
    z.strictObject({
      kind: z.literal("vacuum"),
      restLiftMm: mm(0.2, 10),
      depressionPa: z.number().min(300).max(10_000),
    }),
  ]),
  needleJetMm: mm(0.5, 8),
  needle: Needle,
  screw: z.enum(["air", "fuel"]),
  pilotNumbering: Numbering,
  mainNumbering: Numbering,
  fuelDropMm: mm(0, 50),
  emulsionTubeDrilled: z.boolean(),
  mainAirJetMm: mm(0.1, 5).optional(),
  pilotAirJetMm: mm(0.1, 5).optional(),
});

const Fuel = z.discriminatedUnion("name", [
  z.strictObject({ name: z.enum(["petrol", "petrol-e10", "e85", "methanol"]) }),
  z.strictObject({
    name: z.literal("other"),
    density15KgM3: z.number().min(500).max(1200),
    expansionPerK: z.number().min(0).max(0.003),
    stoichiometric: z.number().min(1).max(40),
  }),
]);

/** The rig as it is now: machine, carburettor, what was right and when, what is in the box. */
export const Build = z.strictObject({
  machine: z.enum(["motorcycle", "atv", "kart"]),
  engine: z.strictObject({
    strokes: z.union([z.literal(2), z.literal(4)]),
    cooling: z.enum(["air", "liquid"]),
    /** of one cylinder */
    displacementCm3: z.number().min(10).max(2000),
    cylinders: z.int().min(1).max(6),
    idleRpm: z.number().min(300).max(8000),
    peakRpm: z.number().min(1000).max(25_000),
  }),
  carburettor: Carburettor,
  fuel: Fuel,
  baseline: z.strictObject({ setting: Setting, air: AirState }),
  box: z.strictObject({
    pilots: z.array(JetNumber).max(100),
    mains: z.array(JetNumber).max(100),
    /** heights of washers that may go under the clip, singly or stacked as listed */
    shimsMm: z.array(mm(-5, 5)).max(20),
  }),
  /** parts that the class's rule book forbids to change */
  locked: z.array(PartName).min(1).max(5).optional(),
  /** λ wanted in each zone */
  targetLambda: perZone(z.number().min(0.5).max(1.3)),
  /** share of riding time in each zone; any scale, 0 for never */
  usage: perZone(z.number().min(0).max(1000)),
  screwWindow: z.discriminatedUnion("kind", [
    z.strictObject({ kind: z.literal("aroundBase"), turns: z.number().min(0.25).max(4) }),
    z.strictObject({
      kind: z.literal("fixed"),
      from: z.number().min(0).max(9),
      to: z.number().min(0.25).max(10),
    }),
  ]),
});
export type Build = z.infer<typeof Build>;

const entry = <K extends string, S extends z.core.$ZodLooseShape>(kind: K, shape: S) =>
  z.strictObject({ id: EntryId, at: Instant, kind: z.literal(kind), ...shape });

export const BuildEntry = entry("build", {
  build: Build,
  /** paths whose doubt this work reopens: a cleaned jet, a new pipe */
  reopens: z.array(PathName).max(5),
  why: Text,
});

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

/** One part set to a value: jets as stamped, the screw in turns out, the clip by groove from the top. */
export const Change = z.discriminatedUnion("part", [
  z.strictObject({ part: z.literal("pilot"), to: Setting.shape.pilot }),
  z.strictObject({ part: z.literal("screwTurns"), to: Setting.shape.screwTurns }),
  z.strictObject({ part: z.literal("clip"), to: Setting.shape.clip }),
  z.strictObject({ part: z.literal("main"), to: Setting.shape.main }),
  z.strictObject({ part: z.literal("shimMm"), to: Setting.shape.shimMm }),
]);
export type Change = z.infer<typeof Change>;

export const FitEntry = entry("fit", {
  changes: z.array(Change).min(1).max(5),
  because: z.enum(["card", "advice", "putBack", "own"]),
});
export type FitEntry = z.infer<typeof FitEntry>;

const Reading = z.discriminatedUnion("type", [
  z.strictObject({
    type: z.literal("plug"),
    zone: ZoneName,
    tone: z.enum(TONES),
    /** a clean cut speaks for its zone alone; rolled to idle, it speaks for idle too */
    cut: z.enum(["clean", "rolled", "unknown"]),
    /** heat-range steps colder than the right plug (negative: hotter) */
    colderSteps: z.int().min(-3).max(3),
  }),
  z.strictObject({
    type: z.literal("lambda"),
    zone: ZoneName,
    lambda: z.number().min(0.4).max(2),
    /** near the open end air is drawn in */
    sensor: z.enum(["inside", "openEnd"]),
  }),
]);
export type Reading = z.infer<typeof Reading>;

export const LookEntry = entry("look", { reading: Reading, simulated: z.boolean().optional() });
export type LookEntry = z.infer<typeof LookEntry>;

export const NoteEntry = entry("note", { text: z.string().trim().min(1).max(2000) });
/** Nothing is edited: a wrong entry is struck through by a later one. */
export const StrikeEntry = entry("strike", { strikes: EntryId, why: Text });

export const Entry = z.discriminatedUnion("kind", [
  BuildEntry,
  AirEntry,
  FitEntry,
  LookEntry,
  NoteEntry,
  StrikeEntry,
]);
export type Entry = z.infer<typeof Entry>;
export type EntryKind = Entry["kind"];

/** The format's number; raise it together with a migration in migrations.ts. */
export const LOG_VERSION = 1;

/** A day as it is stored: one key, one atomic write. */
export const StoredDay = z.strictObject({
  version: z.literal(LOG_VERSION),
  revision: z.int().min(1),
  entries: z.array(Entry),
});
export type StoredDay = z.infer<typeof StoredDay>;

/** What export writes and import reads. */
export const LogFile = z.strictObject({
  format: z.literal("tamis"),
  version: z.literal(LOG_VERSION),
  savedAt: Instant,
  rigs: z.array(z.strictObject({ header: Header, entries: z.array(Entry) })),
});
export type LogFile = z.infer<typeof LogFile>;

/** @returns the day an entry belongs to, as the tuner's own calendar had it */
export const dayOf = (at: string): string => at.slice(0, 10);
