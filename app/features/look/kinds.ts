/** What is typed of each kind of look, and what it says: one entry a kind, one table of them. */
import * as z from "zod/mini";
import { perZone, ZONES, type Zone } from "#core/carburettor/zones.ts";
import { fuelFromLog } from "#core/rig/from-build.ts";
import { CROWNS, HEADER_COLOURS, PLUG_FINDINGS, TONES } from "#core/log/parts.ts";
import { LambdaReading } from "#core/log/readings/lambda.ts";
import { FELT, RideReportReading } from "#core/log/readings/ride-report.ts";
import { PlugReading, SurelyProven, type Build, type Reading } from "#core/log/schema.ts";
import { SYMPTOM_NAMES } from "#core/log/symptom-names.ts";
import type { Content } from "#app/journal/save.ts";
import type { HowName } from "#app/frame/look-query.ts";
import { readTypedNumber } from "#core/units/typed-number.ts";
import { sayIssue } from "#app/ui/say-issue.ts";
import { boundWords, noNumber } from "#app/vocabulary/bounds.ts";
import { LOOK_ALIKES, SYMPTOM_WORDS } from "#app/vocabulary/symptoms.ts";
import { heatShown, HeatTyped, readHeat } from "./heat-form.ts";
import { fixed } from "#app/vocabulary/numerals.ts";

/** What a look is read with: where on the throttle, of which rig, and how it pulled. */
export interface LookAt {
  readonly zone: Zone;
  readonly build: Build;
  readonly felt: Reading | undefined;
}

export interface LookSaid {
  readonly readings: readonly Reading[];
  /** what was typed with it about the rig, logged before it */
  readonly first?: readonly Content[];
  /** by a stand-in */
  readonly simulated?: boolean;
}

type Say = (path: readonly string[], message: string) => void;
/** @returns what it says; nothing once something wrong was said */
type Read<T> = (typed: T, at: LookAt, say: Say) => LookSaid | undefined;

const text = z.string().check(z.maxLength(40));
const told = z.enum([...FELT, "unused"]);
export const Felt = z.object({ idle: told, low: told, mid: told, top: told });
export type Felt = z.infer<typeof Felt>;

/** @returns how it pulled, where anything was told */
export function rideReport(felt: Felt): Reading | undefined {
  const said = ZONES.flatMap((zone) => (felt[zone] === "unused" ? [] : [[zone, felt[zone]]]));
  return said.length > 0
    ? { type: "rideReport", felt: RideReportReading.shape.felt.parse(Object.fromEntries(said)) }
    : undefined;
}

const Plug = z.object({
  tone: z.optional(z.enum(TONES)),
  places: z.extend(PlugReading.shape.places.def.innerType, {}),
  cut: z.enum(["clean", "rolled", "unknown"]),
  colderSteps: z.pipe(z.coerce.number(), PlugReading.shape.colderSteps),
  findings: z.array(z.enum(PLUG_FINDINGS)).check(z.maxLength(4)),
  used: z.boolean(),
  made: PlugReading.shape.made,
  /** what a photo gave, until the tuner says another */
  photo: z.optional(z.object({ tone: z.enum(TONES), sure: z.number().check(z.gte(0), z.lte(1)) })),
});

/** What was not looked at is left out of the log. */
const readPlug: Read<z.output<typeof Plug>> = ({ tone, photo, ...plug }, { zone, felt }, say) => {
  if (!tone) {
    say(["tone"], "Choose the tone the porcelain has near its root.");
    return undefined;
  }
  const { findings, places, made, used, ...rest } = plug;
  const reading: Reading = {
    type: "plug",
    zone,
    tone,
    ...rest,
    ...(findings.length > 0 && { findings }),
    ...(Object.values(places).some(Boolean) && { places }),
    ...(made && { made }),
    ...(used && { used }),
    ...(photo?.tone === tone && { photoSure: photo.sure }),
  };
  return { readings: [reading, ...(felt ? [felt] : [])] };
};

const LAMBDA = { min: 0.4, max: 2 };
const SCALES = ["lambda", "afr"] as const;

const Lambda = z.object({
  figure: text,
  scale: z.enum(SCALES),
  sensor: z.enum(["inside", "openEnd"]),
  /** what was held on a meter that is connected, while its figure stands */
  held: z.optional(
    z.extend(LambdaReading.shape.logged.def.innerType, { figure: z.string(), simulated: z.boolean() }),
  ),
  /** of the other zones that the same ride went through; empty where nothing was held there */
  along: z.object({ idle: text, low: text, mid: text, top: text }),
});

/** @returns λ, or in words why it is none */
function readFigure(figure: string, scale: (typeof SCALES)[number], build: Build): number | string {
  const { stoichiometric } = fuelFromLog(build.fuel);
  const read = readTypedNumber(figure);
  if (!read.ok) return read.reason === "empty" ? "Type the figure the meter shows." : noNumber(figure);
  const lambda = scale === "afr" ? read.value / stoichiometric : read.value;
  if (lambda >= LAMBDA.min && lambda <= LAMBDA.max) return lambda;
  const [low, high] = [LAMBDA.min, LAMBDA.max].map((x) => fixed(scale === "afr" ? x * stoichiometric : x, 1));
  const other = scale === "afr" ? "λ" : "AFR";
  return `Must be ${low} to ${high}; this is ${figure}. Did the meter show ${other}?`;
}

const readLambda: Read<z.output<typeof Lambda>> = (typed, { zone, build }, say) => {
  const { scale, sensor, along, held } = typed;
  const stands = held?.figure === typed.figure ? held : undefined;
  const figures = ZONES.map((at) => ({ at, figure: at === zone ? typed.figure : along[at] }));
  const readings = figures.flatMap(({ at, figure }): Reading[] => {
    if (at !== zone && figure.trim() === "") return [];
    const lambda = readFigure(figure, scale, build);
    if (typeof lambda === "string") {
      say(at === zone ? ["figure"] : ["along", at], lambda);
      return [];
    }
    const logged = at === zone && stands ? { seconds: stands.seconds, spread: stands.spread } : undefined;
    return [{ type: "lambda", zone: at, lambda, sensor, ...(logged && { logged }) }];
  });
  // What it was ridden for stands first.
  readings.sort((a, b) => Number("zone" in b && b.zone === zone) - Number("zone" in a && a.zone === zone));
  return { readings, simulated: stands?.simulated === true };
};

const Symptom = z.object({
  symptom: z.optional(z.enum(SYMPTOM_NAMES)),
  /** to the question that tells it from what feels the same */
  answer: z.enum(["unasked", "jetting", "other"]),
});

const readSymptom: Read<z.output<typeof Symptom>> = ({ symptom, answer }, { zone }, say) => {
  if (!symptom) {
    say(["symptom"], "Choose what it did.");
    return undefined;
  }
  const alike = LOOK_ALIKES[symptom];
  // What is no jetting, and no question of Tamis's, moves no jet.
  if (alike && answer === "other" && !alike.asks)
    return {
      readings: [],
      first: [{ kind: "note", text: `${SYMPTOM_WORDS[symptom]}. ${alike.cause}`.slice(0, 2000) }],
    };
  const opposite = { yes: "no", no: "yes" } as const;
  const is = alike?.asks && (answer === "other" ? alike.asks.other : opposite[alike.asks.other]);
  return {
    readings: [{ type: "symptom", zone, symptom }],
    ...(alike?.asks &&
      is &&
      answer !== "unasked" && { first: [{ kind: "answer", question: alike.asks.question, is }] }),
  };
};

const readTemperature: Read<z.output<typeof HeatTyped>> = (typed, { zone, build, felt }, say) => {
  const read = readHeat(heatShown(typed, zone, build.heat ?? {}), build);
  if (!read.ok) {
    for (const [field, message] of Object.entries(read.fields)) say([field], message);
    return undefined;
  }
  const why = "Where its temperatures belong";
  return {
    readings: [...read.readings, ...(felt ? [felt] : [])],
    ...(read.heat && {
      first: [{ kind: "build", build: { ...build, heat: read.heat }, reopens: [], why }],
    }),
  };
};

const Witness = z.object({
  crown: z.enum([...CROWNS, "unseen"]),
  colour: z.enum([...HEADER_COLOURS, "unseen"]),
});

/** Piston crown and header of one run: each that was looked at becomes a look of its own. */
const readWitness: Read<z.output<typeof Witness>> = ({ crown, colour }, { zone }, say) => {
  if (crown === "unseen" && colour === "unseen") say(["crown"], "Say what the crown or the header showed.");
  return {
    readings: [
      ...(crown === "unseen" ? [] : [{ type: "crown" as const, zone, crown }]),
      ...(colour === "unseen" ? [] : [{ type: "header" as const, zone, colour }]),
    ],
  };
};

const Ride = z.object({});
const readRide: Read<z.output<typeof Ride>> = (_, { felt }, say) => {
  if (!felt) say(["felt"], "Say how it pulled in at least one zone.");
  return { readings: felt ? [felt] : [] };
};

const Proven = z.object({ how: SurelyProven, note: z.string().check(z.trim(), z.maxLength(500)) });
const readProven: Read<z.output<typeof Proven>> = (said) => ({
  readings: [],
  first: [{ kind: "proven", ...said }],
});

export const TYPED = {
  plug: Plug,
  lambda: Lambda,
  symptom: Symptom,
  temperature: HeatTyped,
  witness: Witness,
  ride: Ride,
  proven: Proven,
} satisfies Readonly<Record<HowName, z.ZodMiniType>>;

/** One form keeps what was typed of every kind. */
export type LookTyped = { readonly [K in HowName]: z.input<(typeof TYPED)[K]> };

const READ: { readonly [K in HowName]: Read<z.output<(typeof TYPED)[K]>> } = {
  plug: readPlug,
  lambda: readLambda,
  symptom: readSymptom,
  temperature: readTemperature,
  witness: readWitness,
  ride: readRide,
  proven: readProven,
};

/** @returns what a look of that kind says, nothing once something wrong was said, each by its place in the form */
export function readLook<K extends HowName>(
  how: K,
  typed: unknown,
  at: LookAt,
  ctx: z.core.ParsePayload,
): LookSaid | undefined {
  const say: Say = (path, message) => sayIssue(ctx, message, path[0] === "felt" ? path : [how, ...path]);
  const parsed = TYPED[how].safeParse(typed, { error: boundWords });
  for (const { path, message } of parsed.error?.issues ?? []) say(path.map(String), message);
  return parsed.success ? READ[how](parsed.data as never, at, say) : undefined;
}

export const NOTHING_TYPED = {
  plug: { places: {}, cut: "clean", colderSteps: "0", findings: [], used: false },
  symptom: { answer: "unasked" },
  witness: { crown: "unseen", colour: "unseen" },
  ride: {},
  proven: { how: "ranWell", note: "" },
} as const satisfies Partial<Record<HowName, unknown>>;

export const NO_FIGURES = perZone(() => "");
