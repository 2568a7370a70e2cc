/** Probability of a yes to each question on an engine that only needs another jet. */
import type { QuestionName } from "../log/question-names.ts";
import type { Symptom } from "../log/symptom-names.ts";
import type { PlugFinding } from "../log/parts.ts";

export type BaseRates = Readonly<Record<QuestionName, number>>;

export const YES_WHEN_JETTING: BaseRates = {
  screwMatters: 0.92,
  worseAfterStanding: 0.07,
  comesBackRolledOff: 0.25,
  beganWithPart: 0.12,
  cameSlowly: 0.08,
  onlyLongPulls: 0.12,
  newPlugCures: 0.12,
  onePipeDiffers: 0.1,
  chokeChangesNothing: 0.12,
  everywhereAlike: 0.2,
  likeASwitch: 0.12,
  sparksBlue: 0.92,
};

/** How often an engine that only wants another jet shows such a plug, whatever its mixture. */
export const PLUG_WHEN_JETTING: Readonly<Record<PlugFinding, number>> = {
  wet: 0.07,
  glazed: 0.03,
  specks: 0.01,
  oily: 0.05,
};

/** Each after the symptoms that it separates; one that no symptom names may be asked at any time. */
export const ASKED_AFTER: Readonly<Partial<Record<QuestionName, readonly Symptom[]>>> = {
  comesBackRolledOff: ["cutsOutHeldOpen", "cutsInAndOut", "fadesHot", "surges"],
  onlyLongPulls: ["cutsOutHeldOpen", "cutsInAndOut", "fadesHot", "runsHot"],
  newPlugCures: ["wetPlug", "cutsInAndOut", "stutters"],
  likeASwitch: ["cutsInAndOut", "fourStrokes", "cutsOutHeldOpen", "fadesHot"],
  sparksBlue: ["wetPlug", "cutsInAndOut", "stutters", "fadesHot", "dropsLow"],
  chokeChangesNothing: ["dropsLow", "wetPlug", "stutters", "smokes", "fourStrokes"],
};
