/** Likelihood of a ride report: ordinal probit (lean, clean, rich) for each zone. */
import { ZONES } from "../carburettor/zones.ts";
import type { Felt } from "../log/readings/ride-report.ts";
import type { LookKind } from "./look-kind.ts";
import { THREE_STEP_EDGE, threeStepLikelihood, WITNESS_SD, type Step } from "./three-steps.ts";

const STEPS: Readonly<Record<Felt, Step>> = { rich: "rich", clean: "right", lean: "lean" };

/** The sense that three words have is a third wider than the hand's own error. */
const AS_MEASURED_SD = Math.hypot(WITNESS_SD, (2 * THREE_STEP_EDGE) / Math.sqrt(12));

export const RIDE_REPORT: LookKind<"rideReport"> = {
  byFeel: true,
  observe: ({ felt }, { mixtureOf, setting }) => {
    const at = mixtureOf(setting);
    return ZONES.flatMap((zone) => {
      const told = felt[zone];
      if (told === undefined) return [];
      return [{ zone, line: at[zone], likelihood: threeStepLikelihood(STEPS[told], WITNESS_SD) }];
    });
  },
  instrument: "ride",
  next: {
    how: "rideReport",
    means: "rideReport",
    rides: () => [ZONES],
    sd: () => AS_MEASURED_SD,
    minutes: () => 6,
  },
};
