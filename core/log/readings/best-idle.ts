/** The idle bench: where the screw has its best idle. */
import * as z from "zod/mini";
import { instrument } from "./common.ts";

const Turns = z.number().check(z.gte(0), z.lte(20));

export const BestIdleReading = z.strictObject({
  type: z.literal("bestIdle"),
  zone: z.literal("idle"),
  /** where the idle had fallen by 2 %, turns out: the mixture is right between the two */
  fallInTurns: Turns,
  fallOutTurns: Turns,
  /** where it ran fastest: some schools set it there */
  crestTurns: z.optional(Turns),
  /** doubt of the middle between them */
  sdTurns: z.number().check(z.gte(0.01), z.lte(5)),
  /** what was read, the fit can be made again from it */
  points: z
    .array(z.strictObject({ turns: Turns, rpm: z.number().check(z.gte(100), z.lte(20_000)) }))
    .check(z.minLength(5), z.maxLength(200)),
  instrument,
});
