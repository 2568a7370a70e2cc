/** What a spanner does, and what it is worth. */
import { LOSS_SCALE } from "#core/advice/judge/loss.ts";
import type { PlanChange } from "#core/advice/plan/plan.ts";
import { capital, partInSentence, partValue, sizeWords } from "./parts.ts";

/** @returns `Main jet 158 → 155, clip 3rd → 2nd` */
export const changesWords = (changes: readonly PlanChange[]): string =>
  capital(
    changes
      .map(
        ({ part, from, to }) => `${partInSentence(part)} ${partValue(part, from)} → ${partValue(part, to)}`,
      )
      .join(", "),
  );

/** A loss as the rich error that costs as much where it is all that counts. */
export const lossAsError = (loss: number): string =>
  sizeWords(100 * LOSS_SCALE * Math.sqrt(Math.max(0, loss)));
