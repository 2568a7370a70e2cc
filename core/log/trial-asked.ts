/** What is tried on paper: a setting, and if wanted another air, fuel or part. Never part of a log. */
import * as z from "zod";
import { AirState, Build, Setting } from "./build-schema.ts";
import { BenchPart } from "./part-schema.ts";

const C = Build.shape.carburettor.shape;

export const TrialAsked = z.strictObject({
  setting: Setting,
  /** none: that of the card */
  air: AirState.optional(),
  fuel: Build.shape.fuel.optional(),
  needleJetMm: C.needleJetMm.optional(),
  /** the needle thicker (+) or thinner all along */
  thickerMm: z.number().min(-0.5).max(0.5).optional(),
  cutawayMm: z.number().min(0).max(12).optional(),
  /** from the box; what is moved besides is moved on it */
  parts: z.array(BenchPart).max(6).optional(),
});
export type TrialAsked = z.infer<typeof TrialAsked>;
