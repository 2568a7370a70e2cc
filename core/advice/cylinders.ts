/** Cylinders side by side: what is believed of each, who departs, and what each carburettor would want. */
import { buildModel } from "../carburettor/model.ts";
import { beliefOver } from "../belief/cylinders.ts";
import type { Setting } from "../log/schema.ts";
import { buildOfCarburettor, carburettorCount, cylindersFedBy } from "../rig/carburettors.ts";
import { humidAirFromLog, rigFromBuild } from "../rig/from-build.ts";
import type { Case } from "./advise.ts";
import { bestSetting } from "./card.ts";
import { choices } from "./choices.ts";
import { cylinderReports, outliersAmong, type CylinderReport, type Outlier } from "./departures.ts";
import { settingJudge } from "./judge-setting.ts";

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

function ownJetsOf({ present, build, sifted }: Case, carburettor: number): OwnJets {
  const one = buildOfCarburettor(build, carburettor);
  const model = buildModel(rigFromBuild(one));
  const air = present.air ? humidAirFromLog(present.air) : model.rig.baseline.air;
  const fitted = present.settings[carburettor] ?? one.baseline.setting;
  const feeds = cylindersFedBy(build, carburettor);
  const belief = beliefOver(
    sifted.joint,
    feeds.map((cylinder) => cylinder - 1),
  );
  const judge = settingJudge(model, belief, air, one.usage);
  const { setting } = bestSetting(judge, choices(one, fitted), fitted);
  return { carburettor: carburettor + 1, feeds, fitted, setting };
}

/** @returns the cylinders of an engine that has several; empty for one */
export function distribution(open: Case): Distribution {
  const { present, build, sifted } = open;
  const cylinders = cylinderReports(present, build, sifted.joint);
  if (cylinders.length === 0) return { cylinders, outliers: [], ownJets: [] };
  return {
    cylinders,
    outliers: outliersAmong(cylinders),
    ownJets: Array.from({ length: carburettorCount(build) }, (_, i) => ownJetsOf(open, i)),
  };
}
