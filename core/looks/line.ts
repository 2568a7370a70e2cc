/** A linear functional of the unknowns: mixture error e = shift + row · unknowns (0 on target, + lean). */
import type { Authority } from "../carburettor/model.ts";
import type { PerZone } from "../carburettor/zones.ts";
import type { Setting } from "../carburettor/carburettor.ts";

export interface Line {
  readonly shift: number;
  readonly row: Float64Array;
}

/** What a setting does at one opening in one air. */
export interface MixturePoint extends Line {
  readonly authority: Authority;
}

/** What any setting does in every zone, on one machine in one air. */
export type ZoneMixture = (setting: Setting) => PerZone<MixturePoint>;

/** @returns weighted mean of two lines, for a reading that speaks for two places at once */
export function blendLines(a: Line, b: Line, shareOfB: number): Line {
  return {
    shift: a.shift + shareOfB * (b.shift - a.shift),
    row: a.row.map((x, i) => x + shareOfB * ((b.row[i] ?? 0) - x)),
  };
}
