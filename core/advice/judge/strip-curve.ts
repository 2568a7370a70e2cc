/** The mixture along the whole throttle, with its doubt and who feeds: what the strip draws. */
import type { HumidAir } from "../../air/humid-air.ts";
import type { Authority } from "../../carburettor/model.ts";
import { PROBES, rulerPosition, throttleAtRuler, ZONES } from "../../carburettor/zones.ts";
import { mixtureMap } from "../../belief/mixture.ts";
import type { Belief, ZoneShares } from "../../belief/unknowns.ts";
import type { Group } from "./case.ts";
import { settingFromLog } from "../../rig/from-build.ts";
import { spreadOf } from "./judge-setting.ts";
import type { Spread } from "./loss.ts";

export interface StripPoint extends Spread {
  /** 0..1 along the ruler */
  readonly position: number;
  readonly throttle: number;
  readonly authority: Authority;
}

const POINTS = 61;

/** Residuals belong to the probes; between two of them they are shared by distance on the ruler. */
export function residualShares(position: number): ZoneShares {
  const probes = ZONES.map((zone) => ({ zone, at: rulerPosition(PROBES[zone]) }));
  const next = probes.findIndex(({ at }) => at >= position);
  const upper = probes[next];
  const lower = probes[next - 1];
  if (!upper) return { top: 1 };
  if (!lower) return { [upper.zone]: 1 };
  const share = (position - lower.at) / (upper.at - lower.at);
  return { [lower.zone]: 1 - share, [upper.zone]: share };
}

const OPENINGS = Array.from({ length: POINTS }, (_, i) => {
  const position = i / (POINTS - 1);
  return { position, throttle: throttleAtRuler(position), shares: residualShares(position) };
});

/** @returns 61 points from shut to open, evenly spaced on the ruler, with what is fitted */
export function stripCurve({ frame, build, fitted }: Group, belief: Belief, air: HumidAir): StripPoint[] {
  const map = mixtureMap(frame, build, air, OPENINGS);
  const setting = settingFromLog(fitted);
  return OPENINGS.map(({ position, throttle }, i) => {
    const point = map.at(setting, i);
    return { position, throttle, authority: point.authority, ...spreadOf(belief, point) };
  });
}
