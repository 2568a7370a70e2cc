/**
 * A part was changed, and what it should have done did not come: of the wrong family, behind a blocked passage, not
 * what is stamped on it; or an air jet behind a tube without holes.
 */
import { LAST_CHANGES, type FaultCase, type FaultGround, type FaultKind, type Seen } from "../fault-kind.ts";
import type { SeenChange } from "../changes.ts";

/** Nearly all of it is missing. */
const MISSING = { mean: 1, sd: 0.15 } as const;

const cases =
  (of: (change: SeenChange) => boolean) =>
  ({ changes }: FaultGround): FaultCase[] =>
    changes
      .filter(of)
      .slice(-LAST_CHANGES)
      .map((change) => ({ size: MISSING, shareOf: (seen: Seen) => -seen.didTo(change), change }));

export const PART_WITHOUT_EFFECT: FaultKind = {
  name: "partWithoutEffect",
  prior: 0.01,
  check: "passages",
  findings: ["pilotBlocked", "mainBlocked", "tubeBlocked"],
  beginsWithChange: true,
  cases: cases(({ what }) => what !== "airJet"),
  makes: {},
  answers: { beganWithPart: 0.3 },
  endedBy: ["allCleaned"],
};

export const AIR_JETS_DEAD: FaultKind = {
  name: "airJetsDead",
  prior: 0.01,
  check: "passages",
  findings: ["tubeBlocked"],
  beginsWithChange: true,
  cases: cases(({ what }) => what === "airJet"),
  makes: {},
  answers: { beganWithPart: 0.3 },
};
