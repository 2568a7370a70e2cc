/** Drilled, of another family, or with dirt in it: the top jumps with a change of the main jet, to it or away from it. */
import { LAST_CHANGES, type FaultCase, type FaultKind, type Seen } from "../fault-kind.ts";
import type { SeenChange } from "../changes.ts";

/** How much of the main jet each zone has, of what it has at the top. */
const SHAPE = { idle: 0, low: 0.07, mid: 0.27, top: 1 } as const;

const since =
  (change: SeenChange) =>
  (seen: Seen): number =>
    seen.didTo(change) === 0 ? 0 : SHAPE[seen.zone];

/** Of the one that was in when all began: until the first change, and whenever it is in again. */
const fromTheStart =
  (mains: readonly SeenChange[]) =>
  (seen: Seen): number =>
    mains.some((change) => seen.didTo(change) !== 0) ? 0 : SHAPE[seen.zone];

const SIZES = [0.18, -0.18].map((mean) => ({ mean, sd: 0.07 }));

export const MAIN_NOT_AS_STAMPED: FaultKind = {
  name: "mainNotAsStamped",
  prior: 0.01,
  check: "passages",
  findings: ["mainBlocked"],
  beginsWithChange: true,
  cases: ({ changes }) => {
    const mains = changes.filter(({ what }) => what === "main");
    return [
      ...mains
        .slice(-LAST_CHANGES)
        .flatMap((change) => SIZES.map((size): FaultCase => ({ size, shareOf: since(change), change }))),
      ...SIZES.map((size): FaultCase => ({
        size,
        shareOf: fromTheStart(mains),
        notAnsweredBy: ["beganWithPart"],
      })),
    ];
  },
  makes: { cutsInAndOut: 0.15 },
  answers: { beganWithPart: 0.9, everywhereAlike: 0.04 },
  endedBy: ["mainCleaned", "allCleaned"],
};
