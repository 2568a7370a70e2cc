/** Loss of a known engine, and the least that its box allows. */
import { LOSS, zoneWeights } from "../advice/judge/loss.ts";
import { choices } from "../advice/plan/choices.ts";
import type { AirState } from "../air/humid-air.ts";
import { ZONES, type PerZone } from "../carburettor/zones.ts";
import type { Build, Setting } from "../log/schema.ts";
import { airOfState, type RealEngine } from "../simulator/real-engine.ts";

/** A known engine in an air; the fitted setting is its build's baseline. */
export interface Known {
  readonly build: Build;
  readonly engine: RealEngine;
  readonly air: AirState;
}

export function lossOf({ usage }: Build, errors: PerZone<number>): number {
  const weights = zoneWeights(usage);
  return ZONES.reduce((sum, zone) => sum + weights[zone] * LOSS[zone](errors[zone]), 0);
}

export const startLoss = ({ build, engine, air }: Known): number =>
  lossOf(build, engine.errors(build.baseline.setting, airOfState(air)));

/** Least loss that the box allows in this air: the best needle and main, then the best pilot and screw for them. */
export function bestLoss({ build, engine, air }: Known): number {
  const now = airOfState(air);
  const { clip, main, pilot, screwTurns, shimMm } = choices(build, build.baseline.setting, [], 0.25);
  const cost = (setting: Setting) => lossOf(build, engine.errors(setting, now));
  const least = (settings: readonly Setting[]) =>
    settings
      .map((setting) => ({ setting, cost: cost(setting) }))
      .reduce((best, one) => (one.cost < best.cost ? one : best));
  let best = { setting: build.baseline.setting, cost: Infinity };
  // One block after the other, twice: they hardly overlap.
  for (let pass = 0; pass < 2; pass += 1) {
    const from = best.setting;
    const upper = least(
      clip.flatMap((c) => shimMm.flatMap((s) => main.map((m) => ({ ...from, clip: c, shimMm: s, main: m })))),
    ).setting;
    best = least(pilot.flatMap((p) => screwTurns.map((t) => ({ ...upper, pilot: p, screwTurns: t }))));
  }
  return best.cost;
}
