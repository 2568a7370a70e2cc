/** Reference values that a temperature reading is compared with: the rig's targets and like readings. */
import type { Build, Reading } from "../log/schema.ts";

/** Where a temperature belongs, and what still counts as there. */
export interface HeatTarget {
  readonly targetK: number;
  readonly withinK: number;
}

export type HeatReading = Extract<Reading, { type: "temperature" }>;

/** @returns kelvin: of the probe, or gained since the start */
export const heatOf = ({ temperatureK, risenFromK }: HeatReading): number =>
  risenFromK === undefined ? temperatureK : temperatureK - risenFromK;

/**
 * Air that goes in warmer comes out warmer by about as much; over a run that difference is the same at both ends.
 * @param warmerK - the air then against the baseline's
 * @returns the heat as it would have been in the baseline's air
 */
export const heatInBaselineAir = (reading: HeatReading, warmerK: number): number =>
  heatOf(reading) - (reading.risenFromK === undefined ? warmerK : 0);

/** @returns where it belongs, or nothing when this rig does not say */
export function heatTargetOf(
  { sensor, zone, risenFromK }: HeatReading,
  { heat }: Pick<Build, "heat">,
): HeatTarget | undefined {
  if (sensor === "exhaust") return heat?.exhaust?.[zone];
  if (risenFromK === undefined) return heat?.staging;
  const rise = heat?.rise;
  return rise && { targetK: (rise.fromK + rise.toK) / 2, withinK: Math.max(1, (rise.toK - rise.fromK) / 2) };
}

/** Readings of one name can be laid on one line: same probe, same zone, same machine. */
export function heatSeries(
  { sensor, zone, risenFromK }: HeatReading,
  { baseline, carburettor }: Pick<Build, "baseline" | "carburettor">,
  cylinder: number | undefined,
): string {
  const what = risenFromK === undefined ? "at" : "rise";
  return JSON.stringify([sensor, what, zone, cylinder ?? 0, baseline, carburettor]);
}
