/** Table of walk-round checks: measures, findings and their effect on the mixture. */
import type { CheckName, CheckState, FindingName, MeasureName } from "../log/walk-round-names.ts";

/** What a fault does to every reading taken on it. */
export type Effect = "rich" | "lean" | "either" | "none";

export interface Finding {
  readonly effect: Effect;
  /** `stop`: nothing is jetted on it; `notes`: jet on, but know it */
  readonly gravity: "stop" | "notes";
}

export interface Check {
  readonly measures: readonly MeasureName[];
  readonly findings: Readonly<Partial<Record<FindingName, Finding>>>;
  /** what a measure outside its limits means */
  readonly outside: "stop" | "notes";
}

const stop = (effect: Effect): Finding => ({ effect, gravity: "stop" });
const notes = (effect: Effect): Finding => ({ effect, gravity: "notes" });

export const CHECK_PLAN: Readonly<Record<CheckName, Check>> = {
  ignition: {
    measures: ["plugGapMm"],
    findings: {
      wrongPlug: stop("either"),
      plugsDiffer: stop("either"),
      deadPlug: stop("rich"),
      weakSpark: stop("rich"),
    },
    outside: "notes",
  },
  choke: {
    measures: ["chokeSlackMm"],
    findings: { chokePartOpen: stop("rich"), chokeCableTight: stop("rich") },
    outside: "stop",
  },
  cable: {
    measures: ["cableSlackMm"],
    findings: {
      liftNotFull: stop("none"),
      pullsWithBars: stop("lean"),
      slidesUneven: stop("either"),
      slideSticks: stop("none"),
    },
    outside: "notes",
  },
  breathing: {
    measures: ["fuelFlowMlMin"],
    findings: {
      filterDirty: notes("rich"),
      filterNotAsRun: stop("either"),
      fuelStarved: stop("lean"),
      ventBlocked: stop("lean"),
    },
    outside: "stop",
  },
  floatHeight: {
    measures: ["floatLeftMm", "floatRightMm"],
    findings: { floatHolds: stop("rich"), floatsDiffer: notes("either") },
    outside: "stop",
  },
  wetLevel: { measures: ["wetLevelMm"], findings: { floatHolds: stop("rich") }, outside: "stop" },
  floatDrop: { measures: ["floatDropMm"], findings: { floatHangs: stop("either") }, outside: "stop" },
  needleAndSeat: {
    measures: [],
    findings: {
      sideDrainRuns: stop("rich"),
      standPipeDrips: notes("rich"),
      seatWorn: stop("rich"),
      seatRing: stop("rich"),
    },
    outside: "notes",
  },
  airLeaks: {
    measures: ["stepTopMm", "stepBottomMm", "stepLeftMm", "stepRightMm"],
    findings: {
      flangeRing: stop("lean"),
      bootCracked: stop("lean"),
      spigotOpen: stop("lean"),
      topCoverLeaks: stop("lean"),
    },
    outside: "stop",
  },
  passages: {
    measures: ["pilotGoMm", "pilotNoGoMm", "mainGoMm", "mainNoGoMm"],
    findings: {
      pilotBlocked: stop("lean"),
      mainBlocked: stop("lean"),
      tubeBlocked: stop("either"),
      needleJetRing: stop("rich"),
    },
    outside: "notes",
  },
  pump: {
    measures: ["pumpTurns"],
    findings: { pumpSeized: stop("lean"), pumpSpringGone: stop("lean") },
    outside: "notes",
  },
  mounting: {
    measures: [],
    findings: {
      gasketOld: notes("lean"),
      slideReversed: stop("lean"),
      needleLoose: stop("either"),
      notSecured: stop("none"),
      throttleNotSnapping: stop("none"),
      breatherOil: notes("rich"),
    },
    outside: "notes",
  },
  asMade: {
    measures: ["slideSpringMm", "slideDrillMm"],
    findings: { slideDrilled: notes("either"), springSagged: notes("either"), looseBaffle: stop("either") },
    outside: "notes",
  },
};

/** Gravest first: one stop stops the check, whatever else is fine. */
const GRAVITY: readonly CheckState[] = ["pass", "notes", "stop"];
export const gravest = (states: readonly CheckState[]): CheckState =>
  states.reduce((worst, state) => (GRAVITY.indexOf(state) > GRAVITY.indexOf(worst) ? state : worst), "pass");
