/**
 * Schema of a build: the machine with its carburettors. Measures of parts are kept as read off micrometer and stamp
 * (mm, jet numbers); the air is SI. Objects are strict: a key we do not know is a mistake.
 */
import * as z from "zod/mini";
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

const JetNumber = z.number().check(z.gte(5), z.lte(999));
const perZone = <T extends z.ZodMiniType>(value: T) =>
  z.strictObject({ idle: value, low: value, mid: value, top: value });

export const Setting = z.strictObject({
  pilot: JetNumber,
  screwTurns: z.number().check(z.gte(0), z.lte(10)),
  clip: z.int().check(z.gte(1), z.lte(20)),
  main: JetNumber,
  shimMm: mm(-5, 5),
});
export type Setting = z.infer<typeof Setting>;

export const AirState = z.strictObject({
  temperatureK: within(TEMPERATURE_DOMAIN_K),
  pressurePa: within(PRESSURE_DOMAIN_PA),
  relativeHumidity: z.number().check(z.gte(0), z.lte(1)),
});

export const Numbering = z.discriminatedUnion("by", [
  z.strictObject({ by: z.literal("diameter") }),
  z.strictObject({ by: z.literal("flow"), referenceNumber: JetNumber, referenceDiameterMm: mm(0.1, 5) }),
]);

/** The number stamped on a carburettor's body: it finds the base sheet again. */
export const Stamp = z.string().check(z.trim(), z.minLength(1), z.maxLength(40));

const Carburettor = z.strictObject({
  stamp: z.optional(Stamp),
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
  mainAirJetMm: z.optional(AirJetMm),
  pilotAirJetMm: z.optional(AirJetMm),
  /** where there is an accelerator pump: its screw at the base, turns out */
  pumpBaseTurns: z.optional(z.number().check(z.gte(0), z.lte(20))),
  /** free length when new */
  slideSpringMm: z.optional(mm(5, 200)),
});
export type LoggedCarburettor = z.infer<typeof Carburettor>;

/** Parts of fuel to one of oil that is mixed into it; not there: none is. */
const OilRatio = z.number().check(z.gte(10), z.lte(200));

const Fuel = z.discriminatedUnion("name", [
  z.strictObject({
    name: z.literal("petrol"),
    /** by volume; not there: none */
    ethanolPercent: z.optional(z.number().check(z.gte(0), z.lte(100))),
    oilRatio: z.optional(OilRatio),
  }),
  z.strictObject({ name: z.literal("methanol"), oilRatio: z.optional(OilRatio) }),
  z.strictObject({
    name: z.literal("other"),
    oilRatio: z.optional(OilRatio),
    density15KgM3: z.number().check(z.gte(500), z.lte(1200)),
    expansionPerK: z.number().check(z.gte(0), z.lte(0.003)),
    stoichiometric: z.number().check(z.gte(1), z.lte(40)),
  }),
]);

const JetPart = z.enum(["pilot", "main"]);
export type JetPart = z.infer<typeof JetPart>;

/** Everything that can be fitted without going shopping. */
export const Box = z.strictObject({
  /** sizes numbered as this carburettor's own jets are */
  pilots: z.array(JetNumber).check(z.maxLength(100)),
  mains: z.array(JetNumber).check(z.maxLength(100)),
  /** heights of washers that may go under the clip, singly or stacked as listed */
  shimsMm: z.array(mm(-5, 5)).check(z.maxLength(20)),
  /** drilled by hand: what the stamp says no longer holds, the pin gauge does */
  drilled: z.optional(
    z
      .array(z.strictObject({ part: JetPart, stamped: JetNumber, measuredMm: mm(0.1, 5) }))
      .check(z.maxLength(50)),
  ),
  /** families that fit the same thread but are numbered in another way */
  families: z.optional(
    z
      .array(
        z.strictObject({
          name: Words.check(z.minLength(1)),
          part: JetPart,
          numbering: Numbering,
          sizes: z.array(JetNumber).check(z.maxLength(100)),
        }),
      )
      .check(z.maxLength(10)),
  ),
  /** what is swapped, not set; the fitted ones may lie here too */
  parts: z.optional(z.array(BenchPart).check(z.maxLength(MOST_PARTS))),
});
export type Box = z.infer<typeof Box>;

/** What the class's rule book forbids; advice never breaks it. */
const ClassRules = z.strictObject({
  /** parts that may not be changed */
  locked: z.array(PartName).check(z.maxLength(5)),
  noWashers: z.boolean(),
  /** one plug for all: its heat range is given */
  onePlug: z.boolean(),
  floatMm: z.optional(z.strictObject({ from: mm(0, 80), to: mm(0, 80) })),
});

const SparkPlug = z.strictObject({
  thread: Words,
  /** as stamped */
  heatRange: z.number().check(z.gte(0), z.lte(999)),
  /** makers count in opposite directions */
  higherIs: z.enum(["colder", "hotter"]),
  gapMm: mm(0.1, 3),
});

const Breathing = z.strictObject({ pipe: Words, filter: Words, lid: z.enum(["on", "off", "none"]) });

const HeatTarget = z.strictObject({
  targetK: z.number().check(z.gte(230), z.lte(1600)),
  /** either side of it */
  withinK: z.number().check(z.gte(1), z.lte(200)),
});

/**
 * How a setting is known to be right: not at all · the maker's book · it ran well · plugs or λ were read.
 */
export const PROVEN = ["guess", "book", "ranWell", "measured"] as const;
export const Proven = z.enum(PROVEN);
export type Proven = z.infer<typeof Proven>;
/** What is said of a setting afterwards is never a guess. */
export const SurelyProven = z.enum(["book", "ranWell", "measured"]);

/** The rig as it is now: machine, carburettor, what was right and when, what is in the box. */
export const Build = z.strictObject({
  machine: z.enum(["motorcycle", "atv", "kart"]),
  engine: z.strictObject({
    strokes: z.union([z.literal(2), z.literal(4)]),
    cooling: z.enum(["air", "liquid"]),
    /** of one cylinder */
    displacementCm3: z.number().check(z.gte(10), z.lte(2000)),
    cylinders: z.int().check(z.gte(1), z.lte(6)),
    idleRpm: z.number().check(z.gte(300), z.lte(8000)),
    peakRpm: z.number().check(z.gte(1000), z.lte(25_000)),
    /** what stock rods and flywheel stand */
    revLimitRpm: z.optional(z.number().check(z.gte(1000), z.lte(30_000))),
  }),
  /** cylinders fire one after another at uneven distances, or together; none named: at even ones */
  firing: z.optional(z.literal("uneven")),
  carburettor: Carburettor,
  /** how many; all like the first unless the others are described one by one */
  carburettors: z.optional(z.int().check(z.gte(1), z.lte(6))),
  /** the second, third … where each is its own, with what was right on it */
  others: z.optional(
    z.array(z.strictObject({ carburettor: Carburettor, setting: Setting })).check(z.maxLength(5)),
  ),
  /** how several carburettors are kept in step, and how far apart this machine may be */
  sync: z.optional(
    z.strictObject({
      /** all slides on one shaft with screws between them, or a cable to each */
      linkage: z.enum(["shaft", "cables"]),
      vacuumSpreadPa: z.number().check(z.gte(100), z.lte(20_000)),
      headerSpreadK: z.optional(z.number().check(z.gte(1), z.lte(300))),
    }),
  ),
  /** where this engine's temperatures belong: every engine likes another */
  heat: z.optional(
    z.strictObject({
      /** of the head at the start line */
      staging: z.optional(HeatTarget),
      /** how much the head gains to the finish */
      rise: z.optional(
        z.strictObject({
          fromK: z.number().check(z.gte(0), z.lte(500)),
          toK: z.number().check(z.gte(1), z.lte(600)),
        }),
      ),
      /** of the exhaust gas, by zone */
      exhaust: z.optional(z.partialRecord(z.enum(["idle", "low", "mid", "top"]), HeatTarget)),
    }),
  ),
  fuel: Fuel,
  /** what was right, in which air, and how that is known */
  baseline: z.strictObject({ setting: Setting, air: AirState, proven: z._default(Proven, "book") }),
  box: Box,
  rules: z.optional(ClassRules),
  plug: z.optional(SparkPlug),
  breathing: z.optional(Breathing),
  /** λ wanted in each zone */
  targetLambda: perZone(z.number().check(z.gte(0.5), z.lte(1.3))),
  /** share of riding time in each zone; any scale, 0 for never */
  usage: perZone(z.number().check(z.gte(0), z.lte(1000))),
  screwWindow: z.discriminatedUnion("kind", [
    z.strictObject({ kind: z.literal("aroundBase"), turns: z.number().check(z.gte(0.25), z.lte(4)) }),
    z.strictObject({
      kind: z.literal("fixed"),
      from: z.number().check(z.gte(0), z.lte(9)),
      to: z.number().check(z.gte(0.25), z.lte(10)),
    }),
  ]),
  /** how far an engine like this one departed from the orifice law when the air changed, as its own log had learnt it */
  airAnswer: z.optional(
    z.strictObject({
      mean: z.number().check(z.gte(-1), z.lte(1)),
      sd: z.number().check(z.gte(0.02), z.lte(0.15)),
    }),
  ),
  /** fields that nobody has measured or confirmed yet, e.g. `carburettor.needleJetMm` */
  assumed: z.optional(z.array(z.string().check(z.maxLength(80))).check(z.maxLength(80))),
});
export type Build = z.infer<typeof Build>;
