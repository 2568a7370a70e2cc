/** A reading of the idle bench as typed, and what the bench makes of all of them. */
import * as z from "zod/mini";
import type { HumidAir } from "#core/air/humid-air.ts";
import { SCREW_DOMAIN } from "#core/carburettor/carburettor.ts";
import { buildModel } from "#core/carburettor/model.ts";
import { screwScale } from "#core/carburettor/screw-scale.ts";
import { fitBestIdle, LEAST_POINTS, type IdleFit, type IdlePoint } from "#core/idle/best-idle.ts";
import type { ScrewSchool } from "#core/log/schools.ts";
import { judgePilot, type IdleVerdict } from "#core/idle/verdict.ts";
import { Change, type Build, type Reading, type Setting } from "#core/log/schema.ts";
import { SymptomName } from "#core/log/symptom-names.ts";
import { boxJets } from "#core/rig/box.ts";
import { rigFromBuild, settingFromLog } from "#core/rig/from-build.ts";
import { screwWindow } from "#core/advice/plan/choices.ts";
import { readTypedNumber } from "#core/units/typed-number.ts";

export const IdlePoints = z
  .array(
    z.object({
      turns: z.number().check(z.gte(SCREW_DOMAIN.min), z.lte(SCREW_DOMAIN.max)),
      rpm: z.number().check(z.gte(100), z.lte(20_000)),
    }),
  )
  .check(z.maxLength(200));

export const PHASES = ["warm", "base", "walk", "set", "blip"] as const;
export type Phase = (typeof PHASES)[number];

/** The bench half walked: it outlasts a reload. */
export const IdleDraft = z.object({
  phase: z.enum(PHASES),
  points: IdlePoints,
  /** the idle was raised for the test, and must come back */
  raised: z.boolean(),
  /** any reading came from a stand-in */
  simulated: z.boolean(),
  round: z.int().check(z.gte(1), z.lte(20)),
});
export type IdleDraft = z.infer<typeof IdleDraft>;
export const FRESH_IDLE: IdleDraft = { phase: "warm", points: [], raised: false, simulated: false, round: 1 };

/** What the bench sends: its readings with what was done about them, or what a blip showed. */
export const IdleSent = z.discriminatedUnion("intent", [
  z.object({
    intent: z.literal("log"),
    points: IdlePoints,
    simulated: z.boolean(),
    /** what the card says with this reading in it, and was done: the screw set, or a jet with the screw at its base */
    changes: z.array(Change).check(z.maxLength(4)),
    /** from 0 */
    carburettor: z.int().check(z.gte(0), z.lte(5)),
  }),
  z.object({ intent: z.literal("symptom"), symptom: SymptomName, simulated: z.boolean() }),
]);

export type IdleSent = z.infer<typeof IdleSent>;

export type PointRead = { ok: true; point: IdlePoint } | { ok: false; fields: Record<string, string> };

/** @returns the reading, or what is wrong with its turns or its rpm */
export function readPoint(turnsText: string, rpmText: string): PointRead {
  const fields: Record<string, string> = {};
  const turns = readTypedNumber(turnsText);
  const rpm = readTypedNumber(rpmText);
  if (!turns.ok || turns.value < SCREW_DOMAIN.min || turns.value > SCREW_DOMAIN.max)
    fields["turns"] = `Turns out, ${SCREW_DOMAIN.min} to ${SCREW_DOMAIN.max}.`;
  if (!rpm.ok || rpm.value < 100 || rpm.value > 20_000) fields["rpm"] = "Idle speed, 100 to 20 000 rpm.";
  return turns.ok && rpm.ok && Object.keys(fields).length === 0
    ? { ok: true, point: { turns: turns.value, rpm: rpm.value } }
    : { ok: false, fields };
}

export interface Bench {
  readonly fit: IdleFit;
  readonly verdict: IdleVerdict;
  readonly window: { readonly from: number; readonly to: number };
}

/** @throws {RangeError} if the model cannot work with this build and setting */
export function benchOf(
  points: readonly IdlePoint[],
  build: Build,
  fitted: Setting,
  air: HumidAir,
  school: ScrewSchool,
): Bench {
  const scale = screwScale(buildModel(rigFromBuild(build)), settingFromLog(fitted), air);
  const fit = fitBestIdle(points, scale);
  const window = screwWindow(build);
  const verdict = judgePilot(fit, {
    school,
    screw: build.carburettor.screw,
    window,
    baseTurns: build.baseline.setting.screwTurns,
    pilot: fitted.pilot,
    pilots: boxJets(build, "pilot").map(({ number }) => number),
  });
  return { fit, verdict, window };
}

const rounded = (value: number): number => Math.round(value * 1000) / 1000;

/**
 * With one fall-off out of sight its place is a guess: the doubt of the middle is then half the way between
 * the two, at least. It still condemns a jet, so it is still evidence.
 * @returns the look that the log keeps, or nothing while nothing can be said
 */
export function idleReading(
  { fit, verdict }: Pick<Bench, "fit" | "verdict">,
  points: readonly IdlePoint[],
): Reading | undefined {
  const seen = fit.fit;
  if (!seen || (!fit.ok && verdict.kind !== "jet") || points.length < LEAST_POINTS) return undefined;
  const { fallInTurns, fallOutTurns, crestTurns, sdTurns } = seen;
  const doubt = fit.ok ? sdTurns : Math.max(sdTurns, (fallOutTurns - fallInTurns) / 4);
  return {
    type: "bestIdle",
    zone: "idle",
    fallInTurns: rounded(fallInTurns),
    fallOutTurns: rounded(fallOutTurns),
    crestTurns: rounded(crestTurns),
    sdTurns: rounded(doubt),
    points: [...points],
  };
}

/** @returns the place to read next: from half a turn further in, quarter by quarter, then where the fit asks */
export function nextPlace(points: readonly IdlePoint[], base: number, fit: IdleFit): number {
  if (points.length === 0) return Math.max(0, base - 0.5);
  if (!fit.ok && fit.missing.nextTurns !== undefined) return fit.missing.nextTurns;
  return Math.max(...points.map(({ turns }) => turns)) + 0.25;
}
