/** Air let in behind the carburettor: lean where little is drawn, fading as the throttle opens. */
import { unappliedChanges, everyLook, type FaultKind } from "../fault-kind.ts";

const OPENS_UNDER_PULL = { idle: 1, low: 0.55, mid: 0.22, top: 0.08 };

export const AIR_LEAK: FaultKind = {
  name: "airLeak",
  prior: 0.013,
  check: "airLeaks",
  alsoChecks: ["mounting"],
  findings: ["flangeRing", "bootCracked", "spigotOpen", "topCoverLeaks", "gasketOld"],
  // A hole that stays as it is; and a seal or a boot that opens the more it is pulled at.
  cases: (ground) =>
    [ground.fades, OPENS_UNDER_PULL].map((shape) => ({
      size: { mean: 0.17, sd: 0.05 },
      shareOf: everyLook(shape),
      besides: unappliedChanges(ground, ["screwTurns"], 0.5),
    })),
  makes: { hangsHigh: 0.75, needsChokeWarm: 0.55, popsOnOverrun: 0.4 },
  answers: { screwMatters: 0.25, beganWithPart: 0.4, onePipeDiffers: 0.4, everywhereAlike: 0.1 },
  endedBy: ["leakCured"],
};
