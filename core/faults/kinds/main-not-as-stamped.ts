/** Drilled, of another family, or with dirt in it: the top jumps with a change of the main jet. */
import { LAST_CHANGES, type FaultCase, type FaultKind, type Seen } from "../fault-kind.ts";
import type { SeenChange } from "../changes.ts";

/** How much of the main jet each zone has, of what it has at the top. */
const SHAPE = { idle: 0, low: 0.07, mid: 0.27, top: 1 } as const;

const since =
  (change: SeenChange) =>
  (seen: Seen): number =>
    seen.didTo(change) === 0 ? 0 : SHAPE[seen.zone];

export const MAIN_NOT_AS_STAMPED: FaultKind = {
  name: "mainNotAsStamped",
  prior: 0.01,
  check: "passages",
  findings: ["mainBlocked"],
  beginsWithChange: true,
  cases: ({ changes }) =>
    changes
      .filter(({ what }) => what === "main")
      .slice(-LAST_CHANGES)
      .flatMap((change): FaultCase[] =>
        [0.18, -0.18].map((mean) => ({ size: { mean, sd: 0.07 }, shareOf: since(change), change })),
      ),
  makes: { cutsInAndOut: 0.15 },
  answers: { beganWithPart: 0.9, everywhereAlike: 0.04 },
  endedBy: ["mainCleaned", "allCleaned"],
};
