/** Names of the yes/no questions that separate faults from jetting. */
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
