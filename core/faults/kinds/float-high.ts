/** The level stands too high, by height or by a needle that does not seat: rich everywhere, most at the bottom. */
import { everyLook, type FaultKind } from "../fault-kind.ts";

export const FLOAT_HIGH: FaultKind = {
  name: "floatHigh",
  prior: 0.013,
  check: "needleAndSeat",
  alsoChecks: ["floatHeight", "wetLevel"],
  findings: ["sideDrainRuns", "seatWorn", "seatRing", "floatHolds"],
  cases: () => [
    { size: { mean: -0.065, sd: 0.025 }, shareOf: everyLook({ idle: 1, low: 0.85, mid: 0.6, top: 0.45 }) },
  ],
  makes: { drips: 0.6, wetPlug: 0.45, dropsLow: 0.4, drinksMore: 0.35 },
  answers: { worseAfterStanding: 0.8, everywhereAlike: 0.7, cameSlowly: 0.35, beganWithPart: 0.3 },
  plugs: { wet: 0.3 },
  endedBy: ["floatSet"],
};
