/** From a logged look to evidence: which line of the unknowns it speaks about, and what it says. */
import type { Zone } from "../carburettor/zones.ts";
import type { Build, LookEntry, Reading } from "../log/schema.ts";
import { lambdaLikelihood, loggedSd } from "./lambda.ts";
import type { Likelihood } from "./likelihood.ts";
import type { Setting } from "../carburettor/carburettor.ts";
import { comparedLikelihood, type Feel } from "./compared.ts";
import { bestIdleLikelihood } from "./best-idle.ts";
import type { HeatSlope } from "./heat-slope.ts";
import { heatOf, heatTargetOf, type HeatReading } from "./heat-reading.ts";
import { blendLines, type Line, type MixturePoint, type ZoneMixture } from "../belief/mixture.ts";
import { IDLE_SHARE, plugLikelihood } from "./plug.ts";
import { symptomLikelihood } from "./symptom.ts";
import { SAYS_NOTHING, temperatureLikelihood } from "./temperature.ts";
import { threeStepLikelihood, type Step } from "./three-steps.ts";

export interface Evidence {
  readonly lookId: string;
  readonly zone: Zone;
  readonly line: Line;
  /** shift of the zone itself, without the idle's share */
  readonly zoneShift: number;
  readonly likelihood: Likelihood;
}

/** What the rest of the log knows that a look cannot say by itself. */
export interface LookContext {
  /** fitted before the change that the look was about; the same where there was none */
  readonly before?: Setting;
  /** how finely two settings were told apart, when not by hand */
  readonly feel?: Feel;
  /** what this engine's temperatures have taught */
  readonly heatSlope?: HeatSlope | undefined;
}

/** Errors of λ sensors, as shares of mixture. */
export const SENSOR_SD = { inside: 0.015, openEnd: 0.05 } as const;
/** Crown wash and header colour. */
const WITNESS_SD = 0.06;

const CROWN_STEPS: Readonly<Record<Of<"crown">["crown"], Step>> = {
  dry: "lean",
  island: "right",
  washed: "rich",
};
const HEADER_STEPS: Readonly<Record<Of<"header">["colour"], Step>> = {
  pale: "lean",
  tan: "right",
  black: "rich",
};

type Of<T extends Reading["type"]> = Extract<Reading, { type: T }>;

/** A line and what is read along it. */
interface Said {
  readonly line: Line;
  readonly likelihood: Likelihood;
}

/** Halfway between the fall-offs the mixture is right: on the scale of the mixture, not of the screw. */
function idleSaid(reading: Of<"bestIdle">, mixtureOf: ZoneMixture, setting: Setting): Said {
  const { fallInTurns, fallOutTurns, sdTurns } = reading;
  const [fallIn, fallOut] = [fallInTurns, fallOutTurns].map(
    (screwTurns) => mixtureOf({ ...setting, screwTurns }).idle,
  );
  if (!fallIn || !fallOut) throw new RangeError("best idle must have two fall-offs, got fewer");
  const perTurn = Math.abs(fallOut.shift - fallIn.shift) / Math.max(0.1, fallOutTurns - fallInTurns);
  return { line: blendLines(fallIn, fallOut, 0.5), likelihood: bestIdleLikelihood(perTurn * sdTurns) };
}

/** Speaks of the error halfway between before and after; where nothing was changed it says nothing. */
function comparedSaid(
  { zone, verdict }: Of<"compared">,
  mixtureOf: ZoneMixture,
  setting: Setting,
  { before = setting, feel }: LookContext,
): Said {
  const [was, is] = [mixtureOf(before)[zone], mixtureOf(setting)[zone]];
  return {
    line: blendLines(was, is, 0.5),
    likelihood: comparedLikelihood(verdict, is.shift - was.shift, feel),
  };
}

function lambdaSaid({ lambda, sensor, logged, zone }: Of<"lambda">, build: Build): Likelihood {
  const sd = logged ? loggedSd(SENSOR_SD[sensor], logged) : SENSOR_SD[sensor];
  return lambdaLikelihood(lambda, build.targetLambda[zone], sd);
}

function heatSaid(reading: HeatReading, build: Build, slope: HeatSlope | undefined): Likelihood {
  const target = heatTargetOf(reading, build);
  return target ? temperatureLikelihood(heatOf(reading), target, slope) : SAYS_NOTHING;
}

/** Readings of what is fitted now, in one zone. */
function saidHere(
  reading: Exclude<Reading, Of<"bestIdle"> | Of<"compared">>,
  build: Build,
  here: MixturePoint,
  idle: MixturePoint,
  { heatSlope }: LookContext,
): Said {
  switch (reading.type) {
    case "plug":
      return {
        line: blendLines(here, idle, IDLE_SHARE[reading.cut]),
        likelihood: plugLikelihood(reading, build.fuel.name),
      };
    case "lambda":
      return { line: here, likelihood: lambdaSaid(reading, build) };
    case "symptom":
      return { line: here, likelihood: symptomLikelihood(reading.symptom) };
    case "crown":
      return { line: here, likelihood: threeStepLikelihood(CROWN_STEPS[reading.crown], WITNESS_SD) };
    case "header":
      return { line: here, likelihood: threeStepLikelihood(HEADER_STEPS[reading.colour], WITNESS_SD) };
    case "temperature":
      return { line: here, likelihood: heatSaid(reading, build, heatSlope) };
  }
}

/** @param mixtureOf - what any setting does on this build, in the air of the look */
export function evidenceFromLook(
  look: LookEntry,
  build: Build,
  mixtureOf: ZoneMixture,
  setting: Setting,
  context: LookContext = {},
): Evidence {
  const { reading } = look;
  const { zone } = reading;
  if (reading.type === "bestIdle" || reading.type === "compared") {
    const said =
      reading.type === "bestIdle"
        ? idleSaid(reading, mixtureOf, setting)
        : comparedSaid(reading, mixtureOf, setting, context);
    return { lookId: look.id, zone, zoneShift: said.line.shift, ...said };
  }
  const mixture = mixtureOf(setting);
  const said = saidHere(reading, build, mixture[zone], mixture.idle, context);
  return { lookId: look.id, zone, zoneShift: mixture[zone].shift, ...said };
}
