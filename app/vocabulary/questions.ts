/** The questions that tell faults from jetting, in words. */
import type { QuestionName } from "#core/log/question-names.ts";

export interface QuestionWords {
  readonly text: string;
  readonly yes: string;
  readonly no: string;
}

export const QUESTION_WORDS: Readonly<Record<QuestionName, QuestionWords>> = {
  screwMatters: { text: "Does the mixture screw change the idle?", yes: "Yes", no: "No, or hardly" },
  worseAfterStanding: { text: "Is it worse after standing, or does it drip then?", yes: "Yes", no: "No" },
  comesBackRolledOff: {
    text: "Rolled off for a second, then on again: does it pull again for a while?",
    yes: "Pulls again",
    no: "As before",
  },
  beganWithPart: {
    text: "Did it begin when a part was changed or the carburettor was off?",
    yes: "Yes, then",
    no: "No",
  },
  cameSlowly: { text: "Did it come on slowly, over weeks or months?", yes: "Slowly", no: "No" },
  onlyLongPulls: {
    text: "Does it come only after a long pull, not at once?",
    yes: "Only then",
    no: "At once, or any time",
  },
  newPlugCures: { text: "Does a new plug cure it for a while?", yes: "For a while", no: "No" },
  onePipeDiffers: {
    text: "Is one pipe or one plug clearly different from the others?",
    yes: "Yes, one",
    no: "All alike",
  },
  chokeChangesNothing: {
    text: "Engine warm, choke pulled: does nothing change?",
    yes: "Nothing changes",
    no: "It gets worse",
  },
  everywhereAlike: {
    text: "Is it about the same at every opening of the throttle?",
    yes: "Everywhere",
    no: "Only somewhere",
  },
  likeASwitch: {
    text: "Does it cut like a switch, dead for a moment, rather than stumble?",
    yes: "Like a switch",
    no: "It stumbles",
  },
  sparksBlue: {
    text: "A new plug, out of the head and earthed: does it spark blue?",
    yes: "Blue",
    no: "No, or weak",
  },
};
