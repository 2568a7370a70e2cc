/**
 * Hidden engine: it departs from the model by amounts drawn from a seed, and answers looks as a real one would,
 * through a reader who errs.
 */
import type { HumidAir } from "../air/humid-air.ts";
import type { Zone } from "../carburettor/zones.ts";
import type { Frame } from "../belief/frame.ts";
import { zoneMixture } from "../belief/mixture.ts";
import { UNKNOWNS } from "../belief/unknowns.ts";
import type { Build, Reading, Setting } from "../log/schema.ts";
import { dot } from "../numbers/linear.ts";
import type { Random } from "../numbers/random.ts";
import { settingFromLog } from "../rig/from-build.ts";
import { PLUG_SD, SENSOR_SD, toneShown, TRUE_SD } from "./truth.ts";

export interface HiddenEngine {
  readonly frame: Frame;
  /** in the order of the unknowns */
  readonly truth: readonly number[];
}

/** @returns an engine drawn from what is thought possible before anything was seen */
export function drawEngine(frame: Frame, random: Random): HiddenEngine {
  return { frame, truth: UNKNOWNS.map((name) => TRUE_SD[name] * random.normal()) };
}

/** @returns the true mixture error in a zone: 0 on target, + lean */
export function trueError(
  { frame, truth }: HiddenEngine,
  setting: Setting,
  air: HumidAir,
  zone: Zone,
): number {
  const { shift, row } = zoneMixture(frame, frame.build, air)(settingFromLog(setting))[zone];
  return shift + dot(row, truth);
}

/** @returns what a tuner reads off a cleanly cut plug that shows this error */
export function readPlug(error: number, zone: Zone, random: Random): Reading {
  const tone = toneShown(error + PLUG_SD * random.normal());
  return { type: "plug", zone, tone, cut: "clean", colderSteps: 0 };
}

/** @returns what a sensor well inside the pipe shows for this error, to two decimals */
export function readLambda(error: number, zone: Zone, build: Build, random: Random): Reading {
  const lambda = build.targetLambda[zone] * Math.exp(error + SENSOR_SD * random.normal());
  return { type: "lambda", zone, lambda: Math.round(lambda * 100) / 100, sensor: "inside" };
}
