/** The needle has worn its jet oval: rich off idle and in the middle, grown over months. */
import { everyLook, type FaultKind } from "../fault-kind.ts";

export const NEEDLE_JET_WORN: FaultKind = {
  name: "needleJetWorn",
  prior: 0.013,
  check: "asMade",
  alsoChecks: ["passages"],
  findings: ["needleJetRing"],
  cases: () => [
    { size: { mean: -0.06, sd: 0.02 }, shareOf: everyLook({ idle: 0.15, low: 1, mid: 0.85, top: 0.35 }) },
  ],
  makes: { drinksMore: 0.5, stutters: 0.4, cleansOnlyHeldOpen: 0.4 },
  answers: { cameSlowly: 0.85, beganWithPart: 0.03, everywhereAlike: 0.2 },
  endedBy: ["needleJetReplaced"],
};
