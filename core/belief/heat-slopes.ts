/**
 * The slope of temperature against mixture on this engine, estimated from its whole log (K per unit of ln mixture).
 */
import type { Zone } from "../carburettor/zones.ts";
import { heatInBaselineAir, heatSeries, type HeatReading } from "../looks/heat-reading.ts";
import { learnHeatSlope, type HeatPoint, type HeatSlope } from "../looks/heat-slope.ts";
import type { Present, SeenLook } from "../log/present.ts";
import type { Build } from "../log/schema.ts";
import type { HeatSensor } from "../log/parts.ts";
import { carburettorOf } from "../rig/carburettors.ts";
import { settingFromLog } from "../rig/from-build.ts";
import { buildAt, type Mixtures } from "./look-mixtures.ts";

/** How many kelvin a mixture is worth at one probe of this engine. */
export interface LearntHeat extends HeatSlope {
  readonly sensor: HeatSensor;
  readonly zone: Zone;
  /** of the rise over a run, not of the figure itself */
  readonly rise: boolean;
}

interface Series {
  readonly reading: HeatReading;
  readonly points: HeatPoint[];
}

/** @returns kelvin of the air at a look against the baseline's; 0 where none was read */
export const warmerThen = ({ air }: Pick<SeenLook, "air">, { baseline }: Pick<Build, "baseline">): number =>
  air ? air.temperatureK - baseline.air.temperatureK : 0;

/** @returns by the name of their series, those that two settings have taught */
export function heatSlopes({ looks, knownBuilds }: Present, mixtureOf: Mixtures): Map<string, LearntHeat> {
  const series = new Map<string, Series>();
  for (const look of looks) {
    const { reading, cylinder } = look.entry;
    if (reading.type !== "temperature") continue;
    const build = buildAt(knownBuilds, look.build);
    const carburettor = cylinder === undefined ? 0 : carburettorOf(build, cylinder - 1);
    const setting = settingFromLog(look.settings[carburettor] ?? look.setting);
    const { shift } = mixtureOf(look.build, carburettor, look.air)(setting)[reading.zone];
    const name = heatSeries(reading, build, cylinder);
    const points = [
      ...(series.get(name)?.points ?? []),
      { shift, temperatureK: heatInBaselineAir(reading, warmerThen(look, build)) },
    ];
    series.set(name, { reading, points });
  }
  const learnt = new Map<string, LearntHeat>();
  for (const [name, { reading, points }] of series) {
    const slope = learnHeatSlope(points);
    const { sensor, zone, risenFromK } = reading;
    if (slope) learnt.set(name, { ...slope, sensor, zone, rise: risenFromK !== undefined });
  }
  return learnt;
}

/** @returns what a look's own series has taught */
export function slopeFor(
  learnt: ReadonlyMap<string, LearntHeat>,
  { entry: { reading, cylinder } }: Pick<SeenLook, "entry">,
  build: Parameters<typeof heatSeries>[1],
): LearntHeat | undefined {
  return reading.type === "temperature" ? learnt.get(heatSeries(reading, build, cylinder)) : undefined;
}
