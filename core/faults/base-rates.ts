/** Probability of a yes to each question on this engine if only its jetting is wrong. */
import { lineOver } from "../belief/layout.ts";
import type { Replayed } from "../belief/replay.ts";
import type { Zone } from "../carburettor/zones.ts";
import type { Present } from "../log/present.ts";
import type { Setting } from "../log/schema.ts";
import { dot, quadratic } from "../numbers/linear.ts";
import { normalCdf } from "../numbers/normal.ts";
import { settingFromLog } from "../rig/from-build.ts";
import { YES_WHEN_JETTING, type BaseRates } from "./questions.ts";

const ZONES_FELT = ["idle", "mid", "top"] as const satisfies readonly Zone[];
/** So far off a zone is felt to be off. */
const FELT_FROM = 0.04;
/** Of an engine that is off alike everywhere so many say so, and of any other. */
const SAID_ALIKE = { all: 0.75, none: 0.15 } as const;

/** How a screw answers: the idle is best somewhere on its travel, or nowhere. */
const SAID_OF_SCREW = { all: 0.92, none: 0.5 } as const;
/** A screw that is tried is turned from here to there. */
const SCREW_TRIED = [0.5, 3.5] as const;

/** Mean and sd of one zone's mixture error over all cylinders, at a setting of each carburettor. */
type Believed = (zone: Zone, settings: readonly Setting[]) => { readonly mean: number; readonly sd: number };

function believed({ knownBuilds, air }: Present, { mixtureOf, joint, layout }: Replayed): Believed {
  const cylinders = Array.from({ length: layout.cylinders }, (_, c) => c);
  return (zone, settings) => {
    const lines = settings.map(
      (one, carburettor) => mixtureOf(knownBuilds.length - 1, carburettor, air)(settingFromLog(one))[zone],
    );
    const at = new Map(
      cylinders.flatMap((c) => {
        const line = lines[c] ?? lines[0];
        return line ? [[c, line] as const] : [];
      }),
    );
    const { shift, row } = lineOver(at, layout);
    return {
      mean: shift + dot(row, joint.mean),
      sd: Math.sqrt(Math.max(1e-12, quadratic(joint.covariance, row))),
    };
  };
}

/** @returns chance that all of it is felt to be lean, or all of it rich, with what is fitted now */
function chanceAlike(of: Believed, settings: readonly Setting[]): number {
  const zones = ZONES_FELT.map((zone) => of(zone, settings));
  const lean = zones.reduce((chance, { mean, sd }) => chance * normalCdf((mean - FELT_FROM) / sd), 1);
  const rich = zones.reduce((chance, { mean, sd }) => chance * normalCdf((-FELT_FROM - mean) / sd), 1);
  return lean + rich;
}

/** @returns chance that the idle is best somewhere on the screw's travel */
function chanceOfCrest(of: Believed, settings: readonly Setting[]): number {
  const [one, other] = SCREW_TRIED.map((screwTurns) => {
    const { mean, sd } = of(
      "idle",
      settings.map((setting) => ({ ...setting, screwTurns })),
    );
    return normalCdf(mean / sd);
  });
  // Both ends err together: lean at the leaner one and rich at the richer is what is left between the two.
  return Math.abs((one ?? 0) - (other ?? 0));
}

const between = ({ all, none }: { readonly all: number; readonly none: number }, chance: number): number =>
  none + (all - none) * chance;

export function baseRatesOfYes(present: Present, replayed: Replayed): BaseRates {
  const { setting, settings } = present;
  if (!setting) return YES_WHEN_JETTING;
  const of = believed(present, replayed);
  return {
    ...YES_WHEN_JETTING,
    everywhereAlike: between(SAID_ALIKE, chanceAlike(of, settings)),
    screwMatters: between(SAID_OF_SCREW, chanceOfCrest(of, settings)),
  };
}
