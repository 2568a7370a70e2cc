/** Rounds of the plug trainer, in the practice database: no export, backup or search of the book meets them. */
import * as z from "zod/mini";
import { TONES } from "#core/log/parts.ts";
import { InstrumentName } from "#core/log/readings/common.ts";
import { LIGHTS } from "#core/pictures/light.ts";
import { PLUGS_A_ROUND } from "#core/trainer/round.ts";
import { practiceDatabase } from "./database.ts";
import { withLock } from "./locks.ts";

const Call = z.strictObject({
  error: z.number().check(z.gte(-1), z.lte(1)),
  light: z.enum(LIGHTS),
  called: z.enum(TONES),
});

export const TrainerRound = z.strictObject({
  /** when it was ended, milliseconds since 1970 */
  at: z.number(),
  /** who read; one of the readers that have names */
  reader: z.optional(InstrumentName),
  /** seconds a plug, where it was against the clock */
  clockS: z.optional(z.number().check(z.gte(1), z.lte(60))),
  calls: z.array(Call).check(z.minLength(1), z.maxLength(PLUGS_A_ROUND)),
});
export type TrainerRound = z.infer<typeof TrainerRound>;

const KEY = "trainer/rounds";
/** Years of rounds; the oldest go first. */
const MOST_ROUNDS = 300;

/** Each round by itself: one that cannot be read is left out, the others are kept. */
export async function readRounds(): Promise<TrainerRound[]> {
  const kept = await practiceDatabase.getItem(KEY);
  return (Array.isArray(kept) ? kept : []).flatMap((one) => {
    const round = TrainerRound.safeParse(one);
    return round.success ? [round.data] : [];
  });
}

/** @throws {Error} where the device cannot keep it */
export const keepRound = (round: TrainerRound): Promise<void> =>
  withLock("trainer", async () => {
    const rounds = [...(await readRounds()), TrainerRound.parse(round)];
    await practiceDatabase.setItem(KEY, rounds.slice(-MOST_ROUNDS));
  });

/** Forgets the rounds of one reader. */
export const forgetRounds = (reader: string | undefined): Promise<void> =>
  withLock("trainer", async () => {
    const rounds = await readRounds();
    await practiceDatabase.setItem(
      KEY,
      rounds.filter((round) => round.reader !== reader),
    );
  });
