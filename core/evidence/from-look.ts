/** From a logged look to evidence: which line of the unknowns it speaks about, and what it says. */
import type { Zone } from "../carburettor/zones.ts";
import type { Build, LookEntry, Reading } from "../log/schema.ts";
import { lambdaLikelihood } from "./lambda.ts";
import type { Likelihood } from "./likelihood.ts";
import type { Setting } from "../carburettor/carburettor.ts";
import type { PlugFinding } from "../log/parts.ts";
import { comparedLikelihood } from "./compared.ts";
import { bestIdleLikelihood } from "./best-idle.ts";
import { blendLines, type Line, type ZoneMixture } from "./mixture.ts";
import { toneLikelihood } from "./plug-tone.ts";
import { symptomLikelihood } from "./symptom.ts";

export interface Evidence {
  readonly lookId: string;
  readonly zone: Zone;
  readonly line: Line;
  /** shift of the zone itself, without the idle's share */
  readonly zoneShift: number;
  readonly likelihood: Likelihood;
}

/** Errors of readers and sensors, as shares of mixture. Each can be tightened only by a better method. */
export const READER_SD = { clean: 0.03, rolled: 0.06, unknown: 0.045 } as const;
export const SENSOR_SD = { inside: 0.015, openEnd: 0.05 } as const;
/** Alcohol leaves little colour. */
const METHANOL_FACTOR = 2.5;
/** Glaze and oil cover the porcelain, fuel washes it: what tone is left says little of the mixture. */
const COVERS_THE_TONE: ReadonlySet<PlugFinding> = new Set(["wet", "glazed", "oily"]);
const COVERED_FACTOR = 3;
/** A plug one heat range too cold reads this much darker. */
const DARKER_PER_COLDER_STEP = 0.02;
/** How much of a plug's colour the roll to idle has painted over. Unknown cuts are taken half way. */
const IDLE_SHARE = { clean: 0, rolled: 0.5, unknown: 0.25 } as const;

type PlugReading = Extract<Reading, { type: "plug" }>;

function plugEvidence(reading: PlugReading, fuel: Build["fuel"]["name"]): Likelihood {
  const hidden = reading.findings?.some((finding) => COVERS_THE_TONE.has(finding)) ?? false;
  const sd =
    READER_SD[reading.cut] * (fuel === "methanol" ? METHANOL_FACTOR : 1) * (hidden ? COVERED_FACTOR : 1);
  return toneLikelihood({
    tone: reading.tone,
    sd,
    looksRicher: DARKER_PER_COLDER_STEP * reading.colderSteps,
  });
}

type IdleReading = Extract<Reading, { type: "bestIdle" }>;

/** Halfway between the fall-offs the mixture is right: on the scale of the mixture, not of the screw. */
function idleEvidence(
  look: LookEntry,
  reading: IdleReading,
  mixtureOf: ZoneMixture,
  setting: Setting,
): Evidence {
  const { fallInTurns, fallOutTurns, sdTurns } = reading;
  const [fallIn, fallOut] = [fallInTurns, fallOutTurns].map(
    (screwTurns) => mixtureOf({ ...setting, screwTurns }).idle,
  );
  if (!fallIn || !fallOut) throw new RangeError("best idle must have two fall-offs, got fewer");
  const line = blendLines(fallIn, fallOut, 0.5);
  const perTurn = Math.abs(fallOut.shift - fallIn.shift) / Math.max(0.1, fallOutTurns - fallInTurns);
  return {
    lookId: look.id,
    zone: "idle",
    line,
    zoneShift: line.shift,
    likelihood: bestIdleLikelihood(perTurn * sdTurns),
  };
}

type ComparedReading = Extract<Reading, { type: "compared" }>;

/** Speaks of the error halfway between before and after; where nothing was changed it says nothing. */
function comparedEvidence(
  look: LookEntry,
  { zone, verdict }: ComparedReading,
  mixtureOf: ZoneMixture,
  setting: Setting,
  before: Setting,
): Evidence {
  const [was, is] = [mixtureOf(before)[zone], mixtureOf(setting)[zone]];
  const line = blendLines(was, is, 0.5);
  return {
    lookId: look.id,
    zone,
    line,
    zoneShift: line.shift,
    likelihood: comparedLikelihood(verdict, is.shift - was.shift),
  };
}

/**
 * @param mixtureOf - what any setting does on this build, in the air of the look
 * @param before - what was fitted before the change that the look was about; the same where there was none
 */
export function evidenceFromLook(
  look: LookEntry,
  build: Build,
  mixtureOf: ZoneMixture,
  setting: Setting,
  before: Setting = setting,
): Evidence {
  const { reading } = look;
  if (reading.type === "bestIdle") return idleEvidence(look, reading, mixtureOf, setting);
  if (reading.type === "compared") return comparedEvidence(look, reading, mixtureOf, setting, before);
  const { zone } = reading;
  const mixture = mixtureOf(setting);
  const own = { lookId: look.id, zone, line: mixture[zone], zoneShift: mixture[zone].shift };
  if (reading.type === "symptom") return { ...own, likelihood: symptomLikelihood(reading.symptom) };
  if (reading.type === "lambda") {
    const likelihood = lambdaLikelihood(reading.lambda, build.targetLambda[zone], SENSOR_SD[reading.sensor]);
    return { ...own, likelihood };
  }
  const line = blendLines(mixture[zone], mixture.idle, IDLE_SHARE[reading.cut]);
  return { ...own, line, likelihood: plugEvidence(reading, build.fuel.name) };
}
