/** Trials that a tuner keeps to compare: per device and rig, never part of the log. */
import * as z from "zod/mini";
import { TrialAsked } from "#core/log/trial-asked.ts";

export const MOST_KEPT = 3;

export const KeptTrial = z.strictObject({
  name: z.string().check(z.trim(), z.minLength(1, "Give it a name."), z.maxLength(24, "At most 24 signs.")),
  asked: TrialAsked,
});
export type KeptTrial = z.infer<typeof KeptTrial>;

export const KeptTrials = z.array(KeptTrial).check(z.maxLength(MOST_KEPT));

export const TRIALS = "what-if";
