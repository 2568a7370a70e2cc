/** What the trainer keeps: a round, a reader's practice as an offset, or neither any more. */
import * as z from "zod/mini";
import { InstrumentName } from "#core/log/readings/common.ts";
import { isSteady, practisedMessage, readerBias } from "#core/trainer/reader-bias.ts";
import { keepPractised } from "#app/store/instruments.ts";
import { forgetRounds, keepRound, readRounds, TrainerRound } from "#app/store/trainer.ts";

export const UNSTEADY = "Your tones still come out by chance too often to count. Practise more first.";

const reader = z.optional(InstrumentName);

export const Task = z.discriminatedUnion("intent", [
  z.object({ intent: z.literal("keep"), round: TrainerRound }),
  z.object({ intent: z.literal("count"), reader }),
  z.object({ intent: z.literal("takeBack"), reader }),
  z.object({ intent: z.literal("forget"), reader }),
]);
export type Task = z.input<typeof Task>;

const instrument = (name: string | undefined) => ({
  kind: "reader" as const,
  ...(name !== undefined && { name }),
});

/** @returns the calls of one reader, over all rounds */
export const callsOf = (rounds: readonly TrainerRound[], name: string | undefined) =>
  rounds.filter((round) => round.reader === name).flatMap(({ calls }) => calls);

/**
 * @returns what is said of it
 * @throws {Error} where the device cannot keep it
 */
export async function done(task: z.output<typeof Task>): Promise<string> {
  switch (task.intent) {
    case "keep":
      await keepRound(task.round);
      return "Round kept.";
    case "count": {
      const bias = readerBias(callsOf(await readRounds(), task.reader));
      if (!bias) return "Read twenty plugs first.";
      if (!isSteady(bias)) return UNSTEADY;
      await keepPractised(instrument(task.reader), practisedMessage(bias));
      return "Your practice counts for your plug readings now.";
    }
    case "takeBack":
      await keepPractised(instrument(task.reader), undefined);
      return "Your practice no longer counts.";
    case "forget":
      await keepPractised(instrument(task.reader), undefined);
      await forgetRounds(task.reader);
      return "The rounds are gone.";
  }
}
