/** The spark fails now and then: what was not burnt reads lean in the pipe and sooty on the plug. */
import type { FaultKind, Seen } from "../fault-kind.ts";

/** A misfire lets its air through: a λ sensor sees lean, a plug sees soot. */
function shareOf({ type, zone }: Seen): number {
  const up = zone === "top" ? 1 : zone === "mid" ? 0.6 : 0.2;
  if (type === "plug") return -up;
  return type === "lambda" ? up : 0;
}

export const IGNITION: FaultKind = {
  name: "ignition",
  prior: 0.013,
  check: "ignition",
  findings: ["weakSpark"],
  cases: () => [{ size: { mean: 0.08, sd: 0.04 }, shareOf }],
  makes: { cutsInAndOut: 0.8, fadesHot: 0.35, wetPlug: 0.25, fourStrokes: 0.3, popsOnOverrun: 0.25 },
  answers: {
    likeASwitch: 0.8,
    sparksBlue: 0.3,
    comesBackRolledOff: 0.25,
    newPlugCures: 0.2,
    onlyLongPulls: 0.15,
  },
};
