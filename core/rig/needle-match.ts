/** Nearest needle by the mixture curve it gives along the throttle, each at its best clip groove. */
import type { HumidAir } from "../air/humid-air.ts";
import { feedAt, pointAt, type Model } from "../carburettor/model.ts";
import {
  rulerPosition,
  throttleAtRuler,
  zoneAt,
  perZone,
  type PerZone,
  type Zone,
} from "../carburettor/zones.ts";
import type { Needle } from "../carburettor/needle.ts";
import type { LoggedNeedle } from "../log/part-schema.ts";
import type { Setting } from "../log/schema.ts";
import { needleFromLog, settingFromLog } from "./from-build.ts";

export interface NeedleMatch {
  /** in the order they were given */
  readonly index: number;
  /** the groove of it that comes nearest */
  readonly clip: number;
  /** root of the mean square over the throttle, log mixture */
  readonly apart: number;
  /** where they part most, and by how much: + leaner than the one that is wanted */
  readonly worst: { readonly throttle: number; readonly difference: number };
  /** mean of each zone, + leaner */
  readonly zones: PerZone<number>;
}

/** Needles hang clear of idle: what is compared is what the needle has a hand in, evenly on the ruler. */
const POINTS = 33;
const OPENINGS = Array.from({ length: POINTS }, (_, i) =>
  throttleAtRuler(rulerPosition(0.04) + (i / (POINTS - 1)) * (1 - rulerPosition(0.04))),
);
const ZONE_OF = OPENINGS.map(zoneAt);

/**
 * @param model - of the carburettor they are compared in
 * @param setting - what is fitted; `wantedClip` is the groove of the needle that is wanted
 * @param wanted - the needle to come near to
 * @param others - at most some dozens
 * @returns the others, the nearest first; one as thick as its jet at full lift, or that cannot be, is left out
 * @throws {RangeError} if the wanted needle cannot be in this carburettor
 */
export function matchNeedles(
  model: Model,
  setting: Setting,
  air: HumidAir,
  wanted: { readonly needle: LoggedNeedle; readonly clip: number },
  others: readonly LoggedNeedle[],
): NeedleMatch[] {
  const points = OPENINGS.map((throttle) => pointAt(model.rig, air, throttle));
  const at = settingFromLog(setting);
  const curveOf = (needle: Needle, clip: number): number[] => {
    const { rig } = model;
    const other = { ...model, rig: { ...rig, carburettor: { ...rig.carburettor, needle } } };
    return points.map((point) => feedAt(other, { ...at, clip }, point).lnAirFuel);
  };
  const target = curveOf(needleFromLog(wanted.needle), wanted.clip);
  const found = others.flatMap((logged, index): NeedleMatch[] => {
    const needle = needleFromLog(logged);
    const tries = Array.from({ length: needle.grooves }, (_, i) => i + 1).flatMap((clip): NeedleMatch[] => {
      try {
        return [matchOf(curveOf(needle, clip), target, index, clip)];
      } catch (error) {
        if (error instanceof RangeError) return [];
        throw error;
      }
    });
    return tries.sort((a, b) => a.apart - b.apart).slice(0, 1);
  });
  return found.sort((a, b) => a.apart - b.apart);
}

function matchOf(
  curve: readonly number[],
  target: readonly number[],
  index: number,
  clip: number,
): NeedleMatch {
  const differences = curve.map((value, i) => value - (target[i] ?? value));
  const worst = differences.reduce(
    (most, d, i) => (Math.abs(d) > Math.abs(differences[most] ?? 0) ? i : most),
    0,
  );
  const meanIn = (zone: Zone): number => {
    const own = differences.filter((_, i) => ZONE_OF[i] === zone);
    return own.reduce((sum, d) => sum + d, 0) / Math.max(1, own.length);
  };
  return {
    index,
    clip,
    apart: Math.sqrt(differences.reduce((sum, d) => sum + d * d, 0) / differences.length),
    worst: { throttle: OPENINGS[worst] ?? 0, difference: differences[worst] ?? 0 },
    zones: perZone(meanIn),
  };
}
