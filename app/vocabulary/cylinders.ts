/** Cylinders that differ: what is said of them, and what each school does. */
import type { Outlier } from "#core/advice/judge/departures.ts";
import type { CylinderSchool } from "#core/log/schools.ts";
import { percentWords, sizeWords, ZONE_NAMES, ZONE_OPENINGS } from "./parts.ts";

export const CYLINDER_SCHOOL_WORDS: Readonly<
  Record<CylinderSchool, { readonly name: string; readonly how: string }>
> = {
  causeFirst: {
    name: "Cause first",
    how: "With the same jets a cylinder that differs has a cause: find it, then read again. The default, because a plug or a jet only hides it.",
  },
  heatRange: {
    name: "Heat range",
    how: "Where nothing is found: one heat range hotter for the dark one, one colder for the pale one. It changes the plug, not the mixture.",
  },
  ownJets: {
    name: "Own jets",
    how: "Where nothing is found: each carburettor is jetted for the cylinders it feeds.",
  },
};

const side = (departure: number): string => (departure > 0 ? "leaner" : "richer");

/** @returns `Cylinder 2 runs 9 % richer than the rest` */
export const outlierTitle = ({ cylinder, departure }: Outlier): string =>
  `Cylinder ${cylinder} runs ${sizeWords(Math.abs(100 * departure))} ${side(departure)} than the rest`;

export const outlierReason = ({ zone, chance }: Outlier): string =>
  `${ZONE_NAMES[zone]}, ${ZONE_OPENINGS[zone]}: more than the same jets explain, with ${percentWords(chance)} chance.`;

export interface Cause {
  readonly text: string;
  /** the screen where it is looked at */
  readonly place?: string;
}

const OUT_OF_STEP: Cause = { text: "Out of step: gauges before jets", place: "balance" };
const LEAN_CAUSES: readonly Cause[] = [
  { text: "Air let in at this one’s runner, flange or hose", place: "walk-round/airLeaks" },
  { text: "A jet or passage part blocked", place: "walk-round/passages" },
  { text: "Float low in this bowl", place: "walk-round/floatHeight" },
  OUT_OF_STEP,
  { text: "A valve or reed that does not close" },
];
const RICH_CAUSES: readonly Cause[] = [
  { text: "Float high, or the needle does not close", place: "walk-round/needleAndSeat" },
  { text: "Needle jet worn, or its o-ring hard", place: "teardown" },
  { text: "Choke plunger off its seat", place: "walk-round/choke" },
  { text: "A weak spark or a dead plug reads dark", place: "walk-round/ignition" },
  OUT_OF_STEP,
];

/** @returns what to look at before any jet, the likeliest first */
export const causesOf = ({ departure }: Outlier): readonly Cause[] =>
  departure > 0 ? LEAN_CAUSES : RICH_CAUSES;

/** What the school makes of one that stays after its causes were looked at. */
export function schoolWords(school: CylinderSchool, { cylinder, departure }: Outlier): string {
  if (school === "heatRange")
    return `If all of that is sound: a plug one heat range ${departure > 0 ? "colder" : "hotter"} for cylinder ${cylinder}.`;
  if (school === "ownJets") return "If all of that is sound: own jets, as below.";
  return "If all of that is sound: swap the plugs between cylinders and read again, before any jet.";
}

export const DISTRIBUTION_STEPS = [
  "Warm, all carburettors in step, the same jets in each.",
  "Fresh plugs, or the same age and heat range in all.",
  "One steady speed for five minutes, then a clean cut: clutch in, engine off, coast to a stop.",
  "Plugs out in order, laid side by side, judged by one pair of eyes in one light.",
] as const;
