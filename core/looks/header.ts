/** Likelihood of the colour inside the exhaust header. */
import type { HeaderColour } from "../log/parts.ts";
import type { LookKind } from "./look-kind.ts";
import { threeStepLikelihood, WITNESS_SD, type Step } from "./three-steps.ts";

const STEPS: Readonly<Record<HeaderColour, Step>> = { pale: "lean", tan: "right", black: "rich" };

export const HEADER: LookKind<"header"> = {
  observe: ({ zone, colour }, { mixtureOf, setting }) => [
    { zone, line: mixtureOf(setting)[zone], likelihood: threeStepLikelihood(STEPS[colour], WITNESS_SD) },
  ],
  instrument: "reader",
};
