/**
 * The mixture error as the unknowns see it: `e = shift + row · unknowns`, 0 on target, + lean.
 * Everything about a setting in an air that evidence and advice need, prepared once.
 */
import type { HumidAir } from "../air/humid-air.ts";
import type { Setting } from "../carburettor/carburettor.ts";
import { prepareShift, shiftAt, type ShiftPoint } from "../carburettor/mixture-shift.ts";
import type { Authority, Model } from "../carburettor/model.ts";
import { PROBES, ZONES, type PerZone } from "../carburettor/zones.ts";
import { unknownsRow, type ZoneShares } from "./unknowns.ts";

/** One linear view of the unknowns. */
export interface Line {
  readonly shift: number;
  readonly row: readonly number[];
}

export interface MixturePoint extends Line {
  readonly authority: Authority;
}

/** An air in which settings can be asked about, at openings prepared beforehand. */
export interface MixtureMap {
  readonly lnDryDensityRatio: number;
  readonly at: (setting: Setting, index: number) => MixturePoint;
}

/** @param openings - throttle and how much of each zone's residual counts there */
export function mixtureMap(
  model: Model,
  air: HumidAir,
  openings: readonly { throttle: number; shares: ZoneShares }[],
): MixtureMap {
  const lnDryDensityRatio = Math.log(air.dryDensityKgM3 / model.rig.baseline.air.dryDensityKgM3);
  const points: ShiftPoint[] = prepareShift(
    model,
    air,
    openings.map(({ throttle }) => throttle),
  );
  const at = (setting: Setting, index: number): MixturePoint => {
    const point = points[index];
    const opening = openings[index];
    if (!point || !opening)
      throw new RangeError(`opening must be in 0..${openings.length - 1}, got ${index}`);
    const { shift, authority } = shiftAt(model, setting, point);
    return { shift, authority, row: unknownsRow(authority, opening.shares, lnDryDensityRatio) };
  };
  return { lnDryDensityRatio, at };
}

const PROBE_OPENINGS = ZONES.map((zone) => ({ throttle: PROBES[zone], shares: { [zone]: 1 } }));

/** @returns a function from a setting to its mixture point in every zone, in this air */
export function zoneMixture(model: Model, air: HumidAir): (setting: Setting) => PerZone<MixturePoint> {
  const map = mixtureMap(model, air, PROBE_OPENINGS);
  return (setting) => ({
    idle: map.at(setting, 0),
    low: map.at(setting, 1),
    mid: map.at(setting, 2),
    top: map.at(setting, 3),
  });
}

/** @returns weighted mean of two lines, for a reading that speaks for two zones at once */
export function blendLines(a: Line, b: Line, shareOfB: number): Line {
  return {
    shift: a.shift + shareOfB * (b.shift - a.shift),
    row: a.row.map((x, i) => x + shareOfB * ((b.row[i] ?? 0) - x)),
  };
}

export type ZoneMixture = ReturnType<typeof zoneMixture>;
