/** Likelihood of a piston-crown reading: washed edges rich, carbon island right, dry lean. */
import type { Crown } from "../log/parts.ts";
import type { LookKind } from "./look-kind.ts";
import { threeStepLikelihood, WITNESS_SD, type Step } from "./three-steps.ts";

const STEPS: Readonly<Record<Crown, Step>> = { dry: "lean", island: "right", washed: "rich" };

export const CROWN: LookKind<"crown"> = {
  observe: ({ zone, crown }, { mixtureOf, setting }) => [
    { zone, line: mixtureOf(setting)[zone], likelihood: threeStepLikelihood(STEPS[crown], WITNESS_SD) },
  ],
  instrument: "reader",
};
