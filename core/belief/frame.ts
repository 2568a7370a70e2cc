/**
 * The frame of reference: the setting, air, fuel and targets of a carburettor’s first description, kept for ever.
 * Every other setting, part, air, fuel or target is a log ratio to it, so the unknowns keep their meaning when it changes.
 */
import { humidAir, type HumidAir } from "../air/humid-air.ts";
import type { Setting } from "../carburettor/carburettor.ts";
import { airNeeded } from "../carburettor/fuel.ts";
import { buildModel, feedAt, modelLike, pointAt, type Model } from "../carburettor/model.ts";
import { ZONES, type PerZone } from "../carburettor/zones.ts";
import type { Build } from "../log/schema.ts";
import { rigFromBuild } from "../rig/from-build.ts";
import type { ZoneShares } from "./unknowns.ts";

export interface Frame {
  readonly model: Model;
  readonly build: Build;
  readonly setting: Setting;
  readonly air: HumidAir;
  /** ln λ (up to one constant) of the reference at an opening */
  readonly lnLambdaAt: (throttle: number) => number;
}

const lnAirNeeded = ({ rig }: Model): number => Math.log(airNeeded(rig.fuel));

/** ln λ up to one constant that all settings, airs, parts and fuels share. */
export function lnLambda(model: Model, lnAirFuel: number): number {
  return lnAirFuel - lnAirNeeded(model);
}

/** @returns ln of the λ wanted at an opening that belongs to these zones */
export function lnTarget(targets: PerZone<number>, shares: ZoneShares): number {
  return ZONES.reduce((sum, zone) => {
    const share = shares[zone] ?? 0;
    return share === 0 ? sum : sum + share * Math.log(targets[zone]);
  }, 0);
}

/**
 * @param build - as one carburettor sees it
 * @throws {RangeError} if its geometry is impossible
 */
export function frameOf(build: Build): Frame {
  const model = buildModel(rigFromBuild(build));
  const { setting, air } = model.rig.baseline;
  const known = new Map<number, number>();
  const lnLambdaAt = (throttle: number): number => {
    const before = known.get(throttle);
    if (before !== undefined) return before;
    const { lnAirFuel } = feedAt(model, setting, pointAt(model.rig, air, throttle));
    const value = lnLambda(model, lnAirFuel);
    known.set(throttle, value);
    return value;
  };
  return { model, build, setting, air: humidAir(build.baseline.air), lnLambdaAt };
}

/** @returns the model of a carburettor as it is now, in the frame of what it was first */
export function modelIn(frame: Frame, build: Build): Model {
  return build === frame.build ? frame.model : modelLike(frame.model, rigFromBuild(build));
}
