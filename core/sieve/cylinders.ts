/** Cylinders side by side: what is believed of each, and which one departs from its neighbours. */
import { ZONES, type PerZone, type Zone } from "../carburettor/zones.ts";
import { buildModel } from "../carburettor/model.ts";
import { beliefOver, departureLine } from "../evidence/cylinders.ts";
import { zoneMixture, type MixturePoint } from "../evidence/mixture.ts";
import type { Setting } from "../log/schema.ts";
import { buildOfCarburettor, carburettorCount, carburettorOf, cylindersFedBy } from "../rig/carburettors.ts";
import { humidAirFromLog, rigFromBuild, settingFromLog } from "../rig/from-build.ts";
import type { Case } from "./advise.ts";
import { bestSetting } from "./card.ts";
import { choices } from "./choices.ts";
import { CONTENT, settingJudge, spreadOf, TOLERANCE } from "./judge-setting.ts";
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

/** What each carburettor would be given, were it jetted for its own cylinders. */
export interface OwnJets {
  readonly carburettor: number;
  readonly feeds: readonly number[];
  readonly fitted: Setting;
  readonly setting: Setting;
}

export interface Distribution {
  readonly cylinders: readonly CylinderReport[];
  /** the surest first; nothing while no look has named a cylinder */
  readonly outliers: readonly Outlier[];
  readonly ownJets: readonly OwnJets[];
}

const outside = ({ mean, sd }: Spread): number => chanceAbove(TOLERANCE, { mean: Math.abs(mean), sd });

/** @returns the cylinders of an engine that has several; empty for one */
export function distribution({ present, build, sifted }: Case): Distribution {
  const count = build.engine.cylinders;
  if (count < 2) return { cylinders: [], outliers: [], ownJets: [] };
  const { joint } = sifted;
  const carburettors = Array.from({ length: carburettorCount(build) }, (_, i) => {
    const one = buildOfCarburettor(build, i);
    const model = buildModel(rigFromBuild(one));
    const air = present.air ? humidAirFromLog(present.air) : model.rig.baseline.air;
    const fitted = present.settings[i] ?? one.baseline.setting;
    return { one, model, air, fitted, points: zoneMixture(model, air)(settingFromLog(fitted)) };
  });
  const pointsOf = (cylinder: number): PerZone<MixturePoint> => {
    const fed = carburettors[carburettorOf(build, cylinder)] ?? carburettors[0];
    if (!fed) throw new RangeError(`cylinder must be fed by a carburettor, got ${cylinder}`);
    return fed.points;
  };
  const indices = Array.from({ length: count }, (_, i) => i);
  const looksAt = (cylinder: number, zone: Zone) =>
    present.looks.filter(({ entry }) => entry.cylinder === cylinder + 1 && entry.reading.zone === zone)
      .length;
  const zoneOf = (cylinder: number, zone: Zone): CylinderZone => {
    const lines = indices.map((c) => pointsOf(c)[zone]);
    const own = lines[cylinder];
    if (!own) throw new RangeError(`cylinder must be in 0..${count - 1}, got ${cylinder}`);
    return {
      ...spreadOf(beliefOver(joint, [cylinder]), own),
      departure: spreadOf(joint, departureLine(lines, cylinder)),
      looks: looksAt(cylinder, zone),
    };
  };
  const cylinders = indices.map((c): CylinderReport => ({
    cylinder: c + 1,
    carburettor: carburettorOf(build, c) + 1,
    zones: { idle: zoneOf(c, "idle"), low: zoneOf(c, "low"), mid: zoneOf(c, "mid"), top: zoneOf(c, "top") },
  }));
  return {
    cylinders,
    outliers: outliersAmong(cylinders),
    ownJets: carburettors.map(({ one, model, air, fitted }, i): OwnJets => {
      const feeds = cylindersFedBy(build, i);
      const belief = beliefOver(
        joint,
        feeds.map((c) => c - 1),
      );
      const judge = settingJudge(model, belief, air, one.usage);
      const { setting } = bestSetting(judge, choices(one, fitted), fitted);
      return { carburettor: i + 1, feeds, fitted, setting };
    }),
  };
}

/** Of two cylinders each departs from the other alike: then the one further from its target is named. */
function outliersAmong(cylinders: readonly CylinderReport[]): Outlier[] {
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
