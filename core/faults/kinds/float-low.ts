/** The level stands too low: lean everywhere, most at the top after long pulls. */
import { everyLook, type FaultKind } from "../fault-kind.ts";

export const FLOAT_LOW: FaultKind = {
  name: "floatLow",
  prior: 0.01,
  check: "floatHeight",
  alsoChecks: ["wetLevel", "floatDrop"],
  findings: ["floatsDiffer", "floatHangs"],
  cases: () => [
    { size: { mean: 0.09, sd: 0.035 }, shareOf: everyLook({ idle: 0.55, low: 0.65, mid: 0.75, top: 1 }) },
  ],
  makes: { needsChokeWarm: 0.3, cutsOutHeldOpen: 0.35, surges: 0.3 },
  answers: { everywhereAlike: 0.75, onlyLongPulls: 0.5, beganWithPart: 0.4, comesBackRolledOff: 0.4 },
  endedBy: ["floatSet"],
};
