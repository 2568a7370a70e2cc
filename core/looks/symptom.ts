/**
 * Likelihood of a symptom: a symptom of the lean kind grows likely past a few per cent lean, one of the rich kind
 * past a few per cent rich. Never certain: other faults feel the same, and hands differ.
 */
import { SYMPTOMS, type Symptom } from "../log/symptom-names.ts";
import { normalCdf } from "../numbers/normal.ts";
import type { Likelihood } from "./likelihood.ts";
import type { LookKind } from "./look-kind.ts";

/** Error at which it is felt half of the time: where plugs change from "a little" to "lean" or "rich". */
const FELT_AT = 0.05;
/** How gradually: from hardly ever to nearly always within some 8 % of mixture. */
const WIDTH = 0.02;
/** A vent, a coil or a worn reed feels the same this often, whatever the mixture. */
const OTHER_CAUSE = 0.04;
/** A logistic of this width is a normal's distribution 1.7 times as wide, to 0.01. */
const LOGISTIC_SD = 1.702;
/** Where its mark stands on the strip. */
const MARK = 0.08;

/** @returns chance of feeling it at a mixture error that is this far towards its own side */
const chanceAt = (towards: number): number =>
  OTHER_CAUSE + (1 - OTHER_CAUSE) / (1 + Math.exp(-(towards - FELT_AT) / WIDTH));

export function symptomLikelihood(symptom: Symptom): Likelihood {
  const side = SYMPTOMS[symptom].kind === "lean" ? 1 : -1;
  return {
    log: (e) => Math.log(chanceAt(side * e)),
    sd: LOGISTIC_SD * WIDTH,
    tail: (mean, variance) => {
      const spread = Math.hypot(LOGISTIC_SD * WIDTH, Math.sqrt(variance));
      // It may always have another cause: so likely it is at least, however far off the mixture is believed.
      return OTHER_CAUSE + (1 - OTHER_CAUSE) * normalCdf((side * mean - FELT_AT) / spread);
    },
    reads: side * MARK,
  };
}

export const SYMPTOM: LookKind<"symptom"> = {
  byFeel: true,
  observe: ({ zone, symptom }, { mixtureOf, setting }) => [
    { zone, line: mixtureOf(setting)[zone], likelihood: symptomLikelihood(symptom) },
  ],
};
