/** A cached case of the judge: parsed log with its posterior. */
import type { Advice } from "#core/advice/card/advise.ts";
import type { Case } from "#core/advice/judge/case.ts";
import type { Revision } from "./revision.ts";
import type { ReplayMemory } from "#core/belief/replay.ts";

export interface Kept {
  readonly revision: Revision;
  readonly opened: Case;
  /** of several revisions of one rig the days before are the same: they are replayed once */
  readonly memory: ReplayMemory;
}

/** Of thousands of looks a screen shows the newest: the rest would cost more on its way than all else together. */
const LOOKS_SHOWN = 100;
export const shown = (advice: Advice): Advice => ({
  ...advice,
  looks: advice.looks.slice(-LOOKS_SHOWN),
  surprises: advice.surprises.slice(-LOOKS_SHOWN),
  marks: advice.marks.slice(-LOOKS_SHOWN),
});
