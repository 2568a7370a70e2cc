/**
 * What a log says of a machine. Measures of parts are kept as read off micrometer and stamp (mm, jet numbers);
 * the air is SI. Objects are strict: a key we do not know is a mistake.
 */
import * as z from "zod";
import { PRESSURE_DOMAIN_PA, TEMPERATURE_DOMAIN_K } from "../units/domains.ts";
import { mm, within, Words } from "./measures-schema.ts";
import { PartName } from "./parts.ts";
import {
  AirJetMm,
  BenchPart,
  CutawayMm,
  MOST_PARTS,
  Needle,
  NeedleJetMm,
  SlideDepressionPa,
} from "./part-schema.ts";

const JetNumber = z.number().min(5).max(999);
const perZone = <T extends z.ZodType>(value: T) =>
  z.strictObject({ idle: value, low: value, mid: value, top: value });

export const Setting = z.strictObject({
  pilot: JetNumber,
  screwTurns: z.number().min(0).max(10),
  clip: z.int().min(1).max(20),
  main: JetNumber,
  shimMm: mm(-5, 5),
});
export type Setting = z.infer<typeof Setting>;

export const AirState = z.strictObject({
  temperatureK: within(TEMPERATURE_DOMAIN_K),
  pressurePa: within(PRESSURE_DOMAIN_PA),
  relativeHumidity: z.number().min(0).max(1),
});

export const Numbering = z.discriminatedUnion("by", [
  z.strictObject({ by: z.literal("diameter") }),
  z.strictObject({ by: z.literal("flow"), referenceNumber: JetNumber, referenceDiameterMm: mm(0.1, 5) }),
]);

/** The number stamped on a carburettor's body: it finds the base sheet again. */
export const Stamp = z.string().trim().min(1).max(40);

const Carburettor = z.strictObject({
  stamp: Stamp.optional(),
  boreMm: mm(8, 80),
  slide: z.discriminatedUnion("kind", [
    z.strictObject({ kind: z.literal("manual"), idleLiftMm: mm(0.2, 10), cutawayMm: CutawayMm }),
    z.strictObject({
      kind: z.literal("vacuum"),
      restLiftMm: mm(0.2, 10),
      depressionPa: SlideDepressionPa,
    }),
  ]),
  needleJetMm: NeedleJetMm,
  needle: Needle,
  screw: z.enum(["air", "fuel"]),
  pilotNumbering: Numbering,
  mainNumbering: Numbering,
  fuelDropMm: mm(0, 50),
  emulsionTubeDrilled: z.boolean(),
  mainAirJetMm: AirJetMm.optional(),
  pilotAirJetMm: AirJetMm.optional(),
  /** where there is an accelerator pump: its screw at the base, turns out */
  pumpBaseTurns: z.number().min(0).max(20).optional(),
  /** free length when new */
  slideSpringMm: mm(5, 200).optional(),
});
export type LoggedCarburettor = z.infer<typeof Carburettor>;

const Fuel = z.discriminatedUnion("name", [
  z.strictObject({ name: z.enum(["petrol", "petrol-e10", "e85", "methanol"]) }),
  z.strictObject({
    name: z.literal("other"),
    density15KgM3: z.number().min(500).max(1200),
    expansionPerK: z.number().min(0).max(0.003),
    stoichiometric: z.number().min(1).max(40),
  }),
]);

const JetPart = z.enum(["pilot", "main"]);
export type JetPart = z.infer<typeof JetPart>;

/** Everything that can be fitted without going shopping. */
export const Box = z.strictObject({
  /** sizes numbered as this carburettor's own jets are */
  pilots: z.array(JetNumber).max(100),
  mains: z.array(JetNumber).max(100),
  /** heights of washers that may go under the clip, singly or stacked as listed */
  shimsMm: z.array(mm(-5, 5)).max(20),
  /** drilled by hand: what the stamp says no longer holds, the pin gauge does */
  drilled: z
    .array(z.strictObject({ part: JetPart, stamped: JetNumber, measuredMm: mm(0.1, 5) }))
    .max(50)
    .optional(),
  /** families that fit the same thread but are numbered in another way */
  families: z
    .array(
      z.strictObject({
        name: Words.min(1),
        part: JetPart,
        numbering: Numbering,
        sizes: z.array(JetNumber).max(100),
      }),
    )
    .max(10)
    .optional(),
  /** what is swapped, not set; the fitted ones may lie here too */
  parts: z.array(BenchPart).max(MOST_PARTS).optional(),
});
export type Box = z.infer<typeof Box>;

/** What the class's rule book forbids; advice never breaks it. */
const ClassRules = z.strictObject({
  /** parts that may not be changed */
  locked: z.array(PartName).max(5),
  noWashers: z.boolean(),
  /** one plug for all: its heat range is given */
  onePlug: z.boolean(),
  floatMm: z.strictObject({ from: mm(0, 80), to: mm(0, 80) }).optional(),
});

const SparkPlug = z.strictObject({
  thread: Words,
  /** as stamped */
  heatRange: z.number().min(0).max(999),
  /** makers count in opposite directions */
  higherIs: z.enum(["colder", "hotter"]),
  gapMm: mm(0.1, 3),
});

const Breathing = z.strictObject({ pipe: Words, filter: Words, lid: z.enum(["on", "off", "none"]) });

const HeatTarget = z.strictObject({
  targetK: z.number().min(230).max(1600),
  /** either side of it */
  withinK: z.number().min(1).max(200),
});

/**
 * How a setting is known to be right: not at all · the maker's book · it ran well · plugs or λ were read.
 */
export const PROVEN = ["guess", "book", "ranWell", "measured"] as const;
export const Proven = z.enum(PROVEN);
export type Proven = z.infer<typeof Proven>;

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
    /** what stock rods and flywheel stand */
    revLimitRpm: z.number().min(1000).max(30_000).optional(),
  }),
  /** cylinders fire one after another at uneven distances, or together; none named: at even ones */
  firing: z.literal("uneven").optional(),
  carburettor: Carburettor,
  /** how many; all like the first unless the others are described one by one */
  carburettors: z.int().min(1).max(6).optional(),
  /** the second, third … where each is its own, with what was right on it */
  others: z
    .array(z.strictObject({ carburettor: Carburettor, setting: Setting }))
    .max(5)
    .optional(),
  /** how several carburettors are kept in step, and how far apart this machine may be */
  sync: z
    .strictObject({
      /** all slides on one shaft with screws between them, or a cable to each */
      linkage: z.enum(["shaft", "cables"]),
      vacuumSpreadPa: z.number().min(100).max(20_000),
      headerSpreadK: z.number().min(1).max(300).optional(),
    })
    .optional(),
  /** where this engine's temperatures belong: every engine likes another */
  heat: z
    .strictObject({
      /** of the head at the start line */
      staging: HeatTarget.optional(),
      /** how much the head gains to the finish */
      rise: z.strictObject({ fromK: z.number().min(0).max(500), toK: z.number().min(1).max(600) }).optional(),
      /** of the exhaust gas, by zone */
      exhaust: z.partialRecord(z.enum(["idle", "low", "mid", "top"]), HeatTarget).optional(),
    })
    .optional(),
  fuel: Fuel,
  /** what was right, in which air, and how that is known */
  baseline: z.strictObject({ setting: Setting, air: AirState, proven: Proven.default("book") }),
  box: Box,
  rules: ClassRules.optional(),
  plug: SparkPlug.optional(),
  breathing: Breathing.optional(),
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
  /** fields that nobody has measured or confirmed yet, e.g. `carburettor.needleJetMm` */
  assumed: z.array(z.string().max(80)).max(80).optional(),
});
export type Build = z.infer<typeof Build>;
