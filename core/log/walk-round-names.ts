/** Checks of the walk-round in order, with what can be measured and found at each. */
import * as z from "zod/mini";

export const CHECKS = [
  "ignition",
  "choke",
  "cable",
  "breathing",
  "floatHeight",
  "wetLevel",
  "floatDrop",
  "needleAndSeat",
  "airLeaks",
  "passages",
  "pump",
  "mounting",
  "asMade",
] as const;
export const CheckName = z.enum(CHECKS);
export type CheckName = z.infer<typeof CheckName>;

export const MEASURES = [
  "plugGapMm",
  "chokeSlackMm",
  "cableSlackMm",
  "fuelFlowMlMin",
  "floatLeftMm",
  "floatRightMm",
  "wetLevelMm",
  "floatDropMm",
  "stepTopMm",
  "stepBottomMm",
  "stepLeftMm",
  "stepRightMm",
  "pilotGoMm",
  "pilotNoGoMm",
  "mainGoMm",
  "mainNoGoMm",
  "pumpTurns",
  "slideSpringMm",
  "slideDrillMm",
] as const;
export const MeasureName = z.enum(MEASURES);
export type MeasureName = z.infer<typeof MeasureName>;

export const FINDINGS = [
  "wrongPlug",
  "plugsDiffer",
  "deadPlug",
  "weakSpark",
  "chokePartOpen",
  "chokeCableTight",
  "liftNotFull",
  "pullsWithBars",
  "slidesUneven",
  "slideSticks",
  "filterDirty",
  "filterNotAsRun",
  "fuelStarved",
  "ventBlocked",
  "floatHolds",
  "floatsDiffer",
  "floatHangs",
  "sideDrainRuns",
  "standPipeDrips",
  "seatWorn",
  "seatRing",
  "flangeRing",
  "bootCracked",
  "spigotOpen",
  "topCoverLeaks",
  "pilotBlocked",
  "mainBlocked",
  "tubeBlocked",
  "needleJetRing",
  "pumpSeized",
  "pumpSpringGone",
  "gasketOld",
  "slideReversed",
  "needleLoose",
  "notSecured",
  "throttleNotSnapping",
  "breatherOil",
  "slideDrilled",
  "springSagged",
  "looseBaffle",
] as const;
export const FindingName = z.enum(FINDINGS);
export type FindingName = z.infer<typeof FindingName>;

export const CHECK_STATES = ["pass", "notes", "stop", "skipped"] as const;
export const CheckState = z.enum(CHECK_STATES);
export type CheckState = z.infer<typeof CheckState>;
