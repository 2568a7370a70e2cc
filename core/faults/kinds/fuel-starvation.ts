/** Tap, vent, line or filter: the bowl runs empty at the top after some seconds, and comes back when rolled off. */
import { everyLook, type FaultKind } from "../fault-kind.ts";

export const FUEL_STARVATION: FaultKind = {
  name: "fuelStarvation",
  prior: 0.01,
  check: "breathing",
  findings: ["fuelStarved", "ventBlocked"],
  cases: () => [
    { size: { mean: 0.12, sd: 0.06 }, shareOf: everyLook({ idle: 0, low: 0, mid: 0.1, top: 1 }) },
  ],
  makes: { cutsOutHeldOpen: 0.75, cutsInAndOut: 0.3, surges: 0.25 },
  answers: { likeASwitch: 0.2, comesBackRolledOff: 0.9, onlyLongPulls: 0.85, everywhereAlike: 0.03 },
};
