/** How far each cylinder departs from the others, and whether that is more than equal jets explain. */
import { ZONES, type PerZone, type Zone } from "../../carburettor/zones.ts";
import { beliefOver, contrastLine } from "../../belief/layout.ts";
import { zoneMixture } from "../../belief/mixture.ts";
import type { Replayed } from "../../belief/replay.ts";
import type { MixturePoint } from "../../looks/line.ts";
import type { Present } from "../../log/present.ts";
import { zonesOf } from "../../log/readings/reading.ts";
import type { AirEntry, Build } from "../../log/schema.ts";
import { buildOfCarburettor, carburettorCount, carburettorOf } from "../../rig/carburettors.ts";
import { settingFromLog } from "../../rig/from-build.ts";
import { airOf } from "./case.ts";
import { CONTENT, spreadOf, TOLERANCE } from "./judge-setting.ts";
import { chanceAbove, type Spread } from "./loss.ts";

export interface CylinderZone extends Spread {
  /** against the mean of its neighbours, + leaner than they */
  readonly departure: Spread;
  /** looks that named this cylinder */
  readonly looks: number;
}

export interface CylinderReport {
  /** counted from 1 */
  readonly cylinder: number;
  readonly carburettor: number;
  readonly zones: PerZone<CylinderZone>;
}

/** One that differs by more than the same jets explain. */
export interface Outlier {
  readonly cylinder: number;
  readonly zone: Zone;
  readonly departure: number;
  /** that it truly departs by more than what counts as right */
  readonly chance: number;
}

const outside = ({ mean, sd }: Spread): number => chanceAbove(TOLERANCE, { mean: Math.abs(mean), sd });

/** What every carburettor feeds as it is set, in an air. */
function pointsOf(
  present: Present,
  build: Build,
  { frames }: Replayed,
  air: AirEntry | undefined,
): PerZone<MixturePoint>[] {
  return frames.slice(0, carburettorCount(build)).map((frame, i) => {
    const one = buildOfCarburettor(build, i);
    const setting = present.settings[i] ?? one.baseline.setting;
    return zoneMixture(frame, one, airOf(air, frame))(settingFromLog(setting));
  });
}

/**
 * @param air - in which they are compared; none: the baseline's
 * @returns every cylinder of an engine with several; empty for one
 */
export function cylinderReports(
  present: Present,
  build: Build,
  replayed: Replayed,
  air: AirEntry | undefined = present.air,
): CylinderReport[] {
  const count = build.engine.cylinders;
  if (count < 2) return [];
  const { joint, layout } = replayed;
  const fed = pointsOf(present, build, replayed, air);
  const indices = Array.from({ length: count }, (_, i) => i);
  const lineOf = (cylinder: number, zone: Zone): MixturePoint => {
    const points = fed[carburettorOf(build, cylinder)];
    if (!points) throw new RangeError(`cylinder must be fed by a carburettor, got ${cylinder}`);
    return points[zone];
  };
  const looksAt = (cylinder: number, zone: Zone) =>
    present.looks.filter(
      ({ entry }) => entry.cylinder === cylinder + 1 && zonesOf(entry.reading).includes(zone),
    ).length;
  const zoneOf = (cylinder: number, zone: Zone): CylinderZone => {
    const lines = indices.map((c) => lineOf(c, zone));
    return {
      ...spreadOf(beliefOver(joint, [cylinder]), lineOf(cylinder, zone)),
      departure: spreadOf(joint, contrastLine(lines, cylinder, layout)),
      looks: looksAt(cylinder, zone),
    };
  };
  return indices.map((c) => ({
    cylinder: c + 1,
    carburettor: carburettorOf(build, c) + 1,
    zones: { idle: zoneOf(c, "idle"), low: zoneOf(c, "low"), mid: zoneOf(c, "mid"), top: zoneOf(c, "top") },
  }));
}

/** Of two cylinders each departs from the other alike: then the one further from its target is named. */
export function outliersAmong(cylinders: readonly CylinderReport[]): Outlier[] {
  const found = cylinders.flatMap(({ cylinder, zones }) =>
    ZONES.filter((zone) => cylinders.some((one) => one.zones[zone].looks > 0)).map((zone) => ({
      cylinder,
      zone,
      departure: zones[zone].departure.mean,
      chance: outside(zones[zone].departure),
      off: Math.abs(zones[zone].mean),
    })),
  );
  const sure = found.filter(({ chance }) => chance >= CONTENT).sort((a, b) => b.off - a.off);
  const named = sure.filter(
    (one, i) =>
      !sure.slice(0, i).some((before) => before.cylinder === one.cylinder) &&
      !(cylinders.length === 2 && sure.slice(0, i).some((before) => before.zone === one.zone)),
  );
  return named.map(({ cylinder, zone, departure, chance }) => ({ cylinder, zone, departure, chance }));
}
