/** One cylinder's own o-ring, leak or float: it departs from its neighbours in two zones and more. */
import type { FaultCase, FaultKind, Seen } from "../fault-kind.ts";

const SHAPE = { idle: 1, low: 1, mid: 0.75, top: 0.55 } as const;

export const CYLINDER_SEAL: FaultKind = {
  name: "cylinderSeal",
  prior: 0.013,
  check: "airLeaks",
  alsoChecks: ["passages", "floatHeight", "needleAndSeat"],
  findings: ["needleJetRing", "flangeRing", "bootCracked", "floatsDiffer", "seatWorn"],
  cases: ({ cylinders }) =>
    cylinders < 2
      ? []
      : Array.from({ length: cylinders }, (_, i) => i + 1).flatMap((own): FaultCase[] => {
          const shareOf = ({ zone, cylinder }: Seen) =>
            SHAPE[zone] * (cylinder === undefined ? 1 / cylinders : cylinder === own ? 1 : 0);
          const size = { mean: 0.11, sd: 0.045 };
          return [
            { size, shareOf, cylinder: own },
            // Fuel past a needle jet's ring makes it rich: no leak of air does.
            { size: { ...size, mean: -size.mean }, shareOf, cylinder: own, check: "passages" },
          ];
        }),
  makes: { hangsHigh: 0.3, stutters: 0.25 },
  answers: { onePipeDiffers: 0.85, beganWithPart: 0.4 },
  endedBy: ["leakCured", "floatSet"],
};
