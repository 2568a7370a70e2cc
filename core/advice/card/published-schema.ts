/** What the command line prints as advice: the only definition of it, published as a JSON Schema. */
import { RIDE_STOPPERS } from "./ride-stopped.ts";
import * as z from "zod/mini";
import { FaultNameSchema } from "../../log/fault-names.ts";
import { QuestionNameSchema } from "../../log/question-names.ts";
import { INSTRUMENT_KINDS } from "../../looks/instruments.ts";
import { AirState } from "../../log/build-schema.ts";
import { CheckName } from "../../log/walk-round-names.ts";
import { PartName, ZoneName } from "../../log/parts.ts";
import { Setting } from "../../log/schema.ts";

const Chance = z.number().check(z.gte(0), z.lte(1));
const Carburettor = z.int().check(z.gte(1), z.lte(6));
const Change = z.strictObject({
  part: PartName,
  from: z.number(),
  to: z.number(),
  zone: z.optional(ZoneName),
  /** where carburettors differ: on which of them */
  carburettor: z.optional(Carburettor),
});

const Next = z.discriminatedUnion("kind", [
  z.strictObject({
    kind: z.literal("fit"),
    changes: z.array(Change).check(z.minLength(1)),
    because: z.enum(["danger", "plan"]),
    chanceBetter: Chance,
  }),
  z.strictObject({
    kind: z.literal("putBack"),
    changes: z.array(Change).check(z.minLength(1)),
    /** what was jetted around, and is mended */
    mended: z.optional(FaultNameSchema),
  }),
  /** a part of the box that cures what nothing finer reaches */
  z.strictObject({
    kind: z.literal("part"),
    part: z.enum(["needle", "needleJet", "slide", "airJet", "emulsionTube", "slideSpring"]),
    name: z.string(),
    zone: ZoneName,
    minutes: z.number().check(z.gte(0)),
    gain: z.number(),
    chanceBetter: Chance,
    carburettor: z.optional(Carburettor),
  }),
  z.strictObject({
    kind: z.literal("ride"),
    how: z.enum([
      "plug",
      "idleBench",
      "lambda",
      "temperature",
      "timedPair",
      "rideReport",
      "crown",
      "header",
      "symptom",
    ]),
    /** how it pulled is told with it, zone by zone */
    tells: z.optional(z.literal(true)),
    /** none for a report of a whole ride */
    zone: z.optional(ZoneName),
    /** read by the same instrument on the same ride */
    along: z.optional(z.array(ZoneName)),
    /** two that are run against each other */
    settings: z.optional(z.tuple([Setting, Setting])),
    cylinder: z.optional(z.int().check(z.gte(1), z.lte(6))),
    minutes: z.number().check(z.gte(0)),
    /** expected fall of the loss */
    gain: z.number().check(z.gte(0)),
  }),
  /** a fault is looked for before anything is jetted */
  z.strictObject({
    kind: z.literal("check"),
    fault: FaultNameSchema,
    check: CheckName,
    /** that it is no jetting, whatever it is */
    chance: Chance,
    /** the other of two that are hard to tell apart */
    orElse: z.optional(FaultNameSchema),
    cylinder: z.optional(z.int().check(z.gte(1), z.lte(6))),
  }),
  z.strictObject({
    kind: z.literal("leave"),
    because: z.enum(["right", "smallGain"]),
    chance: Chance,
    /** least known of what can be put right */
    unknown: z.optional(ZoneName),
    /** chance after one ride more, and what it then asks for fitted */
    oneMore: z.optional(Chance),
  }),
  z.strictObject({
    kind: z.literal("stop"),
    because: z.enum(["noneRichEnough", "specks", "plugsContradict", ...RIDE_STOPPERS]),
    leanRisk: Chance,
  }),
]);

const Group = z.object({
  carburettors: z.array(Carburettor).check(z.minLength(1)),
  fitted: Setting,
  card: z.strictObject({
    setting: Setting,
    rows: z.array(
      z.strictObject({
        part: PartName,
        from: z.number(),
        to: z.number(),
        zone: ZoneName,
        chance: Chance,
        stepEffect: z.number(),
        /** the same by its measures alone */
        asComputed: z.number(),
      }),
    ),
    safe: z.boolean(),
  }),
  next: Next,
  zones: z.array(
    z.strictObject({
      zone: ZoneName,
      /** log mixture: 0 on target, + lean */
      mean: z.number(),
      sd: z.number().check(z.gte(0)),
      pLean: Chance,
      pRich: Chance,
      pRight: Chance,
      pPastLimit: Chance,
      looks: z.int().check(z.gte(0)),
    }),
  ),
  warnings: z.array(z.looseObject({ code: z.string() })),
  surprises: z.array(z.looseObject({ lookId: z.string(), tail: Chance })),
  /** faults that no jet cures, the likeliest first */
  faults: z.array(
    z.strictObject({
      fault: FaultNameSchema,
      chance: Chance,
      check: CheckName,
      /** what speaks for it and, with a minus, against it: "symptom hangsHigh", "-answer screwMatters yes" */
      because: z.array(z.string()),
      cylinder: z.optional(z.int().check(z.gte(1), z.lte(6))),
    }),
  ),
  /** the question whose answer would tell most, if one is worth asking */
  question: z.optional(QuestionNameSchema),
  /** settings that were called right, and how likely each word is of this engine */
  claims: z.array(
    z.strictObject({
      id: z.string(),
      at: z.string(),
      how: z.enum(["book", "ranWell", "measured"]),
      chance: Chance,
    }),
  ),
  /** by how much each instrument reads too lean, log mixture */
  instruments: z.array(
    z.strictObject({
      kind: z.enum(INSTRUMENT_KINDS),
      name: z.optional(z.string()),
      mean: z.number(),
      sd: z.number().check(z.gte(0)),
      known: z.boolean(),
      open: z.boolean(),
      scatter: z.number().check(z.gte(1)),
    }),
  ),
  /** what a step is worth here, of what is computed */
  worths: z.array(
    z.strictObject({
      part: PartName,
      factor: z.number(),
      sd: z.number().check(z.gte(0)),
      learnt: z.boolean(),
      notAsMeasured: z.boolean(),
    }),
  ),
  air: z.looseObject({
    air: z.looseObject(AirState.shape),
    relativeDryDensity: z.number().check(z.positive()),
  }),
  leanings: z.array(z.looseObject({ path: z.string(), zone: ZoneName, effect: z.number() })),
  buy: z.array(z.strictObject({ part: z.enum(["pilot", "main"]), number: z.number(), gain: z.number() })),
});

const rig = z.string();
/** checks of the walk-round that hold the card back */
const held = z.array(CheckName);

/** One object while all carburettors are set alike, a list of groups once they differ. */
export const PublishedAdvice = z.union([
  z.strictObject({ ...Group.shape, rig, held }),
  z.strictObject({ rig, held, groups: z.array(z.strictObject(Group.shape)).check(z.minLength(2)) }),
]);
