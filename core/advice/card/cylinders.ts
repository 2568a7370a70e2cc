/** Cylinders side by side: posterior of each, which one departs, and the setting each carburettor would get. */
import type { Setting } from "../../log/schema.ts";
import { buildOfCarburettor, carburettorCount, cylindersFedBy } from "../../rig/carburettors.ts";
import { airOf, judgeOf, type Case, type Group } from "../judge/case.ts";
import { cylinderReports, outliersAmong, type CylinderReport, type Outlier } from "../judge/departures.ts";
import { planStop } from "../plan/plan.ts";
import { questionOf } from "../ride/question.ts";

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

function ownJetsOf(open: Case, carburettor: number): OwnJets {
  const { present, build: rig, replayed } = open;
  const frame = replayed.frames[carburettor];
  if (!frame) throw new RangeError(`carburettor must be one of this rig's, got ${carburettor}`);
  const build = buildOfCarburettor(rig, carburettor);
  const fitted = present.settings[carburettor] ?? build.baseline.setting;
  const feeds = cylindersFedBy(rig, carburettor);
  const alone: Group = {
    carburettors: [carburettor],
    groups: carburettorCount(rig),
    build,
    frame,
    fitted,
    cylinders: feeds,
    evidence: replayed.evidence,
  };
  const air = airOf(present.air, frame);
  const { card } = planStop(questionOf(open, alone, judgeOf(open, alone, air), air));
  return { carburettor: carburettor + 1, feeds, fitted, setting: card.setting };
}

/** @returns the cylinders of an engine that has several; empty for one */
export function distribution(open: Case): Distribution {
  const { present, build, replayed } = open;
  const cylinders = cylinderReports(present, build, replayed);
  if (cylinders.length === 0) return { cylinders, outliers: [], ownJets: [] };
  return {
    cylinders,
    outliers: outliersAmong(cylinders),
    ownJets: Array.from({ length: carburettorCount(build) }, (_, i) => ownJetsOf(open, i)),
  };
}
