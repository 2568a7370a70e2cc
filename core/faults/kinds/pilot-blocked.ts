/** Dirt in the pilot jet or its drillings: lean at the bottom, and neither screw nor jet changes it. */
import { unappliedChanges, everyLook, type FaultKind } from "../fault-kind.ts";

export const PILOT_BLOCKED: FaultKind = {
  name: "pilotBlocked",
  prior: 0.013,
  check: "passages",
  findings: ["pilotBlocked", "tubeBlocked"],
  cases: (ground) => [
    {
      size: { mean: 0.27, sd: 0.08 },
      shareOf: everyLook({ idle: 1, low: 0.4, mid: 0.1, top: 0.03 }),
      besides: unappliedChanges(ground, ["screwTurns", "pilot"], 0.85),
    },
  ],
  makes: { needsChokeWarm: 0.75, bogs: 0.5, hangsHigh: 0.25 },
  answers: { screwMatters: 0.12, worseAfterStanding: 0.3, cameSlowly: 0.2, everywhereAlike: 0.05 },
  endedBy: ["pilotCleaned", "allCleaned"],
};
