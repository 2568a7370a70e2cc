/** The idle bench: where the screw has its best idle. */
import * as z from "zod";
import { instrument } from "./common.ts";

const Turns = z.number().min(0).max(20);

export const BestIdleReading = z.strictObject({
  type: z.literal("bestIdle"),
  zone: z.literal("idle"),
  /** where the idle had fallen by 2 %, turns out: the mixture is right between the two */
  fallInTurns: Turns,
  fallOutTurns: Turns,
  /** where it ran fastest: some schools set it there */
  crestTurns: Turns.optional(),
  /** doubt of the middle between them */
  sdTurns: z.number().min(0.01).max(5),
  /** what was read, the fit can be made again from it */
  points: z
    .array(z.strictObject({ turns: Turns, rpm: z.number().min(100).max(20_000) }))
    .min(5)
    .max(200),
  instrument,
});
