/** Schema of a what-if trial: a setting, optionally another air, fuel or part; never logged. */
import * as z from "zod/mini";
import { AirState, Build, Setting } from "./build-schema.ts";
import { BenchPart } from "./part-schema.ts";

const C = Build.shape.carburettor.shape;

export const TrialAsked = z.strictObject({
  setting: Setting,
  /** none: that of the card */
  air: z.optional(AirState),
  fuel: z.optional(Build.shape.fuel),
  needleJetMm: z.optional(C.needleJetMm),
  /** the needle thicker (+) or thinner all along */
  thickerMm: z.optional(z.number().check(z.gte(-0.5), z.lte(0.5))),
  cutawayMm: z.optional(z.number().check(z.gte(0), z.lte(12))),
  /** from the box; what is moved besides is moved on it */
  parts: z.optional(z.array(BenchPart).check(z.maxLength(6))),
});
export type TrialAsked = z.infer<typeof TrialAsked>;
