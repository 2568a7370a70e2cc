/** Questions that a tuner can answer at once, and that tell faults from jetting and from each other. */
import * as z from "zod/mini";

export const QUESTION_NAMES = [
  "screwMatters",
  "worseAfterStanding",
  "comesBackRolledOff",
  "beganWithPart",
  "cameSlowly",
  "onlyLongPulls",
  "newPlugCures",
  "onePipeDiffers",
  "chokeChangesNothing",
  "everywhereAlike",
  "likeASwitch",
  "sparksBlue",
] as const;
export type QuestionName = (typeof QUESTION_NAMES)[number];
export const QuestionNameSchema = z.enum(QUESTION_NAMES);
